import { following, type SearchLimits } from './cheapestOrder'
import type { Clocks } from './clock'
import { ClockedBound } from './clockedBound'
import { ClockedMoves, type ClockedMove, type ClockedState } from './clockedMoves'
import { clockedSteps } from './clockedSteps'
import { Bounds, type LowerBound } from './lowerBound'
import type { SearchStep } from './moves'
import { OpenList } from './openList'
import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import { reduce, type Reduced } from './reduce'
import { isNoWorse } from './rules'
import { secondPartExcess } from './secondPart'
import { States } from './states'

/**
 * `steps` null where nothing below what was asked for was found. `costMs`: its set-up and waiting. No order takes less
 * than `boundMs`.
 */
export type ClockedOutcome = { steps: SearchStep[] | null; costMs: number; boundMs: number; expanded: number }

/** Widths of the beams that find an order before the proof, and of the one that looks further where it did not come. */
const FIRST_BEAMS = [3, 12, 40]
/** Where only a safe order is wanted at once. */
const AT_ONCE_BEAMS = [3]
const LAST_BEAM = 150
/** So far with a bound that is worked out quickly: about as long as one that says more takes to work out. */
const GLANCE_STATES = 3_000
/**
 * For each state that a search without a clock may expand, so many may be reached here: what is optional makes very
 * many of some.
 */
const REACHED_PER_STATE = 2
const TOLD_EVERY = 250

/**
 * The order that takes least of set-up and waiting together where something waits by the clock: beams, then A* over the
 * moves of ClockedMoves. Of two ways to the same state both are kept where the one costs less and the other may be over
 * the wait sooner.
 *
 * `below`: only what takes less is of use. `leastMs`: what is known already that no order takes less than.
 * Cost: as a search without a clock, several times where much could be done either before or meanwhile.
 */
export function clockedOrder(
  problem: SearchProblem,
  wholes: readonly (readonly number[])[],
  clocks: Clocks,
  limits: SearchLimits,
  below = Infinity,
  leastMs = 0,
): ClockedOutcome {
  const reduced = reduce(problem, wholes, { clocks: clocks.inTurn })
  const bounds = new Bounds(reduced.problem)
  const glance = new ClockedSearch(reduced, clocks, below, leastMs, bounds.quick).run(
    { ...limits, expandedStates: Math.min(limits.expandedStates, GLANCE_STATES) },
    limits.expandedStates === 0 ? AT_ONCE_BEAMS : FIRST_BEAMS,
  )
  if (glance.boundMs >= glance.costMs || limits.expandedStates <= GLANCE_STATES) return glance
  const thorough = new ClockedSearch(reduced, clocks, glance.costMs, glance.boundMs, bounds.strong).run(
    following(limits, glance.expanded),
    [],
  )
  return { ...thorough, steps: thorough.steps ?? glance.steps, expanded: glance.expanded + thorough.expanded }
}

type Node = ClockedState & { move: ClockedMove | null; from: Node | null; leastMs: number; isBeaten: boolean }

class ClockedSearch {
  private readonly states: States
  private readonly moves: ClockedMoves
  private readonly bound: ClockedBound
  private best: { node: Node; costMs: number } | null = null
  private expanded = 0

  constructor(
    private readonly reduced: Reduced,
    clocks: Clocks,
    private readonly below: number,
    private readonly leastMs: number,
    makeBound: () => LowerBound,
  ) {
    this.states = new States(reduced.problem, makeBound)
    this.moves = new ClockedMoves(this.states, reduced, clocks)
    this.bound = new ClockedBound(this.states, this.moves, reduced)
  }

  run(limits: SearchLimits, firstBeams: readonly number[]): ClockedOutcome {
    const most = limits.expandedStates * REACHED_PER_STATE
    this.bound.secondPartMs = secondPartExcess(this.states, limits.expandedStates / 12, () => (this.expanded += 1))
    const roots = this.moves.beginnings().map((state) => this.nodeOf(state, null, null))
    const leastMs = Math.max(this.leastMs, Math.min(...roots.map((root) => root.leastMs)))
    for (const width of firstBeams) if (this.worst > leastMs) this.beam(roots, width)
    const provedMs = this.prove(roots, most, limits.onProgress)
    // A wide beam is only worth its time where the proof was given some.
    if (this.worst > Math.max(provedMs, this.leastMs) && LAST_BEAM * 50 <= limits.expandedStates)
      this.beam(roots, LAST_BEAM)
    return {
      steps: this.best && this.stepsTo(this.best.node),
      costMs: this.worst,
      boundMs: Math.min(this.worst, Math.max(provedMs, this.leastMs)),
      expanded: this.expanded,
    }
  }

