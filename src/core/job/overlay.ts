import type { Id } from '../base/id'
import type { Heads } from '../procedure/forBuild'
import { driveOf } from '../procedure/heads'
import type { IntakePoint } from './intakePoints'
import type { ChangeMade, JobState } from './jobState'

/** What differs on one very vehicle, by what its jobs left. Its next plan and intake use it. */
export type Overlay = {
  holders: Map<Id, { missing: number; extra: number }>
  /** Plugs left open on purpose, parts that did not go back. */
  ends: Map<Id, string>
  changes: ChangeMade[]
  /** Marks, damage and an earlier installer's work, as they were last noted. */
  noted: Map<IntakePoint, string>
  found: { itemId: Id; field: string; value: string }[]
}

/**
 * The overlay after some jobs, in the order they were done: the latest one that touched a thing says how it is. Cost:
 * O(items).
 */
export function overlayOf(states: readonly JobState[]): Overlay {
  const overlay: Overlay = { holders: new Map(), ends: new Map(), changes: [], noted: new Map(), found: [] }
  for (const state of states) {
    for (const [id, c] of state.holders) {
      if (c.undone + c.missing + c.extra + c.leftOut + c.takenNew === 0) continue
      const left = { missing: Math.max(0, c.missing - c.madeGood) + c.leftOut, extra: Math.max(0, c.extra) }
      if (left.missing + left.extra > 0) overlay.holders.set(id, left)
      else overlay.holders.delete(id)
    }
    for (const id of [...state.tethersTouched, ...state.moved]) overlay.ends.delete(id)
    for (const [id, { end }] of state.ends) if (end !== 'refitted') overlay.ends.set(id, end)
    overlay.changes.push(...state.changes.values())
    for (const point of ['marks and damage', 'earlier work'] as const) {
      const value = state.intake.get(point)?.value
      if (value) overlay.noted.set(point, value)
    }
    overlay.found.push(
      ...state.deviations
        .filter((item) => item.field !== 'count')
        .map(({ itemId, field, value }) => ({ itemId, field, value })),
    )
  }
  return overlay
}

/** The heads that were found otherwise than recorded, by holder, as last found: the vehicle is planned with them. */
export function headsFound(found: readonly { itemId: Id; field: string; value: string }[]): Heads {
  return Object.fromEntries(
    found
      .filter(({ field, value }) => field === 'head' && driveOf(value) !== null)
      .map(({ itemId, value }) => [itemId, value]),
  )
}

export const NOTHING_KNOWN: Overlay = { holders: new Map(), ends: new Map(), changes: [], noted: new Map(), found: [] }
