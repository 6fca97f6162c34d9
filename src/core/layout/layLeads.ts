import { ascend } from './ascend'
import type { Bound } from './bound'
import { branchesOf, rootOf, type Branch } from './branch'
import { cheapestRun } from './cheapestRun'
import { graphsOf, type Graphs } from './graphs'
import { oneAfterAnother } from './insertion'
import { asRun, costOf, isTogether, leadRun, type LeadRun } from './leadRun'
import { listRuns } from './listRuns'
import { pickOne } from './pick'
import { GRAIN_MS, LAYOUT_LIMITS, type LayoutFound, type LayoutLimits, type LayoutProblem } from './problem'
import { tollsOf } from './prices'

/**
 * The runs of all leads together that cost least to open, lay and close: each unit paid once, whoever asks for it.
 * Exact with its bound; where the limits end the search, the best found and what nothing goes below.
 *
 * How: a layout that can be laid (`oneAfterAnother`), a bound (`ascend`), then all runs that could still be in
 * something cheaper (`listRuns`), of which one is picked for each lead (`pickOne`); where those are too many, branches
 * (`branchesOf`). docs/leads.md has the proofs.
 */
export function layLeads(problem: LayoutProblem, limits: LayoutLimits = LAYOUT_LIMITS): LayoutFound {
  const graphs = graphsOf(problem)
  const nothing = new Float64Array(graphs.unitMs.length)
  const root = rootOf(graphs)
  for (const graph of graphs.leads)
    if (!cheapestRun(graph, { prices: nothing, tolls: null, shut: root.shut[graph.lead]! }, graphs.unitWords))
      return { kind: 'none', lead: graph.lead, proven: true }
  return new Search(graphs, limits).from(root)
}

class Search {
  /** Bounds asked for so far. */
  private asked = 0
  private best: { runs: LeadRun[] | null; cost: number } = { runs: null, cost: Infinity }

  constructor(
    private readonly graphs: Graphs,
    private readonly limits: LayoutLimits,
  ) {}

  from(root: Branch): LayoutFound {
    this.tryOrders(root)
    const open: Branch[] = [root]
    // Least bound first: what is left when the limit comes is as little as can be.
    while (open.length > 0 && this.asked < this.limits.bounds) {
      const at = open.reduce((least, branch, i) => (branch.boundMs < open[least]!.boundMs ? i : least), 0)
      const [branch] = open.splice(at, 1) as [Branch]
      if (branch.boundMs <= this.best.cost - GRAIN_MS + 1e-6) open.push(...this.look(branch))
    }
    const left = open.filter(({ boundMs }) => boundMs <= this.best.cost - GRAIN_MS + 1e-6)
    const proven = left.length === 0
    if (!this.best.runs) return { kind: 'none', lead: null, proven }
    const { runs, cost } = this.best
    const boundMs = proven ? cost : Math.max(0, Math.min(cost, ...left.map((branch) => branch.boundMs)))
    return {
      ...{ kind: 'runs', costMs: cost, proven, boundMs: Math.ceil(boundMs / GRAIN_MS - 1e-9) * GRAIN_MS },
      runs: runs.map((run, lead) => asRun(this.graphs.leads[lead]!, run)),
    }
  }

  /** Looks into one branch: what is left of it to be looked into. */
  private look(branch: Branch): Branch[] {
    const { graphs, shut, paidMs, prices } = branch
    const bound = ascend(
      graphs,
      shut,
      prices,
      {
        rounds: branch.paidMs === 0 && this.asked === 0 ? this.limits.atFirst : this.limits.inBranch,
        enough: () => this.best.cost - GRAIN_MS - paidMs + 1e-6,
        target: () => (this.best.runs ? this.best.cost : branch.boundMs * 1.2 + 60_000) - paidMs,
      },
      (runs) => {
        this.asked += 1
        this.meet(runs)
      },
    )
    if ('without' in bound) return []
    const boundMs = bound.sum + paidMs
    if (boundMs > this.best.cost - GRAIN_MS + 1e-6) return []
    if (this.picked(branch, bound)) return []
    return branchesOf({ ...branch, boundMs: Math.max(boundMs, branch.boundMs) }, bound)
  }

  /** Whether all that could be better in a branch was gone through. */
  private picked(branch: Branch, bound: Bound): boolean {
    const { graphs, shut, paidMs } = branch
    const gap = this.best.cost - GRAIN_MS - paidMs - bound.sum + 1e-6
    const lists: LeadRun[][] = []
    for (const graph of graphs.leads) {
      const { lead } = graph
      const tolls = tollsOf(graphs, lead, bound.prices.tolls, graphs.clashesAt.length)
      const asked = { prices: bound.prices.shares[lead]!, tolls, shut: shut[lead]! }
      const list = listRuns(graph, asked, bound.each[lead]! + gap, this.limits, graphs.unitWords)
      if (!list) return false
      lists.push(list.map((arcs) => leadRun(graphs, graph, arcs)))
    }
    const inBranch = { runs: this.best.runs, cost: this.best.cost - paidMs }
    const found = pickOne(graphs, bound, lists, inBranch, { grain: GRAIN_MS, steps: this.limits.steps })
    if (found?.runs) this.meet(found.runs)
    return found !== null
  }

  private meet(runs: readonly LeadRun[]): void {
    const cost = costOf(this.graphs, runs)
    if (cost < this.best.cost && isTogether(this.graphs, runs)) this.best = { runs: [...runs], cost }
  }

  /** Dearest lead first, and the other way round. */
  private tryOrders({ graphs, shut }: Branch): void {
    const alone = graphs.leads.map((graph) => {
      const asked = { prices: graphs.unitMs, tolls: null, shut: shut[graph.lead]! }
      return cheapestRun(graph, asked, graphs.unitWords)?.cost ?? Infinity
    })
    const order = alone.map((_, lead) => lead).sort((a, b) => alone[b]! - alone[a]!)
    for (const tried of [order, order.toReversed()]) {
      const runs = oneAfterAnother(graphs, shut, tried)
      if (runs) this.meet(runs)
    }
  }
}
