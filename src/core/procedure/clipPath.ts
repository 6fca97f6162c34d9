import type { Holder } from './holder'
import type { Part } from './part'

type Point = readonly [x: number, y: number]
export type Spot = { x: number; y: number }

/** Clips along the edge of a panel, on its own view. All lengths in millimetres, along the edge. */
export type ClipPath = {
  /** In the order in which they are unclipped: from the start corner on, first to the nearer neighbour, once round. */
  marks: Spot[]
  /** From each mark to the next; the last one back to the first. */
  gapsMm: number[]
  /** The least and the most of them, without sides that have no clips at all. */
  spacingMm: [least: number, most: number]
  /** Where a clip is likely that nobody has marked: the spacing leaves a gap. */
  likely: Spot[]
  /** Marks that lie off the panel. */
  outside: Spot[]
}

/** So many times the usual gap and more is one where a clip may have been missed. Common practice, no source. */
const WIDE = 1.75
/** More than so many in a row are not missed: there the panel hooks in. Common practice, no source. */
const MOST_MISSED = 2
/** With fewer clips nobody can tell what their spacing is. */
const FEWEST = 4
/** A mark is dropped by hand: so far outside it still is meant for the edge. */
const BESIDE_MM = 8
/** A clip further inside than this share of the panel's smaller side is not one of its edge. */
const INSIDE = 0.3

/**
 * The clips of a group around their panel, numbered as they come off. Null where the panel has no outline or fewer than
 * two of the marks stand at its edge. `start` is read from the part's release ("lower left"); without one, the lower
 * left. Cost: O(marks x corners).
 */
export function clipPath(part: Pick<Part, 'outline' | 'release'>, holder: Pick<Holder, 'positions'>): ClipPath | null {
  if (!part.outline) return null
  const edge = new Edge(part.outline.points)
  const spots = holder.positions.filter((position) => position.viewId === part.outline!.viewId)
  const outside = spots.filter((spot) => !edge.holds(spot) && edge.nearest(spot).offMm > BESIDE_MM)
  const along = spots
    .map((spot) => ({ spot: { x: spot.x, y: spot.y }, ...edge.nearest(spot) }))
    .filter(({ offMm }) => offMm <= INSIDE * edge.smallerSideMm)
  if (along.length < 2) return null
  along.sort((a, b) => a.atMm - b.atMm)
  const begin = edge.corner(part.release.start)
  const first = along.reduce(
    (best, mark, i) => (distance(mark.spot, begin) < distance(along[best]!.spot, begin) ? i : best),
    0,
  )
  const round = [...along.slice(first), ...along.slice(0, first)]
  const gapFrom = (a: { atMm: number }, b: { atMm: number }) => (b.atMm - a.atMm + edge.lengthMm) % edge.lengthMm
  const [next, last] = [round[1]!, round.at(-1)!]
  const forward = gapFrom(round[0]!, next) <= gapFrom(last, round[0]!)
  const marks = forward ? round : [round[0]!, ...round.slice(1).reverse()]
  const gapsMm = marks.map((mark, i) => {
    const other = marks[(i + 1) % marks.length]!
    return forward ? gapFrom(mark, other) : gapFrom(other, mark)
  })
  const sorted = [...gapsMm].sort((a, b) => a - b).map(Math.round)
  const clipped = sorted.filter((gapMm) => gapMm <= (MOST_MISSED + 1.5) * sorted[Math.floor((sorted.length - 1) / 2)]!)
  return {
    marks: marks.map(({ spot }) => spot),
    gapsMm: gapsMm.map(Math.round),
    spacingMm: [clipped[0]!, clipped.at(-1)!],
    likely: likelyIn(edge, marks, gapsMm, forward),
    outside: outside.map(({ x, y }) => ({ x, y })),
  }
}

/** Evenly between two clips that are further apart than the others. */
function likelyIn(edge: Edge, marks: readonly { atMm: number }[], gapsMm: readonly number[], forward: boolean): Spot[] {
  if (marks.length < FEWEST) return []
  const usualMm = [...gapsMm].sort((a, b) => a - b)[Math.floor((gapsMm.length - 1) / 2)]!
  return gapsMm.flatMap((gapMm, i) => {
    const missing = gapMm >= WIDE * usualMm ? Math.round(gapMm / usualMm) - 1 : 0
    if (missing > MOST_MISSED) return []
    return Array.from({ length: missing }, (_, k) =>
      edge.at(marks[i]!.atMm + ((forward ? 1 : -1) * gapMm * (k + 1)) / (missing + 1)),
    )
  })
}

/** The closed outline of a panel, measured along from its first corner. */
class Edge {
  readonly lengthMm: number
  readonly smallerSideMm: number
  private readonly sides: { from: Point; to: Point; beginMm: number; lengthMm: number }[]
  private readonly box: { left: number; right: number; top: number; bottom: number }

  constructor(private readonly points: readonly Point[]) {
    let beginMm = 0
    this.sides = points.map((from, i) => {
      const to = points[(i + 1) % points.length]!
      const side = { from, to, beginMm, lengthMm: Math.hypot(to[0] - from[0], to[1] - from[1]) }
      beginMm += side.lengthMm
      return side
    })
    this.lengthMm = beginMm
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
    this.box = { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
    this.smallerSideMm = Math.min(this.box.right - this.box.left, this.box.bottom - this.box.top)
  }

  /** The nearest place of the edge, and how far off it is. */
  nearest({ x, y }: Spot): { atMm: number; offMm: number } {
    let best = { atMm: 0, offMm: Infinity }
    for (const { from, to, beginMm, lengthMm } of this.sides) {
      const share =
        lengthMm === 0
          ? 0
          : Math.max(
              0,
              Math.min(1, ((x - from[0]) * (to[0] - from[0]) + (y - from[1]) * (to[1] - from[1])) / lengthMm ** 2),
            )
      const offMm = Math.hypot(x - from[0] - share * (to[0] - from[0]), y - from[1] - share * (to[1] - from[1]))
      if (offMm < best.offMm) best = { atMm: beginMm + share * lengthMm, offMm }
    }
    return best
  }

  at(mm: number): Spot {
    const along = ((mm % this.lengthMm) + this.lengthMm) % this.lengthMm
    const { from, to, beginMm, lengthMm } = this.sides.findLast((side) => side.beginMm <= along)!
    const share = lengthMm === 0 ? 0 : (along - beginMm) / lengthMm
    return { x: Math.round(from[0] + share * (to[0] - from[0])), y: Math.round(from[1] + share * (to[1] - from[1])) }
  }

  /** Whether a spot lies inside: a ray to the right crosses the edge an odd number of times. */
  holds({ x, y }: Spot): boolean {
    return (
      this.sides.filter(
        ({ from, to }) =>
          from[1] > y !== to[1] > y && x < from[0] + ((y - from[1]) / (to[1] - from[1])) * (to[0] - from[0]),
      ).length %
        2 ===
      1
    )
  }

  /** The corner or the middle of a side that some words name, as one looks at the view. */
  corner(words: string): Spot {
    const said = (...any: string[]) => any.some((word) => words.toLowerCase().includes(word))
    const { left, right, top, bottom } = this.box
    const none = words.trim() === ''
    return {
      x: none || said('left') ? left : said('right') ? right : (left + right) / 2,
      y: none || said('bottom', 'lower') ? bottom : said('top', 'upper') ? top : (top + bottom) / 2,
    }
  }
}

function distance(a: Spot, b: Spot): number {
  return Math.hypot(a.x - b.x, a.y - b.y)
}
