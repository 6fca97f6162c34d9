import { reachedFrom, successors } from '../../order/graph'
import { partsOfGoal } from '../../order/partsOfGoal'
import type { Goal } from '../../order/wish'
import type { Because } from '../../order/operation'
import { isFittedIn } from '../../shop/kitHere'
import type { DerivedJob, DeriveError } from './derivedJob'
import { goalOf } from '../ask/jobGoal'
import { preparedWork } from './preparedWork'
import { keyOf } from '../../procedure/acts'

type KitOfJob = DerivedJob['goal']['kits'][number]
type Work = KitOfJob['kit']['works'][number]

/**
 * Adds the kits' work items: after what opens their access and after the work they build on; before whatever closes
 * that access again, and longer before where something has to cool, set or start up first.
 */
export function addWork(job: DerivedJob): DeriveError | null {
  const prepared = preparedWork(job.goal, job.model.build)
  const isPrepared = (id: string) => prepared.some((work) => work.id === id)
  for (const { kit, fit } of job.goal.kits) {
    for (const work of kit.works) {
      if (work.kind === 'bypass a signal') return { kind: 'bypass', workId: work.id }
      addItem(job, kit, fit, work)
      if (!holdAccessOpen(job, fit, work)) return { kind: 'no access', workId: work.id }
      for (const first of work.afterWork) {
        const before = kit.works.find((item) => item.id === first)
        if (!before) continue
        const edges = isPrepared(first) ? job.prepared.edges : job.refit.edges
        edges.push({
          before: keyOf('work', first),
          after: keyOf('work', work.id),
          because: { kind: 'work first', workId: first },
          ...delayOf(before),
        })
      }
    }
    for (const item of kit.functions) job.added.set(item.id, item)
    for (const setting of kit.settings) job.modules.set(setting.id, setting)
  }
  // What is prepared stands in front of everything, in its own order.
  for (const { id } of prepared) {
    const key = keyOf('work', id)
    job.prepared.operations.push(job.refit.operations.get(key)!)
    job.refit.operations.delete(key)
  }
  return null
}

function addItem(job: DerivedJob, kit: KitOfJob['kit'], fit: KitOfJob['fit'], work: Work): void {
  const key = keyOf('work', work.id)
  const counted = new Map([...kit.parts, ...kit.holders].map(({ id, count }) => [id, count]))
  const steps = work.steps.map((step) => ({ ...step, count: step.count ?? counted.get(step.itemId ?? '') ?? null }))
  job.works.set(work.id, { ...work, steps, station: fit.stations[work.id] ?? work.station })
  job.refit.operations.set(key, {
    key,
    phase: 'work',
    act: 'work',
    itemId: work.id,
    partId: null,
    setting: null,
    nth: 1,
    name: work.name,
    ...(work.note && { note: work.note }),
  })
}

/** The work lies between what opens its access and what closes it again; false where the model has no such thing. */
function holdAccessOpen(job: DerivedJob, fit: KitOfJob['fit'], work: Work): boolean {
  const key = keyOf('work', work.id)
  const holdsUp: Because = { kind: 'holds up', workId: work.id }
  for (const access of fit.access[work.id] ?? []) {
    const opened = openedBy(job, goalOf(access))
    if (opened === null) return false
    for (const inKey of opened) {
      job.refit.edges.push({ before: inKey, after: key, because: { kind: 'access', workId: work.id } })
      const back = closedBy(job, inKey)
      if (back) job.refit.edges.push({ before: key, after: back, because: holdsUp, ...delayOf(work) })
    }
  }
  return true
}

/** The acts of the way out that a piece of work holds up: what closes its access again. */
export function accessHolds(job: DerivedJob, workId: string): string[] {
  const fit = job.goal.kits.find(({ kit }) => kit.works.some(({ id }) => id === workId))?.fit
  return (fit?.access[workId] ?? [])
    .flatMap((access) => openedBy(job, goalOf(access)) ?? [])
    .flatMap((inKey) => closedBy(job, inKey) ?? standInCloses(job, inKey, workId))
}

/** Where something of a kit stands in for a part, the work that fits it closes the place over what was done before. */
function standInCloses(job: DerivedJob, inKey: string, workId: string): string[] {
  const partId = job.removal.operations.get(inKey)?.partId
  const replaced = partId ? job.replaced.get(partId) : undefined
  if (!replaced) return []
  return [...job.works.values()]
    .filter((work) => work.id !== workId && isFittedIn(work, replaced.byId))
    .map(({ id }) => keyOf('work', id))
    .filter((work) => !reachedFrom(successors(job.refit.edges), work).has(keyOf('work', workId)))
}

/** Pieces of work that need open what these acts of the way in open. */
export function worksWith(job: DerivedJob, inKeys: ReadonlySet<string>): string[] {
  return job.goal.kits.flatMap(({ fit }) =>
    Object.entries(fit.access).flatMap(([workId, accesses]) => {
      const opened = accesses.flatMap((access) => openedBy(job, goalOf(access)) ?? [])
      return opened.some((key) => inKeys.has(key)) ? [workId] : []
    }),
  )
}

/** What closes again what an act of the way in opened; a part that is carried over closes nothing where it was. */
function closedBy({ refit, removal, carried }: DerivedJob, inKey: string): string | undefined {
  const partId = removal.operations.get(inKey)?.partId
  return partId && carried.has(partId) ? undefined : refit.outKeyOf.get(inKey)
}

function delayOf({ unattendedS }: Work): { delayS?: number } {
  return unattendedS > 0 ? { delayS: unattendedS } : {}
}

/** The acts of the way in that open an access; null when the model has no such thing. */
function openedBy(job: DerivedJob, goal: Goal): string[] | null {
  const parts = partsOfGoal(job.model, goal, job.removal.choices)
  if (!parts) return null
  return parts.flatMap(({ partId, level }) => {
    // The first of these that was derived for the part is what brings it that far.
    const wanted =
      level === 'off'
        ? [keyOf('lift', partId)]
        : level === 'free'
          ? [keyOf('release', partId), keyOf('lift', partId)]
          : [keyOf('ease', partId), keyOf('release', partId)]
    const found = wanted.find((key) => job.removal.operations.has(key))
    // A part taken off altogether closes again when it is placed.
    const whole = job.removal.operations.has(keyOf('lift', partId)) ? keyOf('lift', partId) : found
    return whole ? [whole] : []
  })
}

/** The plug of a tether on the way out, where it comes back. */
export function closeKeyOf(job: DerivedJob, tetherId: string): string | undefined {
  return job.refit.outKeyOf.get(keyOf('open', tetherId))
}
