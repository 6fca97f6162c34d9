import type { Bound } from './bound'
import type { Graphs } from './graphs'
import { costOf, type LeadRun } from './leadRun'
import { tollsOf } from './prices'

type Choice = { run: LeadRun; overMs: number }
type Picked = { runs: LeadRun[] | null; cost: number }

/**
 * One run for each lead out of its list, so that they can lie together and cost least: depth first, the shortest list
 * first. A layout costs at least the bound, what each of its runs costs more than its lead's cheapest at the same
 * prices, and of every unit what its users and those who may still use it don't pay of it: what is dearer than the best
 * so far is left. `null`: more steps than allowed. Returns the best found, or the one it was given.
 */
export function pickOne(
  graphs: Graphs,
  bound: Bound,
  lists: readonly LeadRun[][],
  best: Picked,
  limits: { grain: number; steps: number },
): Picked | null {
  return new Picking(graphs, bound, lists, best, limits).whole()
}

class Picking {
  private readonly choices: Choice[][]
  /** Leads in the order in which they are chosen for. */
  private readonly order: number[]
  /** By place in the order: what those after it may still pay of each unit. */
  private readonly stillMs: Float64Array[]
  private readonly paidMs: Float64Array
  private readonly users: Int32Array
  private readonly loads: Float64Array
  private readonly chosen: LeadRun[] = []
  private left: number

  constructor(
    private readonly graphs: Graphs,
    private readonly bound: Bound,
    lists: readonly LeadRun[][],
    private found: Picked,
    private readonly limits: { grain: number; steps: number },
  ) {
    this.choices = lists.map((list, lead) => choicesOf(graphs, bound, lead, list))
    this.order = lists.map((_, lead) => lead).sort((a, b) => lists[a]!.length - lists[b]!.length)
    this.paidMs = new Float64Array(graphs.unitMs.length)
    this.users = new Int32Array(graphs.unitMs.length)
    this.loads = new Float64Array(graphs.clashes.length)
    this.left = limits.steps
    this.stillMs = this.order.map(() => new Float64Array(graphs.unitMs.length))
    for (let at = this.order.length - 2; at >= 0; at--) {
      const after = this.order[at + 1]!
      const used = new Set(lists[after]!.flatMap(({ units }) => units))
      this.stillMs[at]!.set(this.stillMs[at + 1]!)
      for (const unit of used) this.stillMs[at]![unit]! += bound.prices.shares[after]![unit]!
    }
  }

  whole(): Picked | null {
    return this.from(0, 0) ? this.found : null
  }

  /** Goes through what can be chosen from one place in the order on; false where the steps are used up. */
  private from(at: number, overMs: number): boolean {
    const lead = this.order[at]
    if (lead === undefined) {
      const runs = this.order.map((_, k) => this.chosen[this.order.indexOf(k)]!)
      const cost = costOf(this.graphs, runs)
      if (cost < this.found.cost) this.found = { runs, cost }
      return true
    }
    for (const { run, overMs: more } of this.choices[lead]!) {
      if (this.isTooDear(overMs + more)) break
      if (this.left-- <= 0) return false
      const fits = this.take(lead, run, 1)
      this.chosen[at] = run
      const goesOn = fits && !this.isTooDear(overMs + more + this.unpaidMs(at))
      const isWhole = !goesOn || this.from(at + 1, overMs + more)
      this.take(lead, run, -1)
      if (!isWhole) return false
    }
    return true
  }

  private isTooDear(overMs: number): boolean {
    return this.bound.sum + overMs > this.found.cost - this.limits.grain + 1e-6
  }

  /** Of the units used so far: what neither their users pay nor those still to be chosen for can. */
  private unpaidMs(at: number): number {
    const { paidMs, users } = this
    const { unitMs } = this.graphs
    const still = this.stillMs[at]!
    let sum = 0
    for (let unit = 0; unit < users.length; unit++) {
      if (users[unit] === 0) continue
      const unpaid = unitMs[unit]! - paidMs[unit]! - still[unit]!
      if (unpaid > 0) sum += unpaid
    }
    return sum
  }

  /** Puts a run into the ways and lets it pay, or takes it out; whether all still fits. */
  private take(lead: number, { units, clashes: met }: LeadRun, sign: 1 | -1): boolean {
    const { clashes } = this.graphs
    const shares = this.bound.prices.shares[lead]!
    for (const unit of units) {
      this.users[unit]! += sign
      this.paidMs[unit]! += sign * shares[unit]!
    }
    let fits = true
    for (const i of met) {
      const { weights, most } = clashes[i]!
      this.loads[i]! += sign * weights[lead]!
      if (this.loads[i]! > most) fits = false
    }
    return fits
  }
}

/** The runs of a lead with what each costs more than its cheapest, least first. */
function choicesOf(graphs: Graphs, { prices, each }: Bound, lead: number, list: readonly LeadRun[]): Choice[] {
  const tolls = tollsOf(graphs, lead, prices.tolls, graphs.clashesAt.length)
  return list
    .map((run) => {
      let cost = run.layMs - each[lead]!
      for (const unit of run.units) cost += prices.shares[lead]![unit]!
      for (const way of run.ways) cost += tolls[way]!
      return { run, overMs: Math.max(0, cost) }
    })
    .sort((a, b) => a.overMs - b.overMs)
}
