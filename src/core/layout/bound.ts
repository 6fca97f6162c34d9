import { cheapestRun } from './cheapestRun'
import type { Graphs } from './graphs'
import type { Shut } from './insertion'
import { leadRun, loadsOf, type LeadRun } from './leadRun'
import { givenBack, tollsOf, type Prices } from './prices'

/** A bound at prices: what each lead's cheapest run costs at them, and the sum that no layout goes below. */
export type Bound = { prices: Prices; each: number[]; sum: number; runs: LeadRun[] }

/**
 * What no layout costs less than: any layout pays each unit at least what its users share of it, and uses no more of a
 * clash than its toll gives back. Null where a lead has no run at all. Cost: one question to each graph.
 */
export function boundAt(graphs: Graphs, shut: Shut, prices: Prices): Bound | { without: number } {
  const { leads, unitWords, clashesAt } = graphs
  const each: number[] = []
  const runs: LeadRun[] = []
  for (const graph of leads) {
    const tolls = tollsOf(graphs, graph.lead, prices.tolls, clashesAt.length)
    const asked = { prices: prices.shares[graph.lead]!, tolls, shut: shut[graph.lead]! }
    const found = cheapestRun(graph, asked, unitWords)
    if (!found) return { without: graph.lead }
    each.push(found.cost)
    runs.push(leadRun(graphs, graph, found.arcs))
  }
  return { prices, each, runs, sum: each.reduce((sum, cost) => sum + cost, 0) - givenBack(graphs, prices.tolls) }
}

/** Runs met so far, by lead: prices are tried on them before the graphs are asked. */
export class Pool {
  private readonly byLead: LeadRun[][]

  constructor(private readonly graphs: Graphs) {
    this.byLead = graphs.leads.map(() => [])
  }

  add(runs: readonly LeadRun[]): void {
    runs.forEach((run, lead) => {
      const known = this.byLead[lead]!
      if (!known.some(({ arcs }) => arcs.length === run.arcs.length && arcs.every((arc, i) => arc === run.arcs[i])))
        known.push(run)
    })
  }

  /** The same as `boundAt`, of the runs met: never less than that. */
  boundAt({ shares, tolls }: Prices): { runs: LeadRun[]; sum: number } {
    const { clashes } = this.graphs
    let sum = -givenBack(this.graphs, tolls)
    const runs = this.byLead.map((known, lead) => {
      const own = shares[lead]!
      let [best, least] = [known[0]!, Infinity]
      for (const run of known) {
        let cost = run.layMs
        for (const unit of run.units) cost += own[unit]!
        for (const clash of run.clashes) cost += tolls[clash]! * clashes[clash]!.weights[lead]!
        if (cost < least) [best, least] = [run, cost]
      }
      sum += least
      return best
    })
    return { runs, sum }
  }
}

/**
 * One step of the prices, in place, towards what these runs ask for (a subgradient): a share of a unit moves to who
 * uses it, a toll rises where too many meet and falls where there is room. `stepMs`: for each unit of the slope.
 */
export function step(graphs: Graphs, { shares, tolls }: Prices, runs: readonly LeadRun[], stepMs: number): void {
  const { unitMs, clashes } = graphs
  const touched = new Set<number>()
  for (let lead = 0; lead < runs.length; lead++)
    for (const unit of runs[lead]!.units) {
      shares[lead]![unit]! += stepMs
      touched.add(unit)
    }
  for (const unit of touched) ontoSimplex(shares, unit, unitMs[unit]!)
  const loads = loadsOf(graphs, runs)
  for (let i = 0; i < clashes.length; i++) {
    // Areas are many times one: the slope is measured in what is allowed.
    const { most } = clashes[i]!
    tolls[i] = Math.max(0, tolls[i]! + (stepMs * (loads[i]! - most)) / (most * most))
  }
}

/** The nearest shares that are 0 or more and together what the unit weighs. */
function ontoSimplex(shares: readonly Float64Array[], unit: number, ms: number): void {
  // Those that keep a share: as long as somebody would go below nothing, the others give more (Michelot, from memory).
  let [giving, sum] = [0, 0]
  for (const own of shares)
    if (own[unit]! > 0) {
      giving += 1
      sum += own[unit]!
    }
  for (let over = (sum - ms) / giving; ; over = (sum - ms) / giving) {
    let [kept, keptSum] = [0, 0]
    for (const own of shares)
      if (own[unit]! > over) {
        kept += 1
        keptSum += own[unit]!
      }
    // Never more than before, but for the last digit: that ends it as well.
    if (kept >= giving || kept === 0) {
      for (const own of shares) own[unit] = Math.max(0, own[unit]! - over)
      return
    }
    ;[giving, sum] = [kept, keptSum]
  }
}

/** The slope squared, as `step` walks it. */
export function slopeOf(graphs: Graphs, prices: Prices, runs: readonly LeadRun[]): number {
  const loads = loadsOf(graphs, runs)
  const used = new Map<number, number>()
  for (const { units } of runs) for (const unit of units) used.set(unit, (used.get(unit) ?? 0) + 1)
  let squared = 0
  // Where all use a unit or only one could, its shares can't move.
  for (const count of used.values()) squared += (count * (graphs.leads.length - count)) / graphs.leads.length
  graphs.clashes.forEach(({ most }, i) => {
    const over = (loads[i]! - most) / most
    if (over > 0 || prices.tolls[i]! > 0) squared += over * over
  })
  return squared
}
