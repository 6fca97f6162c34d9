import type { Id } from '../../base/id'
import { keyDoing, type Operation } from '../../order/operation'
import { addDemand } from '../../order/refitStages'
import { endValue, methodsTo } from '../../order/settingAct'
import { atLeast } from '../../procedure/levels'
import type { Build } from '../../procedure/when'
import type { VehicleState } from '../../vehicle/vehicleState'
import type { DerivedJob } from './derivedJob'
import type { FoundOrder } from '../find/foundOrder'
import type { JobGoal } from '../ask/jobGoal'
import type { Legs } from './leg'
import { goalOfRequest } from '../ask/jobGoal'
import type { PlanRequest } from '../ask/planRequest'
import type { JobStart } from './jobStart'
import type { Standing } from '../find/step'
import { actOf, keyOf } from '../../procedure/acts'

/** Where a live job stands, as things, not as steps of a plan: what is off, open and undone, whoever did it and why. */
export type LiveStart = {
  state: VehicleState
  standing: Standing
  /** The way in is behind: what was opened is goes back from here, and what is back already stays. */
  reached: boolean
  /** Work items that are done, and when on the clock of `state`: something may have to set, cool or dry since. */
  worksDone: ReadonlyMap<Id, number>
  testsPassed: ReadonlySet<Id>
  /** Leads that are through their aperture again. */
  ledThrough: ReadonlySet<Id>
  setCount: ReadonlyMap<string, number>
  /** How often each tether was opened and closed. */
  times?: ReadonlyMap<Id, { opened: number; closed: number }>
}

/** What of a job is done, as its things stand. */
export function startFrom(legs: Legs, live: LiveStart): JobStart {
  const done = new Set<string>()
  for (const operation of legs.wayIn.operations.values())
    if (live.reached || isIn(operation, live.state)) done.add(operation.key)
  if (live.reached)
    for (const operation of legs.wayOut.operations.values()) if (isBack(operation, live)) done.add(operation.key)
  return {
    state: live.state,
    standing: live.standing,
    done,
    setCount: live.setCount,
    doneAtS: new Map([...live.worksDone].map(([id, atS]) => [keyOf('work', id), atS])),
  }
}

function isIn({ act, itemId }: Operation, state: VehicleState): boolean {
  const level = state.levels.get(itemId) ?? 'in place'
  if (act === 'undo') return state.undone.has(itemId)
  if (act === 'open') return state.open.has(itemId)
  const { brings } = actOf(act)
  return brings !== undefined && atLeast(level, brings)
}

function isBack(
  { act, itemId, phase, pulled }: Operation,
  { state, worksDone, testsPassed, ledThrough }: LiveStart,
): boolean {
  const level = state.levels.get(itemId) ?? 'in place'
  // A plug closed only for a test is closed again for it, unless nothing is open.
  if (act === 'feed') return ledThrough.has(itemId) || !state.open.has(itemId)
  if (act === 'close' || (act === 'open' && phase === 'test')) return !state.open.has(itemId)
  if (act === 'fasten' || act === 'start') return !state.undone.has(itemId)
  if (act === 'seat') return level === 'in place' && !pulled?.some((id) => state.undone.has(id))
  if (act === 'place') return level !== 'off'
  if (act === 'work') return worksDone.has(itemId)
  return act === 'test' && testsPassed.has(itemId)
}

/** What of a vehicle is out: it goes back, whatever else is planned. */
export type AlreadyOut = NonNullable<FoundOrder['from']>

export function alreadyOut(state: VehicleState): AlreadyOut {
  return {
    levels: Object.fromEntries(
      [...state.levels].flatMap(([id, level]) => (level === 'in place' ? [] : [[id, level] as const])),
    ),
    undone: [...state.undone],
    open: [...state.open],
  }
}

/** The parts that have moved already, as goals. */
export function movedParts({ levels }: AlreadyOut): { kind: 'part'; partId: Id; level: 'eased' | 'free' | 'off' }[] {
  return Object.entries(levels).map(([partId, level]) => ({ kind: 'part' as const, partId, level }))
}

/** The goals of a request and, on a live job, whatever has moved already. */
export function goalFrom(request: PlanRequest, build: Build, out: AlreadyOut | null): JobGoal {
  const goal = goalOfRequest(request, build)
  return out ? { ...goal, goals: [...goal.goals, ...movedParts(out)] } : goal
}

/** Fasteners undone and plugs opened that the job does not speak of: they go back as well. */
export function addLooseEnds(job: DerivedJob, { undone, open }: AlreadyOut): void {
  const { operations } = job.refit
  const add = (key: string, act: 'fasten' | 'close', itemId: Id, partId: Id) => {
    if (!operations.has(key)) operations.set(key, { key, phase: 'out', act, itemId, partId, setting: null, nth: 1 })
  }
  for (const id of undone)
    if (job.model.holders.has(id) && keyDoing(job.removal.operations, 'undo', id) === undefined)
      add(keyOf('fasten', id), 'fasten', id, job.model.holders.get(id)!.holds[0]!)
  for (const id of open)
    if (job.model.tethers.has(id) && !job.removal.operations.has(keyOf('open', id)))
      add(keyOf('close', id), 'close', id, job.model.hostOf(job.model.tethers.get(id)!.partId))
}

/**
 * A setting that has been moved and a part that is out, which a way of moving it asks for: the part goes back once the
 * setting does, as in a plan from the beginning. Nobody says by which way it was moved; to mind one more is on the safe
 * side.
 */
export function setBackFirst(job: DerivedJob, { settings, levels }: VehicleState): void {
  const { model, refit } = job
  for (const [settingId, value] of settings) {
    const end = endValue(model, settingId)
    if (value === end) continue
    for (const methodId of methodsTo(model, settingId, value))
      for (const { needs } of model.needsOf.get(keyOf('method', methodId)) ?? []) {
        if (needs.kind !== 'part' || (levels.get(needs.partId) ?? 'in place') === 'in place') continue
        const key = [keyOf('place', needs.partId), keyOf('seat', needs.partId)].find((name) =>
          refit.operations.has(name),
        )
        if (key) addDemand(refit.demands, key, { settingId, value: end, because: { kind: 'set back', settingId } })
      }
  }
}
