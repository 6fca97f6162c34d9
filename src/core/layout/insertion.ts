import { cheapestRun } from './cheapestRun'
import type { Graphs } from './graphs'
import { costOf, leadRun, loadsOf, type LeadRun } from './leadRun'

/** What of the graphs a branch leaves out: arcs by lead. */
export type Shut = Uint8Array[]

/**
 * A layout that can be laid: leads one after another, each by its cheapest run beside those there are, at no price for
 * what they open anyway; then each again until nothing gets cheaper. Null where one finds no run beside the others.
 */
export function oneAfterAnother(graphs: Graphs, shut: Shut, order: readonly number[]): LeadRun[] | null {
  const runs: (LeadRun | null)[] = graphs.leads.map(() => null)
  for (const lead of order) {
    runs[lead] = besideOthers(graphs, shut, runs, lead)
    if (!runs[lead]) return null
  }
  let whole = runs as LeadRun[]
  let cost = costOf(graphs, whole)
  for (let better = true; better;) {
    better = false
    for (const lead of order) {
      const run = besideOthers(graphs, shut, whole, lead)
      const other = run && whole.with(lead, run)
      const otherCost = other ? costOf(graphs, other) : Infinity
      if (otherCost >= cost) continue
      whole = other!
      cost = otherCost
      better = true
    }
  }
  return whole
}

/** The cheapest run of one lead where all others lie as they do. */
function besideOthers(graphs: Graphs, shut: Shut, runs: readonly (LeadRun | null)[], lead: number): LeadRun | null {
  const { unitMs, unitWords, clashes, clashesAt } = graphs
  const graph = graphs.leads[lead]!
  const others = runs.map((run, k) => (k === lead ? null : run))
  const prices = Float64Array.from(unitMs)
  for (const run of others) for (const unit of run?.units ?? []) prices[unit] = 0
  const loads = loadsOf(graphs, others)
  const isFull = (way: number) =>
    clashesAt[way]!.some((i) => {
      const weight = clashes[i]!.weights[lead]!
      return weight > 0 && loads[i]! + weight > clashes[i]!.most
    })
  const closed = Uint8Array.from(graph.arcs, ({ way, clash }, i) =>
    shut[lead]![i] === 1 || (clash >= 0 && isFull(way)) ? 1 : 0,
  )
  const found = cheapestRun(graph, { prices, tolls: null, shut: closed }, unitWords)
  return found && leadRun(graphs, graph, found.arcs)
}
