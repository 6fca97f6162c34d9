import type { Bound } from './bound'
import type { Graphs } from './graphs'
import type { Shut } from './insertion'
import { loadsOf } from './leadRun'
import { evenPrices, type Prices } from './prices'

/**
 * A part of all layouts: some units are paid (they weigh nothing any more, `paidMs` is their sum), some arcs are shut.
 * `boundMs`: nothing in it costs less, with what is paid.
 */
export type Branch = { graphs: Graphs; shut: Shut; paidMs: number; prices: Prices; boundMs: number }

export function rootOf(graphs: Graphs): Branch {
  const shut = graphs.leads.map(({ arcs }) => new Uint8Array(arcs.length))
  return { graphs, shut, paidMs: 0, prices: evenPrices(graphs), boundMs: 0 }
}

/**
 * Parts that together hold every layout of a branch that could be cheaper: the unit whose price falls furthest short of
 * its weight is paid, or shut for all; where none does, of the leads that meet in a clash each stays out in turn, since
 * they can't all be there. None: the bound's own runs are a layout, and the cheapest of the branch.
 */
export function branchesOf(branch: Branch, bound: Bound): Branch[] {
  const unit = shortestPaid(branch.graphs, bound)
  if (unit >= 0) return [paid(branch, bound, unit), withoutUnit(branch, bound, unit)]
  const clash = clashOf(branch.graphs, bound)
  if (clash < 0) return []
  const { way, weights } = branch.graphs.clashes[clash]!
  return branch.graphs.leads
    .filter(({ lead, arcs }) => weights[lead]! > 0 && arcs.some((arc, i) => arc.way === way && !branch.shut[lead]![i]))
    .map(({ lead }) => withoutWay(branch, bound, lead, way))
}

/** The unit of which the runs that use it pay least of its weight, by what is missing; -1 where all is paid. */
function shortestPaid({ unitMs }: Graphs, { runs, prices }: Bound): number {
  const missing = new Float64Array(unitMs.length)
  runs.forEach(({ units }, lead) => {
    for (const unit of units) {
      if (missing[unit] === 0) missing[unit] = unitMs[unit]!
      missing[unit]! -= prices.shares[lead]![unit]!
    }
  })
  let most = -1
  missing.forEach((ms, unit) => {
    if (ms > 1e-3 && ms > (most < 0 ? 0 : missing[most]!)) most = unit
  })
  return most
}

/** A clash of too many, or one that has a toll and is not used up; -1 where there is none. */
function clashOf(graphs: Graphs, { runs, prices }: Bound): number {
  const loads = loadsOf(graphs, runs)
  const over = graphs.clashes.findIndex(({ most }, i) => loads[i]! > most)
  return over >= 0 ? over : graphs.clashes.findIndex(({ most }, i) => prices.tolls[i]! > 1e-6 && loads[i]! < most)
}

function paid(branch: Branch, { prices }: Bound, unit: number): Branch {
  const { graphs } = branch
  const unitMs = Float64Array.from(graphs.unitMs)
  unitMs[unit] = 0
  const shares = prices.shares.map((own) => {
    const copy = Float64Array.from(own)
    copy[unit] = 0
    return copy
  })
  return {
    ...branch,
    graphs: { ...graphs, unitMs },
    paidMs: branch.paidMs + graphs.unitMs[unit]!,
    prices: { ...prices, shares },
  }
}

function withoutUnit(branch: Branch, { prices }: Bound, unit: number): Branch {
  const shut = branch.graphs.leads.map(({ arcs, lead }) =>
    Uint8Array.from(arcs, ({ units }, i) => (branch.shut[lead]![i] || units.includes(unit) ? 1 : 0)),
  )
  return { ...branch, shut, prices }
}

function withoutWay(branch: Branch, { prices }: Bound, lead: number, way: number): Branch {
  const shut = branch.shut.map((own, k) =>
    k === lead ? Uint8Array.from(branch.graphs.leads[k]!.arcs, (arc, i) => (own[i] || arc.way === way ? 1 : 0)) : own,
  )
  return { ...branch, shut, prices }
}
