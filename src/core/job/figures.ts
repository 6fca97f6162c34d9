import { wallMsOf } from '../base/clock'
import type { ProcedureDocument } from '../procedure/document'
import { balanceOf } from './balance'
import type { JobState } from './jobState'
import type { JobTerms } from './terms'

/** A gap longer than this is a break: nobody leaves a tablet untouched for so long while working. */
const LONGEST_GAP_MS = 20 * 60_000

/** What a job took and cost, for a lead. */
export type JobFigures = {
  workedMin: number
  forecastMin: number | null
  clipsUndone: number
  clipsBroken: number
  openRows: number
  brokenByGroup: { kind: string; broken: number; undone: number }[]
}

/**
 * Minutes really worked by the log (breaks and pauses left out), beside what the plan forecast; clips that broke;
 * accounts still open.
 * `forecastS`: all steps of the plan that was followed, what was done before it included. Cost: O(events).
 */
export function figuresOf(
  document: ProcedureDocument,
  state: JobState,
  terms: JobTerms,
  forecastS: number | null,
): JobFigures {
  const clips = document.holders.filter((holder) => /clip|pin|rivet/.test(holder.kind))
  const brokenByGroup = clips.flatMap((holder) => {
    const c = state.holders.get(holder.id)
    return c && c.undone > 0 ? [{ kind: holder.kind, broken: c.broken, undone: c.undone }] : []
  })
  return {
    workedMin: Math.round(workedMs(state) / 60_000),
    forecastMin: forecastS === null ? null : Math.round(forecastS / 60),
    clipsUndone: brokenByGroup.reduce((sum, group) => sum + group.undone, 0),
    clipsBroken: brokenByGroup.reduce((sum, group) => sum + group.broken, 0),
    openRows: balanceOf(document, state, terms).openRows.length,
    brokenByGroup,
  }
}

/** From event to event, without breaks, and without the time between a pause and going on. */
export function workedMs(state: Pick<JobState, 'history'>): number {
  let worked = 0
  let last: number | null = null
  for (const { at, what } of state.history) {
    const now = wallMsOf(at)
    if (last !== null && what.kind !== 'resumed' && now - last <= LONGEST_GAP_MS) worked += Math.max(0, now - last)
    last = what.kind === 'job opened' ? last : now
  }
  return worked
}

/** How many of each kind of clip broke, of how many undone, over many jobs: how many spares to bring. */
export function breakage(all: readonly JobFigures[]): { kind: string; broken: number; undone: number }[] {
  const kinds = new Map<string, { broken: number; undone: number }>()
  for (const group of all.flatMap((figures) => figures.brokenByGroup)) {
    const sum = kinds.get(group.kind) ?? { broken: 0, undone: 0 }
    kinds.set(group.kind, { broken: sum.broken + group.broken, undone: sum.undone + group.undone })
  }
  return [...kinds].map(([kind, sum]) => ({ kind, ...sum })).sort((a, b) => b.broken - a.broken || b.undone - a.undone)
}
