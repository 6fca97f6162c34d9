import type { View } from '@/core/procedure/view'

type Weight = View['backdrop'][number]['weight']
export type Pt = readonly [number, number]

const n = (value: number) => String(Math.round(value * 10) / 10)

/** Draws a backdrop line by line, in the units of a sketch that are scaled to the millimetres of the view. */
export class Pen {
  readonly lines: View['backdrop'] = []

  constructor(
    private readonly scale = 1,
    private readonly originX = 0,
    private readonly originY = 0,
  ) {}

  /** A point of the sketch in millimetres of the view. */
  mm([x, y]: Pt): [number, number] {
    return [Math.round((x - this.originX) * this.scale), Math.round((y - this.originY) * this.scale)]
  }
  all(...points: Pt[]): [number, number][] {
    return points.map((point) => this.mm(point))
  }

  private at(point: Pt): string {
    const [x, y] = [(point[0] - this.originX) * this.scale, (point[1] - this.originY) * this.scale]
    return `${n(x)} ${n(y)}`
  }
  private add(d: string, weight: Weight): this {
    this.lines.push({ d, weight })
    return this
  }

  line(weight: Weight, ...points: Pt[]): this {
    return this.add(`M${points.map((point) => this.at(point)).join('L')}`, weight)
  }
  shape(weight: Weight, ...points: Pt[]): this {
    return this.add(`M${points.map((point) => this.at(point)).join('L')}Z`, weight)
  }
  /** A smooth line through points (Catmull-Rom as Bézier curves). */
  curve(weight: Weight, ...points: Pt[]): this {
    return this.add(this.smooth(points, false), weight)
  }
  blob(weight: Weight, ...points: Pt[]): this {
    return this.add(`${this.smooth(points, true)}Z`, weight)
  }
  rect(weight: Weight, x: number, y: number, w: number, h: number, r = 0): this {
    if (r === 0) return this.shape(weight, [x, y], [x + w, y], [x + w, y + h], [x, y + h])
    const q = (a: Pt, b: Pt) => `Q${this.at(a)} ${this.at(b)}`
    return this.add(
      `M${this.at([x + r, y])}L${this.at([x + w - r, y])}${q([x + w, y], [x + w, y + r])}L${this.at([x + w, y + h - r])}${q([x + w, y + h], [x + w - r, y + h])}L${this.at([x + r, y + h])}${q([x, y + h], [x, y + h - r])}L${this.at([x, y + r])}${q([x, y], [x + r, y])}Z`,
      weight,
    )
  }
  circle(weight: Weight, [x, y]: Pt, r: number): this {
    const k = n(r * this.scale)
    return this.add(
      `M${this.at([x - r, y])}a${k} ${k} 0 1 0 ${n(2 * r * this.scale)} 0a${k} ${k} 0 1 0 ${n(-2 * r * this.scale)} 0Z`,
      weight,
    )
  }
  arc(weight: Weight, [cx, cy]: Pt, r: number, fromDeg: number, toDeg: number): this {
    const steps = Math.max(2, Math.ceil(Math.abs(toDeg - fromDeg) / 8))
    return this.line(
      weight,
      ...Array.from({ length: steps + 1 }, (_, i): Pt =>
        onCircle([cx, cy], r, fromDeg + ((toDeg - fromDeg) * i) / steps),
      ),
    )
  }
  /** Louvres of a vent, or the lines of a grille. */
  slats(weight: Weight, x: number, y: number, w: number, h: number, count: number): this {
    for (let i = 1; i <= count; i++)
      this.line(weight, [x + 2, y + (h * i) / (count + 1)], [x + w - 2, y + (h * i) / (count + 1)])
    return this
  }
  spokes(weight: Weight, centre: Pt, from: number, to: number, count: number, turnDeg = 0): this {
    for (let i = 0; i < count; i++) {
      const angle = turnDeg + (360 / count) * i
      this.line(weight, onCircle(centre, from, angle), onCircle(centre, to, angle))
    }
    return this
  }
  gauge(centre: Pt, r: number): this {
    this.circle('inner', centre, r).circle('ghost', centre, r * 0.86)
    for (let i = 0; i <= 8; i++)
      this.line('ghost', onCircle(centre, r * 0.72, 150 + i * 30), onCircle(centre, r * 0.86, 150 + i * 30))
    return this.line('inner', centre, onCircle(centre, r * 0.66, 215)).circle('inner', centre, r * 0.1)
  }
  knob(centre: Pt, r: number): this {
    return this.circle('inner', centre, r)
      .circle('ghost', centre, r * 0.72)
      .line('inner', centre, onCircle(centre, r * 0.9, -60))
  }

  private smooth(points: readonly Pt[], closed: boolean): string {
    const get = (i: number): Pt =>
      closed ? points[(i + points.length) % points.length]! : points[Math.min(points.length - 1, Math.max(0, i))]!
    let d = `M${this.at(points[0]!)}`
    for (let i = 0; i < points.length - (closed ? 0 : 1); i++) {
      const [a, b, c, e] = [get(i - 1), get(i), get(i + 1), get(i + 2)]
      d += `C${this.at([b[0] + (c[0] - a[0]) / 6, b[1] + (c[1] - a[1]) / 6])} ${this.at([c[0] - (e[0] - b[0]) / 6, c[1] - (e[1] - b[1]) / 6])} ${this.at(c)}`
    }
    return d
  }
}

export function onCircle([x, y]: Pt, r: number, deg: number): Pt {
  return [x + r * Math.cos((deg * Math.PI) / 180), y + r * Math.sin((deg * Math.PI) / 180)]
}

/**
 * Marks spread evenly along an outline, a little inside of it: where clips sit. `start` shifts the first one along the
 * edge (0 to 1).
 */
export function along(
  viewId: string,
  outline: readonly Pt[],
  count: number,
  insetMm = 14,
  start = 0.5,
): { viewId: string; x: number; y: number }[] {
  const middle: Pt = [
    outline.reduce((sum, p) => sum + p[0], 0) / outline.length,
    outline.reduce((sum, p) => sum + p[1], 0) / outline.length,
  ]
  const sides = outline.map((p, i) => [p, outline[(i + 1) % outline.length]!] as const)
  const lengths = sides.map(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1]))
  const total = lengths.reduce((sum, length) => sum + length, 0)
  return Array.from({ length: count }, (_, i) => {
    let rest = ((i + start) / count) * total
    let side = 0
    while (rest > lengths[side]! && side < sides.length - 1) rest -= lengths[side++]!
    const [a, b] = sides[side]!
    const t = rest / lengths[side]!
    const p: Pt = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
    const far = Math.hypot(middle[0] - p[0], middle[1] - p[1]) || 1
    return {
      viewId,
      x: Math.round(p[0] + ((middle[0] - p[0]) / far) * insetMm),
      y: Math.round(p[1] + ((middle[1] - p[1]) / far) * insetMm),
    }
  })
}

export function spots(viewId: string, ...points: readonly Pt[]): { viewId: string; x: number; y: number }[] {
  return points.map(([x, y]) => ({ viewId, x: Math.round(x), y: Math.round(y) }))
}
