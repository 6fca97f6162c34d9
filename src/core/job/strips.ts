import type { Id } from '../base/id'
import type { Strip } from '../order/learntOrder'
import { ownActs } from '../order/seenOrders'
import type { ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import { atLeast } from '../procedure/levels'
import type { Level } from '../procedure/level'
import type { Circumstances } from '../vehicle/circumstances'
import { breaches } from '../vehicle/judge'
import type { JobEvent } from './event'
import { foldJob, standingEvents } from './fold'
import type { JobState } from './jobState'
import { liveVehicle } from './liveVehicle'
import { keyOf, splitKey } from '../procedure/acts'

/** The events of one job, and what its vehicle is called. */
export type JobHistory = { id: string; label: string; events: readonly JobEvent[] }

/**
 * The order in which things really came off, job by job: what was counted, not what was assumed. A strip on whose way
 * the vehicle stood in a state that a rule of safety forbids is marked: it is evidence for facts and gives no order.
 * Jobs that took nothing off are left out.
 */
export function stripsOf(
  document: ProcedureDocument,
  jobs: readonly JobHistory[],
  circumstances: Circumstances,
): Strip[] {
  return jobs.flatMap((job): Strip[] => {
    const sequence = wayInOf(document, job.events)
    return sequence.length > 1
      ? [{ id: job.label, sequence, brokeRule: brokeRule(document, job.events, circumstances) }]
      : []
  })
}

/**
 * Acts of the way in, each the first time it was counted. A part brought back to its place is no release. What somebody
 * had undone before, and what gives no order, is left out; what came off before the log says so stands there.
 */
export function wayInOf(document: ProcedureDocument, events: readonly JobEvent[]): string[] {
  const { alreadyOff, orderless, putRight, history, splitOff } = foldJob(document, events)
  const silent = (key: string) => [alreadyOff, orderless].some((ids) => ids.has(splitKey(key)[1]))
  return ownActs(
    document,
    putRight.reduce(movedBefore, countedActs(history, splitOff)).filter((key) => !silent(key)),
  )
}

/** All acts on a thing, moved before the first act on another. */
function movedBefore(keys: readonly string[], { itemId, otherId }: { itemId: Id; otherId: Id }): string[] {
  const moved = keys.filter((key) => splitKey(key)[1] === itemId)
  const rest = keys.filter((key) => splitKey(key)[1] !== itemId)
  const at = rest.findIndex((key) => splitKey(key)[1] === otherId)
  return at < 0 ? [...keys] : rest.toSpliced(at, 0, ...moved)
}

function countedActs(history: readonly JobEvent[], splitOff: ReadonlyMap<Id, Id[]>): string[] {
  const keys: string[] = []
  const levels = new Map<Id, Level>()
  for (const { what, certainty } of history) {
    const acts =
      what.kind === 'undone'
        ? [keyOf('undo', what.holderId)]
        : what.kind === 'opened'
          ? [keyOf('open', what.tetherId)]
          : what.kind === 'part at'
            ? [what.partId, ...(splitOff.get(what.partId) ?? [])].flatMap((partId) =>
                goesFurther(levels, { ...what, partId }),
              )
            : []
    if (certainty === 'counted') for (const key of acts) if (!keys.includes(key)) keys.push(key)
  }
  return keys
}

/** Whoever says at once that a part is off has released it and lifted it away. */
function goesFurther(levels: Map<Id, Level>, { partId, level }: { partId: Id; level: Level }): string[] {
  const before = levels.get(partId) ?? 'in place'
  levels.set(partId, level)
  if (atLeast(before, level)) return []
  if (level !== 'off') return [level === 'free' ? keyOf('release', partId) : keyOf('ease', partId)]
  return atLeast(before, 'free') ? [keyOf('lift', partId)] : [keyOf('release', partId), keyOf('lift', partId)]
}

/**
 * Whether the vehicle ever stood in a way that a rule forbids: looked at after each plug opened and each setting moved.
 */
function brokeRule(document: ProcedureDocument, events: readonly JobEvent[], circumstances: Circumstances): boolean {
  const standing = standingEvents(events)
  const model = forBuild(document, {})
  const risky = standing.filter(({ what }) => what.kind === 'opened' || what.kind === 'set')
  return risky.some((event) => {
    const state = foldJob(document, standing.slice(0, standing.indexOf(event) + 1))
    return breaches(model, liveVehicle(model, state, 0), circumstances).length > 0
  })
}

/**
 * By how many jobs each item was found as the record has it: all of a group counted out, a plug opened, a part moved.
 */
export function confirmationsOf(document: ProcedureDocument, jobs: readonly JobHistory[]): Map<Id, number> {
  const found = new Map<Id, number>()
  for (const job of jobs)
    for (const id of confirmedBy(document, foldJob(document, job.events))) found.set(id, (found.get(id) ?? 0) + 1)
  return found
}

/** What a job bore out: all of a group counted out, a plug opened, a part moved, and nothing said against it. */
export function confirmedBy(document: ProcedureDocument, state: JobState): Id[] {
  const differs = new Set(state.deviations.map((deviation) => deviation.itemId))
  const holders = document.holders.filter(({ id, count }) => {
    const c = state.holders.get(id)
    return c !== undefined && c.undone === count && c.missing === 0 && c.extra === 0
  })
  return [...holders.map(({ id }) => id), ...state.tethersTouched, ...state.moved].filter(
    (id) => !differs.has(id) && !state.assumed.has(id) && !state.alreadyOff.has(id),
  )
}
