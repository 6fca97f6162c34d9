import type { View } from '@/core/procedure/view'
import type { Box, Point } from './geometry'

export type LabelWish = {
  key: string
  title: string
  sub: string
  anchors: readonly Point[]
  widthMm: number
  heightMm: number
}
export type PlacedLabel = LabelWish & { box: Box; anchor: Point; foot: Point }

/** Points along the lines of a backdrop, near enough together to tell where a drawing is busy. */
function inkOf(view: View): Point[] {
  const points: Point[] = []
  for (const line of view.backdrop) {
    let at: Point = [0, 0]
    for (const [, command, numbers] of line.d.matchAll(/([MLCQaZ])([^MLCQaZ]*)/g)) {
      const values = numbers!
        .trim()
        .split(/[\s,]+/)
        .filter(Boolean)
        .map(Number)
      if (command === 'a') {
        // A half circle of our pens: radius first, its end relative; the centre lies half way.
        const [r, endX] = [values[0]!, values[5]!]
        for (let i = 0; i < 8; i++) points.push([at[0] + endX / 2 + r * Math.cos(i), at[1] + r * Math.sin(i)])
        at = [at[0] + endX, at[1]]
        continue
      }
      for (let i = 0; i + 1 < values.length; i += 2) {
        const next: Point = [values[i]!, values[i + 1]!]
        if (command !== 'M')
          for (let step = 1; step <= 6; step++)
            points.push([at[0] + ((next[0] - at[0]) * step) / 6, at[1] + ((next[1] - at[1]) * step) / 6])
        at = next
      }
    }
  }
  return points
}

function edgePoints(outline: readonly Point[]): Point[] {
  return outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    return [0, 0.2, 0.4, 0.6, 0.8].map((t): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t])
  })
}

/**
 * Puts each label where the drawing is emptiest, near its anchor, clear of the others, and with a leader that crosses
 * no other. Greedy in the order of the anchors from the top; the same view and labels always give the same places.
 * Cost: labels x places x ink.
 */
export function placeLabels(
  view: View,
  wishes: readonly LabelWish[],
  outlines: readonly (readonly Point[])[] = [],
): PlacedLabel[] {
  const ink = [...inkOf(view), ...outlines.flatMap(edgePoints)]
  const placed: PlacedLabel[] = []
  const margin = view.widthMm * 0.012
  for (const wish of [...wishes].sort((a, b) => a.anchors[0]![1] - b.anchors[0]![1] || (a.key < b.key ? -1 : 1))) {
    let best: ({ score: number } & Pick<PlacedLabel, 'box' | 'anchor' | 'foot'>) | null = null
    for (let row = 0; row <= 24; row++)
      for (let column = 0; column <= 20; column++) {
        const box = {
          x: margin + ((view.widthMm - 2 * margin - wish.widthMm) * column) / 20,
          y: margin + ((view.heightMm - 2 * margin - wish.heightMm) * row) / 24,
          width: wish.widthMm,
          height: wish.heightMm,
        }
        // The mark of the group that lies nearest takes the leader.
        const ends = wish.anchors.map((anchor) => ({ anchor, foot: footOf(box, anchor) }))
        const end = ends.reduce((near, other) => (gap(other) < gap(near) ? other : near))
        const score = badness(view, ink, box, end.anchor, end.foot, placed)
        if (!best || score < best.score) best = { score, box, ...end }
      }
    placed.push({ ...wish, box: best!.box, anchor: best!.anchor, foot: best!.foot })
  }
  return placed
}

function footOf(box: Box, anchor: Point): Point {
  return [
    Math.min(box.x + box.width, Math.max(box.x, anchor[0])),
    anchor[1] > box.y + box.height / 2 ? box.y + box.height : box.y,
  ]
}

function gap({ anchor, foot }: { anchor: Point; foot: Point }): number {
  return Math.hypot(foot[0] - anchor[0], foot[1] - anchor[1])
}

function badness(
  view: View,
  ink: readonly Point[],
  box: Box,
  anchor: Point,
  foot: Point,
  placed: readonly PlacedLabel[],
): number {
  let score = (gap({ anchor, foot }) / view.heightMm) * 24
  for (const [x, y] of ink) if (x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height) score += 1.5
  if (inside(anchor, box)) score += 200
  for (const other of placed) {
    if (overlap(box, other.box)) score += 500
    if (cross(foot, anchor, other.foot, other.anchor)) score += 120
    if (cuts(foot, anchor, other.box) || cuts(other.foot, other.anchor, box)) score += 120
  }
  return score
}

function inside([x, y]: Point, box: Box): boolean {
  return x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height
}

function overlap(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height
}

function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  const turn = (p: Point, q: Point, r: Point) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))
  return turn(a, b, c) !== turn(a, b, d) && turn(c, d, a) !== turn(c, d, b)
}

function cuts(a: Point, b: Point, box: Box): boolean {
  for (let i = 1; i < 12; i++)
    if (inside([a[0] + ((b[0] - a[0]) * i) / 12, a[1] + ((b[1] - a[1]) * i) / 12], box)) return true
  return false
}
