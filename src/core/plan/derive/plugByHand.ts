import type { Id } from '../../base/id'
import type { Operation } from '../../order/operation'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { DerivedJob } from './derivedJob'
import type { LiveStart } from './liveStart'
import type { JobStart } from './jobStart'
import { keyOf } from '../../procedure/acts'

/**
 * A plug that is open where a job stands and is closed by hand so that a setting can be moved; how often it was opened
 * and closed before.
 */
export type PluggedByHand = { tetherId: Id; opened: number; closed: number }

/**
 * Circuits whose plug a crew may hold in its socket for a moment: what watches the airbags, and what lets the power
 * come on. Never one that fires.
 */
const HELD_IN = ['srs-indicator', 'start']

/** Open plugs that may keep a setting from being moved, as the power gate would have them put back. */
export function pluggableByHand(model: ProcedureForBuild, { state, times }: LiveStart): PluggedByHand[] {
  return [...state.open].flatMap((tetherId): PluggedByHand[] => {
    const tether = model.tethers.get(tetherId)
    if (!tether || !HELD_IN.includes(tether.circuit ?? '')) return []
    return [{ tetherId, opened: times?.get(tetherId)?.opened ?? 1, closed: times?.get(tetherId)?.closed ?? 0 }]
  })
}

/** Plug by hand, set, unplug: the plug's own acts come once more, the closing before the opening. */
export function plugByHand(job: DerivedJob, byHand: readonly PluggedByHand[]): void {
  const { operations, edges } = job.removal
  for (const { tetherId, opened, closed } of byHand) {
    const tether = job.model.tethers.get(tetherId)
    const open = operations.get(keyOf('open', tetherId))
    if (!tether || !open) continue
    const key = handKey(tetherId)
    const close: Operation = {
      key,
      phase: 'in',
      act: 'close',
      itemId: tetherId,
      partId: job.model.hostOf(tether.partId),
      setting: null,
      nth: closed + 1,
    }
    operations.set(key, close)
    operations.set(open.key, { ...open, nth: opened + 1 })
    edges.push({ before: key, after: open.key, because: { kind: 'by hand', tetherId } })
    const home = job.refit.operations.get(keyOf('close', tetherId))
    if (home) job.refit.operations.set(home.key, { ...home, nth: closed + 2 })
  }
}

/** What is plugged by hand has to be opened again, however it stands now. */
export function undoneByHand(start: JobStart, byHand: readonly PluggedByHand[]): JobStart {
  const done = new Set(start.done)
  for (const { tetherId } of byHand) for (const key of [handKey(tetherId), keyOf('open', tetherId)]) done.delete(key)
  return { ...start, done }
}

export function handKey(tetherId: Id): string {
  return keyOf('close', tetherId, 'hand')
}