  /** Only what takes less than this is of use. */
  private get worst(): number {
    return this.best?.costMs ?? Math.min(this.below, FAR)
  }

  private nodeOf(state: ClockedState, move: ClockedMove | null, from: Node | null): Node {
    const { id, phase, costMs, overMs, undecided } = state
    return { id, phase, costMs, overMs, undecided, move, from, leastMs: this.bound.value(state), isBeaten: false }
  }

  /** The nodes that may lead to something better than the best known; finished ones are offered and left out. */
  private children(node: Node): Node[] {
    const found: [ClockedState, ClockedMove][] = []
    // The bound of a child may expand states of its own only once these children have been read.
    this.moves.expand(node, (to, move) => found.push([to, move]))
    const children: Node[] = []
    for (const [to, move] of found) {
      const child = this.nodeOf(to, move, node)
      if (child.leastMs >= this.worst) continue
      if (this.states.isFinished(child.id)) this.best = { node: child, costMs: child.leastMs }
      else children.push(child)
    }
    return children
  }

  private stepsTo(end: Node): SearchStep[] {
    const path: { move: ClockedMove; to: ClockedState }[] = []
    let node = end
    for (; node.from && node.move; node = node.from) path.unshift({ move: node.move, to: node })
    return clockedSteps(this.moves, this.states.space, node.phase, path)
  }

  /** Layer by layer, the most promising `width` states of each. */
  private beam(roots: readonly Node[], width: number): void {
    let layer = [...roots]
    const kept = new Undominated(this.moves)
    while (layer.length > 0) {
      const next = layer.flatMap((node) => this.children(node).filter((child) => kept.add(child)))
      layer = next
        .filter((node) => !node.isBeaten && node.leastMs < this.worst)
        .sort((a, b) => a.leastMs - b.leastMs || a.id - b.id)
        .slice(0, width)
    }
  }

  /** What every order takes at least, as far as it was proved; finds better ones on the way. */
  private prove(roots: readonly Node[], most: number, onProgress: SearchLimits['onProgress']): number {
    const kept = new Undominated(this.moves)
    const nodes: Node[] = []
    const open = new OpenList()
    const push = (node: Node) => {
      if (kept.add(node)) open.push(nodes.push(node) - 1, node.leastMs, this.states.depth(node.id))
    }
    roots.forEach(push)
    let provedMs = open.least
    const isSettled = () => Math.max(provedMs, this.leastMs) >= this.worst
    for (let reached = 0; open.least < this.worst && !isSettled();) {
      if (reached >= most) return provedMs
      const node = nodes[open.pop()!.id]!
      if (node.isBeaten) continue
      this.expanded += 1
      if (this.expanded % TOLD_EVERY === 0) onProgress?.(this.expanded)
      const children = this.children(node)
      reached += 1 + children.length
      children.forEach(push)
      provedMs = Math.max(provedMs, Math.min(open.least, this.worst))
    }
    return Math.max(provedMs, Math.min(open.least, this.worst))
  }
}

/** Nodes of the same state, none of which is no worse than another. */
class Undominated {
  private readonly byState = new Map<number, Node[]>()

  constructor(private readonly moves: ClockedMoves) {}

  /** Keeps a node unless another beats it; those it beats are marked. */
  add(node: Node): boolean {
    // The phase is no matter of what is done: what waits may be taken back as well once it is begun.
    const name = node.id * (2 * this.moves.stages.length + 1) + node.phase
    const known = this.byState.get(name)
    if (!known) {
      this.byState.set(name, [node])
      return true
    }
    for (const other of known) if (this.beats(other, node)) return false
    let kept = 0
    for (const other of known) {
      other.isBeaten = this.beats(node, other)
      if (!other.isBeaten) known[kept++] = other
    }
    known.length = kept
    known.push(node)
    return true
  }

  private beats(a: Node, b: Node): boolean {
    return isNoWorse(a, b, () => this.moves.lostMs(a, b))
  }
}
