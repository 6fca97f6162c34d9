import type { Id } from '../../base/id'
import type { Because, Edge } from '../../order/operation'
import { keyOf } from '../../procedure/acts'
import { isFittedIn } from '../../shop/kitHere'
import { accessHolds, closeKeyOf } from './workOrder'
import type { DerivedJob } from './derivedJob'

/*
 * Where a kit and a vehicle meet on the way out, besides the kit's own work: what is carried over to a part of the kit,
 * what is put into a connection, what goes home before or after a piece of work. Cost: O(things x works).
 */

/**
 * A part that is carried over is placed on its new carrier and fastened there, by its own fasteners or the kit's,
 * before the work that fits the carrier; what it plugs is plugged once that is in, and before it is closed over.
 */
export function addCarriedOver(job: DerivedJob): void {
  for (const [partId, { ontoId, fastenedBy }] of job.carried) {
    const [place, seat] = [keyOf('place', partId), keyOf('seat', partId)].map((key) =>
      has(job, key) ? key : undefined,
    )
    const home = seat ?? place
    if (!home) continue
    const because: Because = { kind: 'onto its carrier', partId, ontoId }
    for (const key of [place, seat]) {
      const operation = key && job.refit.operations.get(key)
      if (operation) job.refit.operations.set(operation.key, { ...operation, ontoId })
    }
    for (const holderId of fastenedBy) fastenThere(job, partId, holderId, home)
    const done = [place, seat, ...fastenedBy.map((id) => keyOf('fasten', id))].filter((key) => key && has(job, key))
    const plugs = (job.model.tyingOf.get(partId) ?? []).flatMap(({ id }) => closeKeyOf(job, id) ?? [])
    for (const workId of worksFitting(job, ontoId)) {
      const work = keyOf('work', workId)
      for (const key of done) order(job, key!, work, because)
      for (const close of plugs) {
        order(job, work, close, because)
        for (const back of accessHolds(job, workId)) order(job, close, back, { kind: 'holds up', workId })
      }
    }
  }
}

/** A fastener that holds it at the new place: one of its own has its act already, one of the kit gets one. */
function fastenThere(job: DerivedJob, partId: Id, holderId: Id, home: string): void {
  const key = keyOf('fasten', holderId)
  const { operations } = job.refit
  const fresh = job.goal.kits.flatMap(({ kit }) => kit.holders).find(({ id }) => id === holderId)?.count
  if (fresh !== undefined)
    operations.set(key, { key, phase: 'out', act: 'fasten', itemId: holderId, partId, setting: null, nth: 1, fresh })
  if (operations.has(key)) order(job, home, key, { kind: 'holds', holderId, partId })
}

/**
 * The plug of the vehicle goes into an adapter once that is there. That its own plugs are in is the business of the
 * work that plugs them.
 */
export function addAdapters(job: DerivedJob): void {
  for (const { fit } of job.goal.kits)
    for (const { tetherId, partId } of fit.adapted) {
      const close = closeKeyOf(job, tetherId)
      if (!close) continue
      goesInto(job, close, partId)
      for (const workId of worksFitting(job, partId))
        order(job, keyOf('work', workId), close, { kind: 'into the adapter', tetherId, adapterId: partId })
    }
}

/** "This unit goes in before its face plate, that one after." */
export function addKitOrder(job: DerivedJob): void {
  for (const { fit } of job.goal.kits)
    for (const { workId, is, partId } of fit.wayOut) {
      const [work, seat] = [keyOf('work', workId), keyOf('seat', partId)]
      const because: Because = { kind: 'kit order', workId, partId }
      if (is === 'before') order(job, work, seat, because)
      else order(job, seat, work, because)
    }
}

/** Work that puts a part of a kit where it belongs, and is done with the vehicle open. */
export function worksFitting({ works, refit: { operations } }: DerivedJob, partId: Id): Id[] {
  return [...works.values()]
    .filter((work) => isFittedIn(work, partId) && operations.has(keyOf('work', work.id)))
    .map(({ id }) => id)
}

/** The plug goes into a thing of the kit: its card says so. */
export function goesInto({ refit: { operations } }: DerivedJob, close: string, ontoId: Id): void {
  operations.set(close, { ...operations.get(close)!, ontoId })
}

function has({ refit }: DerivedJob, key: string): boolean {
  return refit.operations.has(key)
}

function order(job: DerivedJob, before: string, after: string, because: Because): void {
  const edge: Edge = { before, after, because }
  if (has(job, before) && has(job, after)) job.refit.edges.push(edge)
}
