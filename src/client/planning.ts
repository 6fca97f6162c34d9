import { proxy, wrap, type Remote } from 'comlink'
import type { PlanError, PlanProgress } from '../core/plan/find/findPlan'
import type { FoundOrder } from '../core/plan/find/foundOrder'
import type { Lanes, LanesError } from '../core/plan/lanes/lanesOf'
import type { Station } from '../core/procedure/station'
import type { PlanExtras } from '../core/plan/show/planExtras'
import type { Result } from '../core/base/result'
import type { JobEvent } from '../core/job/event'
import type { ProcedureDocument } from '../core/procedure/document'
import type { HouseValues } from '../core/shop/houseValues'
import type { Question } from '../core/strip/questions'
import type { ShopRules } from '../core/vehicle/rule'
import type { PlanningInput, ReplanInput } from '../workers/asked'
import type { LaidAnswer, PlannerApi, ReplanAnswer } from '../workers/planner'

export type { PlanningInput } from '../workers/asked'
export type { LaidAnswer, ReplanAnswer } from '../workers/planner'

export type LanesAnswer = Result<Lanes, LanesError>

type Idle = { worker: Worker; remote: Remote<PlannerApi> }
/** One worker is kept warm between questions. */
let idle: Idle | null = null

/** Has a worker ready before it is asked: without a network it could not be loaded any more. */
export function warmUp(): void {
  idle ??= fresh()
}

/**
 * Something being worked out in a worker, so that the page stays usable. `cancel` ends it at once; its answer then
 * never comes.
 */
export type Planning<T> = { answer: Promise<T>; cancel: () => void }

/** The cheapest order; `onProgress` is told how far the search is, `onFirst` a safe order that is there before it. */
export function startPlanning(
  input: PlanningInput,
  onProgress: (progress: PlanProgress) => void,
  onFirst: (first: FoundOrder) => void,
): Planning<Result<FoundOrder, PlanError>> {
  return ask<Result<FoundOrder, PlanError>>(async (remote) => remote.find(input, proxy(onProgress), proxy(onFirst)))
}

/** The leads of a request laid, before its plan is looked for; `others`: with what other ways would cost. */
export function startLaying(input: PlanningInput, others: boolean): Planning<LaidAnswer> {
  return ask<LaidAnswer>(async (remote) => remote.layOut(input, others))
}

/** What is worth knowing beside an order that was found. */
export function startExtras(input: PlanningInput, found: FoundOrder): Planning<PlanExtras | null> {
  return ask((remote) => remote.extras(input, found))
}

/** A found plan shared out over several people. */
export function startLanes(
  input: PlanningInput,
  found: FoundOrder,
  starts: Station[],
  singleTools: string[],
): Planning<LanesAnswer | null> {
  return ask<LanesAnswer | null>(async (remote) => remote.lanes(input, { found, starts, singleTools }))
}

/** The rest of a job, from where its things stand. */
export function startReplan(input: ReplanInput, onProgress: (progress: PlanProgress) => void): Planning<ReplanAnswer> {
  return ask<ReplanAnswer>(async (remote) => remote.fromHere(input, proxy(onProgress)))
}

/** The orders of a strip that are worth a question. */
export function startDearOrders(
  document: ProcedureDocument,
  events: readonly JobEvent[],
  house: HouseValues,
  rules: ShopRules,
): Planning<Question[]> {
  return ask((remote) => remote.dear({ document, events: [...events], house, rules }))
}

function ask<T>(question: (remote: Remote<PlannerApi>) => Promise<T>): Planning<T> {
  const { worker, remote } = idle ?? fresh()
  idle = null
  let ended = false
  const answer = question(remote).then((result) => {
    ended = true
    if (idle) worker.terminate()
    else idle = { worker, remote }
    return result
  })
  return {
    answer,
    cancel: () => {
      if (!ended) worker.terminate()
    },
  }
}

function fresh(): Idle {
  const worker = new Worker(new URL('../workers/planner.ts', import.meta.url), { type: 'module' })
  return { worker, remote: wrap<PlannerApi>(worker) }
}
