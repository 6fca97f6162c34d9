import type { LegLanes } from './lanesOf'

/**
 * A stretch in which somebody has nothing in hand; `everybody`: nobody has, because something has to be waited for by
 * the clock.
 */
export type Pause = { startS: number; endS: number; everybody: boolean }

/** Longer than the longest walk of the house values (30 s) with a tool taken up (8 s), which are no pause. */
const LEAST_S = 40

/** The pauses of each lane that are worth a word, in the order of time. Cost: O(steps^2). */
export function pausesOf({
  lanes,
  makespanS,
}: Pick<LegLanes, 'makespanS'> & { lanes: readonly (readonly { startS: number; endS: number }[])[] }): Pause[][] {
  const nobody = gapsIn(lanes.flat(), makespanS)
  return lanes.map((lane) =>
    gapsIn(lane, makespanS).flatMap((gap) => {
      const shared = nobody.flatMap(({ startS, endS }): Pause[] =>
        piece(Math.max(startS, gap.startS), Math.min(endS, gap.endS), true),
      )
      const own = gapsIn([...shared, ...outside(gap, makespanS)], makespanS).flatMap(({ startS, endS }) =>
        piece(startS, endS, false),
      )
      return [...shared, ...own].sort((a, b) => a.startS - b.startS)
    }),
  )
}

type Span = { startS: number; endS: number }

/** What none of the spans covers, from the beginning to `endS`. */
function gapsIn(spans: readonly Span[], endS: number): Span[] {
  const gaps: Span[] = []
  let atS = 0
  for (const span of [...spans].sort((a, b) => a.startS - b.startS)) {
    if (span.startS > atS) gaps.push({ startS: atS, endS: span.startS })
    atS = Math.max(atS, span.endS)
  }
  return endS > atS ? [...gaps, { startS: atS, endS }] : gaps
}

function outside({ startS, endS }: Span, lastS: number): Span[] {
  return [
    { startS: 0, endS: startS },
    { startS: endS, endS: lastS },
  ]
}

function piece(startS: number, endS: number, everybody: boolean): Pause[] {
  return endS - startS >= LEAST_S ? [{ startS, endS, everybody }] : []
}
