import type { Id } from '../../base/id'
import { reachedFrom, successors } from '../../order/graph'
import type { Edge, Operation } from '../../order/operation'
import { isPhysical } from '../../order/refit'
import { addDemand } from '../../order/refitStages'
import type { AskedByRules } from '../../order/wish'
import { keyOf } from '../../procedure/acts'
import { PHYSICAL } from '../../procedure/needReasons'
import type { Adapted } from '../../shop/kitFit'
import type { DerivedJob } from './derivedJob'
import { goesInto, worksFitting } from './kitMeetsVehicle'
import { closeKeyOf, worksWith } from './workOrder'

/**
 * Work that fits a part of a kit in the place of one of the vehicle's is the way back of that one: done once the place
 * is empty, under the settings its push home would ask for, with every before-relation of the old part's own way back.
 * The plugs that were reached only with the old part in the hand are closed with the new one in the hand, just before.
 * Cost: O(parts x edges).
 */
export function addStandIns(job: DerivedJob, asked: AskedByRules): void {
  for (const [partId, { byId, fastenedBy }] of job.replaced)
    for (const workId of worksFitting(job, byId)) {
      const place: Place = { job, partId, workId, work: keyOf('work', workId) }
      for (const holderId of fastenedBy) fastenOnceIn(place, holderId)
      onceEmpty(place)
      wayBackOfOld(place)
      leadsAndPlugs(place, byId)
      for (const demand of demandsOfOld(place, asked)) addDemand(job.refit.demands, place.work, demand)
    }
}

/** A place where work puts something new. */
type Place = { job: DerivedJob; partId: Id; workId: Id; work: string }

function order({ job: { refit } }: Place, before: string, after: string, because: Edge['because']): void {
  const isThere = refit.operations.has(before) && refit.operations.has(after)
  if (isThere && before !== after) refit.edges.push({ before, after, because })
}

/** After the old one is out, and after other work there, but for what the kit does after it. */
function onceEmpty(place: Place): void {
  const { job, partId, workId, work } = place
  const [release, lift] = [keyOf('release', partId), keyOf('lift', partId)]
  if (job.removal.operations.has(lift))
    job.refit.edges.push({ before: lift, after: work, because: { kind: 'access', workId } })
  const then = reachedFrom(successors(job.refit.edges), work)
  for (const other of worksWith(job, new Set<string>([release, lift])))
    if (!then.has(keyOf('work', other))) order(place, keyOf('work', other), work, { kind: 'holds up', workId: other })
}

const OLD = 'old part'

function wayBackOfOld(place: Place): void {
  const { job, work, workId } = place
  const isAdaptedHere = ({ partId }: Adapted) => worksFitting(job, partId).includes(workId)
  const adapted = job.goal.kits.flatMap(({ fit }) => fit.adapted.filter(isAdaptedHere))
  // An adapter that the same work fits is there only with it: then its plug comes after, not before.
  const late = new Set(adapted.flatMap(({ tetherId }) => closeKeyOf(job, tetherId) ?? []))
  for (const { before, after, because } of turnedEdges(place))
    if (!late.has(before)) order(place, before === OLD ? work : before, after === OLD ? work : after, because)
}

/** Leads that pass here are through first; plugs of the old one go into the new one, while it is in the hand. */
function leadsAndPlugs(place: Place, byId: Id): void {
  const { job, partId, work } = place
  for (const tether of job.model.tethers.values())
    if ((tether.throughPartId ?? job.model.hostOf(tether.partId)) === partId)
      order(place, keyOf('feed', tether.id), work, { kind: 'lead through', tetherId: tether.id })
  const elsewhere = new Set(job.goal.kits.flatMap(({ fit }) => fit.adapted.map(({ tetherId }) => tetherId)))
  const closes = (job.model.tyingOf.get(partId) ?? [])
    .filter(({ id }) => !elsewhere.has(id))
    .flatMap(({ id }) => closeKeyOf(job, id) ?? [])
  const then = successors(job.refit.edges)
  const first = job.refit.edges.filter(({ after }) => after === work).map(({ before }) => before)
  for (const close of closes) {
    goesInto(job, close, byId)
    // One that is closed once it is in waits for nothing here.
    const follows = reachedFrom(then, close)
    if (!follows.has(work)) continue
    for (const before of first)
      if (!closes.includes(before) && !follows.has(before)) order(place, before, close, { kind: 'in one go', partId })
  }
}

/** One of the old fasteners that let go with the pull has no act of its own on the way out: it gets one. */
function fastenOnceIn({ job: { refit }, partId }: Place, holderId: Id): void {
  const key = keyOf('fasten', holderId)
  if (refit.operations.has(key)) return
  refit.operations.set(key, { key, phase: 'out', act: 'fasten', itemId: holderId, partId, setting: null, nth: 1 })
}

/**
 * What a hand meets again on the way back at this place, turned round, with the old part's acts as one. What came after
 * its release and before it was lifted away (its plugs) is in the hand with it: before, and not after as well.
 */
function turnedEdges({ job, partId }: Place): Edge[] {
  const { removal, refit } = job
  const left = (job.model.holdersOf.get(partId) ?? []).filter(({ id }) => !refit.operations.has(keyOf('fasten', id)))
  const own = new Set<string>([
    ...[keyOf('ease', partId), keyOf('release', partId), keyOf('lift', partId)],
    // What lay over fasteners that stay behind lies over what stands there now.
    ...left.map(({ id }) => keyOf('undo', id)),
  ])
  const physical = removal.edges.filter(
    (edge) => own.has(edge.before) !== own.has(edge.after) && isPhysical(removal, edge),
  )
  const inTheHand = new Set(physical.filter(({ before }) => own.has(before)).map(({ after }) => after))
  const turned = physical.flatMap(({ before, after, because }): Edge[] => {
    if (own.has(before)) return [{ before: refit.outKeyOf.get(after) ?? '', after: OLD, because }]
    return inTheHand.has(before) ? [] : [{ before: OLD, after: refit.outKeyOf.get(before) ?? '', because }]
  })
  const held = (job.model.holdersOf.get(partId) ?? []).flatMap(({ id }) =>
    [keyOf('start', id), keyOf('fasten', id)].map((after): Edge => ({
      before: OLD,
      after,
      because: { kind: 'holds', holderId: id, partId },
    })),
  )
  return [...turned, ...held]
}

/** The settings that the old part's way back would have been done under. */
function demandsOfOld({ job: { removal }, partId }: Place, asked: AskedByRules) {
  const back = (act: 'place' | 'seat'): Operation => {
    const key = keyOf(act, partId)
    return { key, phase: 'out', act, itemId: partId, partId, setting: null, nth: 1 }
  }
  const needed = [keyOf('release', partId), keyOf('lift', partId)].flatMap((key) => removal.demands.get(key) ?? [])
  const physical = needed.filter(({ because }) => because.kind === 'need' && isPhysicalNeed(removal, because.needId))
  return [...asked(back('place')), ...asked(back('seat')), ...physical]
}

function isPhysicalNeed({ model }: DerivedJob['removal'], needId: Id): boolean {
  return PHYSICAL.includes(model.needOf.get(needId)!.reason)
}
