import { wallMsOf } from '../base/clock'
import type { Id } from '../base/id'
import type { PlanRequest } from '../plan/ask/planRequest'
import type { FoundOrder } from '../plan/find/foundOrder'
import { keptPlan } from '../plan/keptPlan'
import type { PlanOnCards } from '../plan/show/planOnCards'
import { isAirbagCircuit } from '../procedure/circuits'
import type { ProcedureDocument } from '../procedure/document'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { HouseValues } from '../shop/houseValues'
import type { Breach } from '../vehicle/judge'
import { powerGate } from '../vehicle/powerGate'
import type { Rule } from '../vehicle/rule'
import { balanceOf, type BalanceRow } from './balance'
import type { JobEvent } from './event'
import { foldJob, levelNow } from './fold'
import type { JobState } from './jobState'
import { liveCircumstances, liveVehicle } from './liveVehicle'
import { modelNow } from './modelNow'
import { nextTap, type NextTap } from './progress'
import { termsOf } from './terms'
import { uRows, type URow } from './uRows'
import type { UnresolvedOf } from './unresolved'

/** What is done next: the tap of the plan, and once nothing of it is left, what still keeps the vehicle. */
export type NextAtBay =
  | { kind: 'record'; isAsked: boolean }
  | { kind: 'tap'; tap: NextTap }
  | { kind: 'close the balance' }
  | { kind: 'test and hand over' }

/** Something that is off or open and owed, the gravest first. */
export type OpenAtBay =
  | { kind: 'unresolved'; of: UnresolvedOf }
  | { kind: 'airbag' | 'tether'; tetherId: Id }
  | { kind: 'holder'; holderId: Id; count: number }

export type BayStanding = {
  state: JobState
  model: ProcedureForBuild
  /** Null for a strip that is still coming apart: its way is shown by no plan. */
  plan: PlanOnCards | null
  rows: URow[]
  /** Whether the way in is done. */
  reached: boolean
  next: NextAtBay
  /** What keeps ignition or engine off now; null where both may come on. */
  forbids: { power: 'ignition' | 'engine'; breach: Breach } | null
  open: OpenAtBay[]
  /** Of a strip: how many facts it has told, and what is off or forward. */
  told: { facts: number; outIds: Id[] }
  sinceMs: number | null
}

export type BayJobSource = {
  kind: 'job' | 'strip'
  request: PlanRequest | null
  found: FoundOrder | null
  document: ProcedureDocument
  events: readonly JobEvent[]
}

/**
 * How a vehicle stands in its bay. `byWhat`: the record its way back is told by. Null when the job's plan no longer
 * comes out of its record. Cost: a fold and a derivation.
 */
export function bayStanding(
  job: BayJobSource,
  byWhat: ProcedureDocument,
  house: HouseValues,
  rules: readonly Rule[],
  nowMs: number,
): BayStanding | null {
  const state = foldJob(job.document, job.events)
  const model = modelNow(byWhat, job.request, state)
  const kept = job.request && keptPlan(model, job.request, house, rules, job.found)
  const plan = kept?.ok ? kept.value : null
  if (!plan && job.kind === 'job') return null
  const rows = plan ? uRows(plan, state) : []
  const { openRows } = balanceOf(job.document, state, termsOf(job.document, job.request, state))
  return {
    state,
    model,
    plan,
    rows,
    reached: rows.every((row) => row.wayIn === 'done'),
    next: nextAtBay(plan, state, openRows.length, job.request !== null),
    forbids: forbidsNow(model, state, house, rules, nowMs),
    open: openAtBay(job.document, openRows),
    told: {
      facts: state.history.reduce((sum, { what }) => sum + (what.kind === 'stated' ? what.edits.length : 0), 0),
      outIds: job.document.parts.filter((part) => levelNow(state, part.id) !== 'in place').map(({ id }) => id),
    },
    sinceMs: state.history[0] ? wallMsOf(state.history[0].at) : null,
  }
}

function nextAtBay(plan: PlanOnCards | null, state: JobState, openRows: number, isAsked: boolean): NextAtBay {
  if (!plan) return { kind: 'record', isAsked }
  const tap = nextTap(plan, state)
  if (tap) return { kind: 'tap', tap }
  return { kind: openRows > 0 ? 'close the balance' : 'test and hand over' }
}

function forbidsNow(
  model: ProcedureForBuild,
  state: JobState,
  house: HouseValues,
  rules: readonly Rule[],
  nowMs: number,
): BayStanding['forbids'] {
  const nobody = { id: '', authorised: [] }
  const gate = powerGate(model, liveVehicle(model, state, nowMs), liveCircumstances(model, state, house, rules, nobody))
  for (const power of ['ignition', 'engine'] as const)
    if (!gate[power].allowed) return { power, breach: gate[power].forbiddenBy[0]! }
  return null
}

function openAtBay(document: ProcedureDocument, rows: readonly BalanceRow[]): OpenAtBay[] {
  const open = rows.flatMap((row): OpenAtBay[] => {
    if (row.account === 'holder') return [{ kind: 'holder', holderId: row.id, count: row.out - row.back }]
    if (row.account === 'unresolved') return [{ kind: 'unresolved', of: row.of }]
    if (row.account !== 'tether') return []
    const airbag = isAirbagCircuit(document.tethers.find((tether) => tether.id === row.id)!)
    return [{ kind: airbag ? 'airbag' : 'tether', tetherId: row.id }]
  })
  const isGrave = ({ kind }: OpenAtBay) => kind === 'airbag' || kind === 'unresolved'
  return [...open.filter(isGrave), ...open.filter((item) => !isGrave(item))]
}
