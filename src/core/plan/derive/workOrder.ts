import { partsOfGoal } from '../../order/removalDraft'
import type { Goal } from '../../order/wish'
import { type Because } from '../../order/operation'
import type { DerivedJob, DeriveError } from './derivedJob'
import { goalOf } from '../ask/jobGoal'
import { keyOf } from '../../procedure/acts'

/**
 * Adds the kits' work items: after what opens their access and after the work they build on; before whatever closes
 * that access again, and longer before where something has to cool, set or start up first.
 */
export function addWork(job: DerivedJob): DeriveError | null {
  const { operations, edges } = job.refit
  for (const { kit, fit } of job.goal.kits) {
    for (const work of kit.works) {
      if (work.kind === 'bypass a signal') return { kind: 'bypass', workId: work.id }
      const key = keyOf('work', work.id)
      const station = fit.stations[work.id] ?? work.station
      job.works.set(work.id, { ...work, station })
      operations.set(key, {
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
      const holdsUp: Because = { kind: 'holds up', workId: work.id }
      for (const access of fit.access[work.id] ?? []) {
        const opened = openedBy(job, goalOf(access))
        if (opened === null) return { kind: 'no access', workId: work.id }
        for (const inKey of opened) {
          edges.push({ before: inKey, after: key, because: { kind: 'access', workId: work.id } })
          const back = job.refit.outKeyOf.get(inKey)
          if (back)
            edges.push({
              before: key,
              after: back,
              because: holdsUp,
              ...(work.unattendedS > 0 && { delayS: work.unattendedS }),
            })
        }
      }
      for (const first of work.afterWork) {
        const before = kit.works.find((item) => item.id === first)
        if (before)
          edges.push({
            before: keyOf('work', first),
            after: key,
            because: { kind: 'work first', workId: first },
            ...(before.unattendedS > 0 && { delayS: before.unattendedS }),
          })
      }
    }
    for (const item of kit.functions) job.added.set(item.id, item)
  }
  return null
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
