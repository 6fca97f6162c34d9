import type { Id } from '../base/id'
import type { Operation } from '../order/operation'
import type { Act } from '../procedure/acts'
import { atLeast } from '../procedure/levels'
import type { HolderCounts } from './account'
import type { Happening } from './event'
import { levelNow } from './fold'
import type { JobState } from './jobState'
import { workHappenings, type WorkOfJob } from './workSteps'

type Row = {
  /** Whether what the act is for has happened, whoever did it and in which order. */
  isDone: (state: JobState, operation: Operation) => boolean
  /** What to record when it is done as written. */
  records: (state: JobState, operation: Operation, job: WorkOfJob) => Happening[]
}

const moved = (partId: Id, level: 'in place' | 'eased' | 'free' | 'off'): Happening => ({
  kind: 'part at',
  partId,
  level,
})

/** What comes free with a pull, then the part itself. */
const pulledTo = (level: 'eased' | 'free'): Row['records'] => {
  return (state, { itemId, pulled = [] }) => [...pulled.flatMap((id) => countedOut(state, id)), moved(itemId, level)]
}

// Set back is set back, although the plan changes it again later (the ignition, for another test): what stands
// otherwise in the end is a row of the balance.
const SETTING: Row = {
  isDone: (state, { itemId, setting, nth }) => (state.valuesReached.get(`${itemId}=${setting!.to}`) ?? 0) >= nth,
  records: (_, { setting }) => [
    { kind: 'set', settingId: setting!.settingId, value: setting!.to, methodId: setting!.methodId },
  ],
}

/** On a job: how each act is known to be done, and what its tap writes down. */
export const JOB_ACTS: Readonly<Record<Act, Row>> = {
  undo: {
    isDone: (state, { itemId }) => {
      const c = state.holders.get(itemId)
      return c !== undefined && (state.uncounted.has(itemId) ? c.undone > 0 : c.undone >= wereThere(c))
    },
    records: (state, { itemId }) => {
      const c = state.holders.get(itemId)!
      return [{ kind: 'undone', holderId: itemId, count: Math.max(1, wereThere(c) - c.undone) }]
    },
  },
  ease: {
    isDone: (state, { itemId }) => atLeast(levelNow(state, itemId), 'eased') || state.moved.has(itemId),
    records: pulledTo('eased'),
  },
  release: { isDone: (state, { itemId }) => state.moved.has(itemId), records: pulledTo('free') },
  open: {
    isDone: (state, { itemId, nth }) => (state.tetherTimes.get(itemId)?.opened ?? 0) >= nth,
    records: (_, { itemId }) => [{ kind: 'opened', tetherId: itemId }],
  },
  lift: {
    isDone: (state, { itemId }) => state.setAside.has(itemId),
    records: (_, { itemId }) => [moved(itemId, 'off')],
  },
  fasten: {
    isDone: (state, { itemId, fresh }) =>
      fresh === undefined ? isBackIn(state.holders.get(itemId)) : standingOf(state, itemId) >= fresh,
    records: (state, { itemId, fresh }) => {
      if (fresh === undefined) return countedBack(state, itemId)
      const left = fresh - standingOf(state, itemId)
      return left > 0 ? [{ kind: 'fastened', holderId: itemId, count: left, stage: 'final' }] : []
    },
  },
  start: {
    isDone: (state, { itemId }) => {
      const c = state.holders.get(itemId)
      return c !== undefined && isOff(c) && c.started + c.fastenedOld + c.fittedNew + c.leftOut >= c.undone + c.madeGood
    },
    records: (state, { itemId }) => {
      const { old, fresh } = toFasten(state.holders.get(itemId)!)
      return old + fresh > 0 ? [{ kind: 'fastened', holderId: itemId, count: old + fresh, stage: 'started' }] : []
    },
  },
  seat: {
    isDone: (state, { itemId, pulled = [] }) =>
      state.moved.has(itemId) &&
      levelNow(state, itemId) === 'in place' &&
      pulled.every((id) => !isOut(state.holders.get(id))),
    records: (state, { itemId, pulled = [] }) => [
      ...(levelNow(state, itemId) === 'in place' ? [] : [moved(itemId, 'in place')]),
      ...pulled.flatMap((id) => countedBack(state, id)),
    ],
  },
  close: {
    isDone: (state, { itemId, nth, phase }) =>
      (state.tetherTimes.get(itemId)?.closed ?? 0) >= nth && (phase !== 'out' || !state.tethersOpen.has(itemId)),
    records: (_, { itemId }) => [{ kind: 'closed', tetherId: itemId }],
  },
  place: {
    isDone: (state, { itemId }) => state.setAside.has(itemId) && !atLeast(levelNow(state, itemId), 'off'),
    records: (_, { itemId }) => [moved(itemId, 'free')],
  },
  feed: {
    isDone: (state, { itemId }) =>
      state.ledThrough.has(itemId) || (state.tethersTouched.has(itemId) && !state.tethersOpen.has(itemId)),
    records: (_, { itemId }) => [{ kind: 'led through', tetherId: itemId }],
  },
  set: SETTING,
  restore: SETTING,
  work: {
    isDone: (state, { itemId }) => state.works.has(itemId),
    records: (state, { itemId }, job) => workHappenings(state, job, itemId),
  },
  test: {
    isDone: (state, { itemId }) => state.tests.get(itemId)?.result === 'passed',
    records: (_, { itemId }) => [{ kind: 'tested', functionId: itemId, result: 'passed', reading: '', note: '' }],
  },
  decide: { isDone: (state, { itemId }) => state.facets.has(itemId), records: () => [] },
  // A wait is over when what waited for it is done; the rules of safety hold the next act back until then.
  wait: { isDone: () => true, records: () => [] },
}

