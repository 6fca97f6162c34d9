import type { LeadGraph } from './graphs'

/**
 * The beginnings of runs: where each is, on which side of the coil, what it cost and used. One growing table instead of
 * an object each: a search makes tens of thousands.
 */
export class Labels {
  count = 0
  readonly point: number[] = []
  /** 0: the first end passes; 1: past the coil, the second does. */
  readonly side: number[] = []
  /** With the prices of the units used and the tolls. */
  readonly cost: number[] = []
  readonly layMs: number[] = []
  readonly mm: number[] = []
  readonly parent: number[] = []
  /** The arc taken last, as `leaving` counts it. */
  readonly taken: number[] = []
  readonly units: number[] = []
  readonly clash: number[] = []

  constructor(
    readonly unitWords: number,
    readonly clashWords: number,
  ) {}

  add(point: number, side: number, parent: number, taken: number, costs: { cost: number; layMs: number; mm: number }) {
    const label = this.count++
    this.point[label] = point
    this.side[label] = side
    this.parent[label] = parent
    this.taken[label] = taken
    this.cost[label] = costs.cost
    this.layMs[label] = costs.layMs
    this.mm[label] = costs.mm
    for (let word = 0; word < this.unitWords; word++)
      this.units[label * this.unitWords + word] = parent < 0 ? 0 : this.units[parent * this.unitWords + word]!
    for (let word = 0; word < this.clashWords; word++)
      this.clash[label * this.clashWords + word] = parent < 0 ? 0 : this.clash[parent * this.clashWords + word]!
    return label
  }

  use(label: number, unitBits: Int32Array, clash: number): void {
    for (let word = 0; word < this.unitWords; word++) this.units[label * this.unitWords + word]! |= unitBits[word]!
    if (clash >= 0 && this.clashWords > 0) this.clash[label * this.clashWords + (clash >> 5)]! |= 1 << (clash & 31)
  }

  hasUnit(label: number, unit: number): boolean {
    return ((this.units[label * this.unitWords + (unit >> 5)]! >>> (unit & 31)) & 1) === 1
  }

  /** Whether a point lies on the way to a label. */
  passes(label: number, point: number): boolean {
    for (let at = label; at >= 0; at = this.parent[at]!) if (this.point[at] === point) return true
    return false
  }

  /** The arcs of a run in its order, as numbers of the graph's arcs. */
  arcsTo(label: number): number[] {
    const arcs: number[] = []
    for (let at = label; this.parent[at]! >= 0; at = this.parent[at]!) arcs.push(this.taken[at]! >> 1)
    return arcs.reverse()
  }
}

/** What `y` uses and `x` does not, priced. */
export function priceOfMissing(labels: Labels, x: number, y: number, prices: Float64Array): number {
  const { units, unitWords } = labels
  let sum = 0
  for (let word = 0; word < unitWords; word++) {
    let bits = units[y * unitWords + word]! & ~units[x * unitWords + word]!
    while (bits !== 0) {
      const low = bits & -bits
      sum += prices[word * 32 + (31 - Math.clz32(low))]!
      bits ^= low
    }
  }
  return sum
}

/** Laying and tolls that are still to come at least, from each point; infinite where no end is reached. */
export function toGo(graph: LeadGraph, tolls: Float64Array | null, isShut: (arc: number) => boolean): Float64Array {
  const left = new Float64Array(graph.points).fill(Infinity)
  const settled = new Uint8Array(graph.points)
  for (let point = 0; point < graph.points; point++) if (graph.isTo[point]) left[point] = 0
  for (;;) {
    let at = -1
    for (let point = 0; point < graph.points; point++)
      if (!settled[point] && left[point]! < (at < 0 ? Infinity : left[at]!)) at = point
    if (at < 0) return left
    settled[at] = 1
    for (const number of graph.entering[at]!) {
      if (isShut(number)) continue
      const arc = graph.arcs[number]!
      const before = arc.a === at ? arc.b : arc.a
      const ms = left[at]! + arc.layMs + (tolls ? tolls[arc.way]! : 0)
      if (ms < left[before]!) left[before] = ms
    }
  }
}
