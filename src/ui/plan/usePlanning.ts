import { useEffect, useState } from 'react'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { startExtras, startLanes, startPlanning, type LanesAnswer, type PlanningInput } from '@/client/planning'
import { ok, type Result } from '@/core/base/result'
import type { PlanError, PlanProgress } from '@/core/plan/find/findPlan'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import { planOnCards, type PlanOnCards } from '@/core/plan/show/planOnCards'
import type { PlanExtras } from '@/core/plan/show/planExtras'
import type { Station } from '@/core/procedure/station'
import { rulesInForce } from '@/core/vehicle/rulesInForce'

export type Planned = {
  /**
   * The answer, or before it is there a safe order that may not be the quickest; the last answer stays until one of
   * them is.
   */
  result: Result<PlanOnCards, PlanError> | null
  /** Set while an answer is worked out that takes longer than half a second. */
  progress: PlanProgress | null
  /** Whether the answer belongs to what is asked now, and nothing better is looked for any more. */
  current: boolean
  /**
   * What stands there is a safe order for what is asked now, and a better one is looked for, or was until somebody
   * stopped it.
   */
  first: boolean
  /** Somebody stopped the search for what is asked now. */
  stopped: boolean
  stop: () => void
}

const SHOWN_AFTER_MS = 500

/**
 * A plan worked out beside the page. Asked anew when the input changes; null asks nothing. Keep the input's identity
 * while it stays the same.
 */
export function usePlanning(input: PlanningInput | null): Planned {
  const [answered, setAnswered] = useState<Answered | null>(null)
  const [first, setFirst] = useState<Answered | null>(null)
  const [progress, setProgress] = useState<{ input: PlanningInput; now: PlanProgress } | null>(null)
  const [stopped, setStopped] = useState<PlanningInput | null>(null)

  useEffect(() => {
    if (!input || stopped === input) return
    const begunMs = performance.now()
    let live = true
    let firstShown: ReturnType<typeof setTimeout> | undefined
    const planning = startPlanning(
      input,
      (now) => {
        if (live && performance.now() - begunMs > SHOWN_AFTER_MS) setProgress({ input, now })
      },
      (found) => {
        // What is answered soon is not shown twice.
        firstShown = setTimeout(
          () => live && setFirst({ input, result: planOf(input, ok(found)) }),
          Math.max(0, SHOWN_AFTER_MS - (performance.now() - begunMs)),
        )
      },
    )
    planning.answer.then((found) => {
      clearTimeout(firstShown)
      if (live) setAnswered({ input, result: planOf(input, found) })
    })
    return () => {
      live = false
      clearTimeout(firstShown)
      planning.cancel()
    }
  }, [input, stopped])

  return { ...shownOf(input, answered, first, progress, stopped), stop: () => setStopped(input) }
}

type Answered = { input: PlanningInput; result: Result<PlanOnCards, PlanError> }

/** What of the answers stands for what is asked now. */
function shownOf(
  input: PlanningInput | null,
  answered: Answered | null,
  first: Answered | null,
  progress: { input: PlanningInput; now: PlanProgress } | null,
  stoppedAt: PlanningInput | null,
): Omit<Planned, 'stop'> {
  if (!input) return { result: null, progress: null, current: false, first: false, stopped: false }
  const isAnswered = answered?.input === input
  const stopped = stoppedAt === input
  const isFirst = !isAnswered && first?.input === input
  return {
    result: (isFirst ? first.result : answered?.result) ?? null,
    progress: !isAnswered && !stopped && progress?.input === input ? progress.now : null,
    current: isAnswered || (isFirst && stopped),
    first: isFirst,
    stopped,
  }
}

/** A found order as a plan. */
function planOf(input: PlanningInput, found: Result<FoundOrder, PlanError>): Result<PlanOnCards, PlanError> {
  if (!found.ok) return found
  const plan = planOnCards(
    modelOfRequest(input.document, input.request),
    input.request,
    input.house,
    rulesInForce(input.rules),
    found.value,
  )
  if (!plan.ok && plan.error.kind === 'stale')
    throw new Error(`A plan just found does not fit its own record at ${plan.error.key}.`)
  return plan as Result<PlanOnCards, PlanError>
}

/** What is worth knowing beside a plan, once the plan is there; null while it is not. */
export function useExtras(input: PlanningInput | null, planned: Planned): PlanExtras | null {
  const [known, setKnown] = useState<{ plan: PlanOnCards; extras: PlanExtras | null } | null>(null)
  const plan = planned.current && planned.result?.ok ? planned.result.value : null
  useEffect(() => {
    if (!plan || !input) return
    let live = true
    const asked = startExtras(input, plan.found)
    asked.answer.then((extras) => live && setKnown({ plan, extras }))
    return () => {
      live = false
      asked.cancel()
    }
  }, [plan, input])
  return known && known.plan === plan ? known.extras : null
}

export type SharedOut = { answer: LanesAnswer | null; working: boolean; stop: () => void }

/**
 * A plan shared out, once the plan is there; nothing for one person. `starts` and `singleTools` keep their identity.
 */
export function useLanes(
  input: PlanningInput | null,
  planned: Planned,
  starts: Station[],
  singleTools: string[],
): SharedOut {
  const [known, setKnown] = useState<{ plan: PlanOnCards; starts: Station[]; answer: LanesAnswer | null } | null>(null)
  const [stopped, setStopped] = useState<Station[] | null>(null)
  const plan = planned.current && planned.result?.ok ? planned.result.value : null
  useEffect(() => {
    if (!plan || !input || starts.length < 2 || stopped === starts) return
    let live = true
    const asked = startLanes(input, plan.found, starts, singleTools)
    asked.answer.then((answer) => live && setKnown({ plan, starts, answer }))
    return () => {
      live = false
      asked.cancel()
    }
  }, [plan, input, starts, singleTools, stopped])
  const answer = known && known.plan === plan && known.starts === starts ? known.answer : null
  return {
    answer,
    working: plan !== null && starts.length > 1 && answer === null && stopped !== starts,
    stop: () => setStopped(starts),
  }
}
