import type { Graphs, LeadGraph } from './graphs'
import type { Run } from './problem'

/** A run of one lead as the search keeps it: numbers of the graph's arcs, what it uses, what it costs by itself. */
export type LeadRun = {
  arcs: readonly number[]
  layMs: number
  mm: number
  units: readonly number[]
  unitBits: Int32Array
  ways: readonly number[]
  /** The clashes it takes part in, by number. */
  clashes: readonly number[]
}

export function leadRun({ unitWords, clashes, clashesAt }: Graphs, graph: LeadGraph, arcs: readonly number[]): LeadRun {
  const unitBits = new Int32Array(unitWords)
  const units = new Set<number>()
  let [layMs, mm] = [0, 0]
  for (const arc of arcs) {
    const { layMs: ms, mm: length, units: used, unitBits: bits } = graph.arcs[arc]!
    layMs += ms
    mm += length
    for (const unit of used) units.add(unit)
    for (let word = 0; word < unitWords; word++) unitBits[word]! |= bits[word]!
  }
  const ways = [...new Set(arcs.map((arc) => graph.arcs[arc]!.way))]
  const met = ways.flatMap((way) => clashesAt[way]!.filter((clash) => clashes[clash]!.weights[graph.lead]! > 0))
  return { arcs, layMs, mm, units: [...units], unitBits, ways, clashes: met }
}

/** A run by its points and the arcs of the lead's own list. */
export function asRun(graph: LeadGraph, { arcs }: LeadRun): Run {
  const first = arcs[0]
  if (first === undefined) return { points: [graph.from.find((point) => graph.isTo[point])!], arcs: [] }
  const [begin] = [graph.arcs[first]!.a, graph.arcs[first]!.b].filter((point) => ends(graph, point, arcs)) as [number]
  const points = [begin]
  for (const arc of arcs) {
    const { a, b } = graph.arcs[arc]!
    points.push(a === points.at(-1) ? b : a)
  }
  return { points, arcs: arcs.map((arc) => graph.arcs[arc]!.index) }
}

/** Whether these arcs lead from a beginning at this point to an end. */
function ends(graph: LeadGraph, begin: number, arcs: readonly number[]): boolean {
  let at = begin
  for (const arc of arcs) {
    const { a, b } = graph.arcs[arc]!
    if (a !== at && b !== at) return false
    at = a === at ? b : a
  }
  return graph.from.includes(begin) && graph.isTo[at] === 1
}

/** What a layout costs: laying, and each unit once. */
export function costOf({ unitMs, unitWords }: Graphs, runs: readonly LeadRun[]): number {
  const used = new Int32Array(unitWords)
  let cost = 0
  for (const { layMs, unitBits } of runs) {
    cost += layMs
    for (let word = 0; word < unitWords; word++) used[word]! |= unitBits[word]!
  }
  unitMs.forEach((ms, unit) => {
    if ((used[unit >> 5]! >>> (unit & 31)) & 1) cost += ms
  })
  return cost
}

/** How much of each clash these runs take; null entries are leads without a run yet. */
export function loadsOf({ clashes }: Graphs, runs: readonly (LeadRun | null)[]): Float64Array {
  const loads = new Float64Array(clashes.length)
  for (let lead = 0; lead < runs.length; lead++)
    for (const clash of runs[lead]?.clashes ?? []) loads[clash]! += clashes[clash]!.weights[lead]!
  return loads
}

export function isTogether(graphs: Graphs, runs: readonly LeadRun[]): boolean {
  return loadsOf(graphs, runs).every((load, clash) => load <= graphs.clashes[clash]!.most)
}