/** How many of a kit's group are in. */
function standingOf(state: JobState, holderId: Id): number {
  const c = state.holders.get(holderId)
  return c ? c.fastenedOld + c.fittedNew - c.undone : 0
}

/** A group counted out: as many as there were, or as are left of it. */
function countedOut(state: JobState, holderId: Id): Happening[] {
  const c = state.holders.get(holderId)!
  const left = wereThere(c) - c.undone
  return left > 0 ? [{ kind: 'undone', holderId, count: left }] : []
}

/** A group counted back in: what came off whole, and new ones for the rest. */
function countedBack(state: JobState, holderId: Id): Happening[] {
  const { old, fresh } = toFasten(state.holders.get(holderId)!)
  return [
    ...(old > 0 ? [{ kind: 'fastened', holderId, count: old, stage: 'final' } as const] : []),
    ...(fresh > 0 ? [{ kind: 'new fitted', holderId, count: fresh, insteadOf: 'old' } as const] : []),
  ]
}

/** How many of a group go back: those that came off and are whole, and new ones for those that broke or are lost. */
export function toFasten(c: HolderCounts): { old: number; fresh: number } {
  const wanted = Math.max(0, c.undone + c.madeGood - c.fastenedOld - c.fittedNew - c.leftOut)
  const old = Math.max(0, Math.min(wanted, c.undone - c.fastenedOld - c.broken - c.lost - c.ended))
  return { old, fresh: wanted - old }
}

/** How many of a group were there before anybody began. */
function wereThere(c: HolderCounts): number {
  return c.design - c.missing + c.extra
}

function isBackIn(c: HolderCounts | undefined): boolean {
  return c !== undefined && isOff(c) && c.fastenedOld + c.fittedNew + c.leftOut >= c.undone + c.madeGood
}

/** Whether some of a group that came off with a pull are not pressed home yet. */
function isOut(c: HolderCounts | undefined): boolean {
  return c !== undefined && c.undone > 0 && !isBackIn(c)
}

/** Whether the group is off: some of it came off, or all of it was missing before anybody began. */
function isOff(c: HolderCounts): boolean {
  return c.undone > 0 || wereThere(c) <= 0
}
