import type { LeadGraph } from './graphs'
import { extended, type Asked } from './cheapestRun'
import { Heap } from './heap'
import { Labels, toGo } from './labels'

/**
 * Every run of one lead that costs at most `budget` at these prices, without those that another beats in laying, in
 * units, in ways where it may be in somebody's way, and in length: whatever the others do, the other one does as well.
 * Null where there are too many. The arcs of each, cheapest first. Cost: labels squared at one place.
 */
export function listRuns(
  graph: LeadGraph,
  asked: Asked,
  budget: number,
  most: { listed: number; labels: number },
  unitWords: number,
): number[][] | null {
  const left = toGo(graph, asked.tolls, (arc) => asked.shut[arc] === 1)
  const labels = new Labels(unitWords, Math.ceil(graph.clashWays.length / 32))
  const heap = new Heap()
  const closed: number[][] = Array.from({ length: graph.points * 2 }, () => [])
  const ended: number[] = []
  for (const point of graph.from)
    if (left[point]! <= budget) heap.push(labels.add(point, 0, -1, -1, { cost: 0, layMs: 0, mm: 0 }), left[point]!)
  while (heap.size > 0) {
    if (labels.count > most.labels) return null
    const label = heap.pop()
    const point = labels.point[label]!
    const place = point * 2 + labels.side[label]!
    if (isBeaten(labels, closed[place]!, label, graph.mostMm)) continue
    if ((place & 1) === 1 && isBeaten(labels, closed[place - 1]!, label, graph.mostMm)) continue
    closed[place]!.push(label)
    if (graph.isTo[point]) {
      // Ends reached on either side, and at any of its points, are one list.
      if (isBeaten(labels, ended, label, graph.mostMm)) continue
      if (ended.push(label) > most.listed) return null
      continue
    }
    for (const half of graph.leaving[point]!) {
      const next = extended(graph, labels, label, half, asked)
      if (next >= 0 && labels.cost[next]! + left[labels.point[next]!]! <= budget)
        heap.push(next, labels.cost[next]! + left[labels.point[next]!]!)
    }
  }
  return ended.map((label) => labels.arcsTo(label))
}

function isBeaten(labels: Labels, by: readonly number[], y: number, mostMm: number): boolean {
  const { layMs, mm, units, clash, unitWords, clashWords } = labels
  const isWithin = (of: readonly number[], words: number, x: number) => {
    for (let word = 0; word < words; word++) if ((of[x * words + word]! & ~of[y * words + word]!) !== 0) return false
    return true
  }
  return by.some(
    (x) =>
      layMs[x]! <= layMs[y]! &&
      (mostMm === Infinity || mm[x]! <= mm[y]!) &&
      isWithin(units, unitWords, x) &&
      isWithin(clash, clashWords, x),
  )
}
