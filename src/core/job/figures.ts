import { wallMsOf } from '../base/clock'
import type { ProcedureDocument } from '../procedure/document'
import type { Id } from '../base/id'
import { balanceOf } from './balance'
import { benchMs, LONGEST_GAP_MS } from './benchTime'
import type { JobState } from './jobState'
import type { JobTerms } from './terms'

/** What a job took and cost, for a lead. */
export type JobFigures = {
  /** At the vehicle; what was worked at the bench is beside it. */
  workedMin: number
  forecastMin: number | null
  benchMin: number
  benchForecastMin: number | null
  clipsUndone: number
  clipsBroken: number
  openRows: number
  brokenByGroup: { kind: string; broken: number; undone: number }[]
}

/**
 * Minutes really worked by the log (breaks and pauses left out), beside what the plan forecast; clips that broke;
 * accounts still open.
 * `forecast`: all steps of the plan that was followed, what was done before it included; `works`: those at the bench.
 * Cost: O(events).
 */
export function figuresOf(
  document: ProcedureDocument,
  state: JobState,
  terms: JobTerms,
  forecast: { vehicleS: number; benchS: number } | null,
  works: ReadonlySet<Id> = new Set(),
): JobFigures {
  const clips = document.holders.filter((holder) => /clip|pin|rivet/.test(holder.kind))
  const brokenByGroup = clips.flatMap((holder) => {
    const c = state.holders.get(holder.id)
    return c && c.undone > 0 ? [{ kind: holder.kind, broken: c.broken, undone: c.undone }] : []
  })
  const atBenchMs = benchMs(state, works)
  return {
    workedMin: Math.round((workedMs(state) - atBenchMs) / 60_000),
    forecastMin: forecast && Math.round(forecast.vehicleS / 60),
    benchMin: Math.round(atBenchMs / 60_000),
    benchForecastMin: forecast && Math.round(forecast.benchS / 60),
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
