import type { LeadGraph } from './graphs'
import { Heap } from './heap'
import { Labels, priceOfMissing, toGo } from './labels'

/** At which prices, and what of the graph is out of bounds. */
export type Asked = {
  /** By unit; one that is paid already costs nothing. */
  prices: Float64Array
  /** By way; null = none. */
  tolls: Float64Array | null
  /** By arc of the graph: may not be taken. */
  shut: Uint8Array
}

/** What a run costs at these prices, and its arcs. */
export type Cheapest = { cost: number; arcs: number[] }

/**
 * The cheapest run of one lead at prices. One label stands for another at the same place and side where, whatever comes
 * after, it is no dearer: it costs less even with all paid that the other has and it has not (then any continuation
 * costs it at most that much more), and is no longer. Prices and laying are 0 or more, so that a run never gains by a
 * circle. Null where there is none. Cost: labels x log labels; a few hundred at the size of a vehicle.
 */
export function cheapestRun(graph: LeadGraph, asked: Asked, unitWords: number): Cheapest | null {
  const left = toGo(graph, asked.tolls, (arc) => asked.shut[arc] === 1)
  const labels = new Labels(unitWords, 0)
  const heap = new Heap()
  const closed: number[][] = Array.from({ length: graph.points * 2 }, () => [])
  for (const point of graph.from)
    if (left[point]! < Infinity) heap.push(labels.add(point, 0, -1, -1, { cost: 0, layMs: 0, mm: 0 }), left[point]!)
  while (heap.size > 0) {
    const label = heap.pop()
    const place = labels.point[label]! * 2 + labels.side[label]!
    if (isCovered(labels, closed, place, label, asked.prices, graph.mostMm)) continue
    if (graph.isTo[labels.point[label]!]) return { cost: labels.cost[label]!, arcs: labels.arcsTo(label) }
    closed[place]!.push(label)
    for (const half of graph.leaving[labels.point[label]!]!) {
      const next = extended(graph, labels, label, half, asked)
      if (next >= 0) heap.push(next, labels.cost[next]! + left[labels.point[next]!]!)
    }
  }
  return null
}

/** Past the coil is no better than before it: what is before may go past it at any point. */
function isCovered(
  labels: Labels,
  closed: readonly number[][],
  place: number,
  label: number,
  prices: Float64Array,
  mostMm: number,
): boolean {
  const covers = (x: number) =>
    (mostMm === Infinity || labels.mm[x]! <= labels.mm[label]!) &&
    labels.cost[x]! <= labels.cost[label]! &&
    labels.cost[x]! + priceOfMissing(labels, x, label, prices) <= labels.cost[label]!
  return closed[place]!.some(covers) || ((place & 1) === 1 && closed[place - 1]!.some(covers))
}

/** One arc further; -1 where it can't be taken. */
export function extended(graph: LeadGraph, labels: Labels, label: number, half: number, asked: Asked): number {
  const number = half >> 1
  if (asked.shut[number]) return -1
  const arc = graph.arcs[number]!
  const side = sideAfter(labels.side[label]!, arc.pass)
  const mm = labels.mm[label]! + arc.mm
  if (side < 0 || mm > graph.mostMm) return -1
  let cost = labels.cost[label]! + arc.layMs + (asked.tolls ? asked.tolls[arc.way]! : 0)
  for (const unit of arc.units) if (!labels.hasUnit(label, unit)) cost += asked.prices[unit]!
  const to = (half & 1) === 0 ? arc.b : arc.a
  const next = labels.add(to, side, label, half, { cost, layMs: labels.layMs[label]! + arc.layMs, mm })
  labels.use(next, arc.unitBits, arc.clash)
  return next
}

/** On which side of the coil a run is after an arc; -1 where its connectors don't let it. */
function sideAfter(side: number, pass: number): number {
  if (side === 0 && (pass & 1) !== 0) return 0
  return (pass & 2) !== 0 ? 1 : -1
}
