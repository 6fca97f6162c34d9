import type { Point } from './geometry'

/** What a drawn corner clings to: a corner, an edge, or being level with the one before. */
export type Snapped = { point: Point; to: 'corner' | 'edge' | 'level' | 'plumb' | 'grid' }

const GRID_MM = 5

/**
 * Where a corner is meant: on a corner or an edge of another outline within reach, else level or plumb with the corner
 * before, else on the grid. `reachMm`: how near is near, by the size of the view and how close one looks. Cost:
 * O(corners).
 */
export function snap(
  [x, y]: Point,
  outlines: readonly (readonly Point[])[],
  before: Point | null,
  reachMm: number,
): Snapped {
  const near = <T extends { offMm: number }>(found: readonly T[]) =>
    found.filter(({ offMm }) => offMm <= reachMm).sort((a, b) => a.offMm - b.offMm)[0]
  const corner = near(outlines.flat().map((point) => ({ point, offMm: Math.hypot(point[0] - x, point[1] - y) })))
  if (corner) return { point: corner.point, to: 'corner' }
  const edge = near(
    outlines.flatMap((outline) => outline.map((from, i) => onEdge([x, y], from, outline[(i + 1) % outline.length]!))),
  )
  if (edge) return { point: [Math.round(edge.point[0]), Math.round(edge.point[1])], to: 'edge' }
  const grid = (value: number) => Math.round(value / GRID_MM) * GRID_MM
  if (before && Math.abs(y - before[1]) <= reachMm) return { point: [grid(x), before[1]], to: 'level' }
  if (before && Math.abs(x - before[0]) <= reachMm) return { point: [before[0], grid(y)], to: 'plumb' }
  return { point: [grid(x), grid(y)], to: 'grid' }
}

function onEdge([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): { point: Point; offMm: number } {
  const length2 = (bx - ax) ** 2 + (by - ay) ** 2
  const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2))
  const point: Point = [ax + share * (bx - ax), ay + share * (by - ay)]
  return { point, offMm: Math.hypot(point[0] - x, point[1] - y) }
}
