import { explore } from './explore'
import { stepsOf, type Move, type SearchStep } from './moves'
import { Bounds, type LowerBound } from './lowerBound'
import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import { reduce, type Reduced } from './reduce'
import { secondPartExcess } from './secondPart'
import { States } from './states'

/** What a search may use, in steps: no clock, so that every machine stops at the same place. */
export type SearchLimits = {
  expandedStates: number
  /** Told now and then how many states were expanded, so that somebody who waits sees it go on. */
  onProgress?: (expanded: number) => void
  /** Told what each order takes that is better than those before it; the first comes before any bound is worked out. */
  onBetter?: (setUpMs: number) => void
}
export const DEFAULT_LIMITS: SearchLimits = { expandedStates: 60_000 }

/** `setUpMs`: walking, tool changes and setting acts. Proven when nothing cheaper exists: then `boundMs` equals it. */
type Order = { kind: 'order'; steps: SearchStep[]; setUpMs: number; boundMs: number; proven: boolean; expanded: number }

export type SearchOutcome =
  | Order
  /** Proven: no order keeps the guards. */
  | { kind: 'impossible'; expanded: number }
  | { kind: 'given up'; boundMs: number; expanded: number }
  /** Nothing as cheap as asked for exists. */
  | { kind: 'not below'; boundMs: number; expanded: number }

/** Widths of the beams that find a first order, and of those that look further where the proof did not come. */
const FIRST_BEAMS = [3, 12]
const LAST_BEAMS = [60, 300]
/** So far with a bound that is worked out quickly: about as long as one that says more takes to work out. */
const GLANCE_STATES = 10_000
/** With fewer to expand the bound that says more would not pay. */
const FEW_STATES = 5_000

/**
 * The cheapest order of a problem: beams for a valid order at once, then A* (Hart, Nilsson and Raphael 1968) over
 * StateSpace's moves with LowerBound. Exact unless the limit is reached; then the best order found, with the bound.
 *
 * `wholes`: operations done in one go. `below`: only an order cheaper than this is of use. Cost: exponential in the
 * width of the order at worst; docs/benchmarks.md has figures.
 */
export function cheapestOrder(
  problem: SearchProblem,
  wholes: readonly (readonly number[])[] = [],
  limits: SearchLimits = DEFAULT_LIMITS,
  below = Infinity,
): SearchOutcome {
  const reduced = reduce(problem, wholes)
  // Without settings the strong bound says hardly more.
  const isAll = limits.expandedStates <= FEW_STATES || problem.combinations === 1
  const bounds = new Bounds(reduced.problem)
  const glance = new Search(reduced, below, bounds.quick).run(
    isAll ? limits : { ...limits, expandedStates: Math.min(GLANCE_STATES, limits.expandedStates / 2) },
    { first: FIRST_BEAMS, last: isAll ? LAST_BEAMS : [] },
  )
  if (isAll || isSettled(glance)) return glance
  const known = glance.kind === 'order' ? glance : null
  const thorough = new Search(reduced, known?.setUpMs ?? below, bounds.strong).run(following(limits, glance.expanded), {
    first: [],
    last: LAST_BEAMS,
  })
  return bothLooks(known, thorough, glance)
}

/** The limits of a search that follows another, which tells its progress from there on. */
export function following(limits: SearchLimits, expanded: number): SearchLimits {
  const { onProgress } = limits
  return { ...limits, ...(onProgress && { onProgress: (count: number) => onProgress(expanded + count) }) }
}

function isSettled(outcome: SearchOutcome): boolean {
  return outcome.kind === 'order' ? outcome.proven : outcome.kind !== 'given up'
}

/** What a glance and a second look with what was known from it say together: the better order, and the better bound. */
function bothLooks(known: Order | null, thorough: SearchOutcome, glance: SearchOutcome): SearchOutcome {
  const expanded = glance.expanded + thorough.expanded
  const boundOf = (outcome: SearchOutcome) => ('boundMs' in outcome ? outcome.boundMs : FAR)
  const boundMs = Math.max(boundOf(glance), boundOf(thorough))
  const order = thorough.kind === 'order' ? thorough : known
  if (!order) return thorough.kind === 'impossible' ? { ...thorough, expanded } : { ...thorough, boundMs, expanded }
  // Nothing cheaper than what was known is impossible as well.
  return { ...order, boundMs: Math.min(order.setUpMs, boundMs), proven: boundMs >= order.setUpMs, expanded }
}

const TOLD_EVERY = 250
/** A dive that has not come through by then is given up; the beams go on. */
const MOST_DIVED = 20_000

type Best = { moves: Move[]; costMs: number }
type BeamNode = { id: number; costMs: number; move: Move | null; from: BeamNode | null }

class Search {
  private readonly states: States
  private readonly root: number
  private best: Best | null = null
  private limits: SearchLimits = DEFAULT_LIMITS
  private expanded = 0

  constructor(
    private readonly reduced: Reduced,
    private readonly below: number,
    makeBound: () => LowerBound,
  ) {
    const { problem } = reduced
    this.states = new States(problem, makeBound)
    this.root = this.states.at(
      new Int32Array(this.states.space.words),
      problem.start.tool,
      this.states.space.startPlace,
    )
  }

  run(limits: SearchLimits, beams: { first: readonly number[]; last: readonly number[] }): SearchOutcome {
    const { states, root } = this
    this.limits = limits
    if (this.below === Infinity) this.dive()
    const least = states.restOf(root)
    if (least >= FAR) return { kind: 'impossible', expanded: 0 }
    if (least >= this.below) return { kind: 'not below', boundMs: least, expanded: 0 }
    if (states.isFinished(root) && least < this.worst) this.best = { moves: [], costMs: least }
    for (const width of beams.first) if (this.worst > least) this.beam(width)
    let boundMs = least
    if (this.worst > least) boundMs = this.prove(limits)
    // A wide beam is only worth its time where the proof was given some.
    for (const width of beams.last) if (this.worst > boundMs && width * 50 <= limits.expandedStates) this.beam(width)
    const { expanded, best } = this
    if (best) {
      boundMs = Math.min(boundMs, best.costMs)
      return {
        kind: 'order',
        steps: stepsOf(states.space, this.reduced, best.moves),
        setUpMs: best.costMs,
        boundMs,
        proven: boundMs === best.costMs,
        expanded,
      }
    }
    if (boundMs >= FAR) return { kind: 'impossible', expanded }
    return boundMs >= this.below ? { kind: 'not below', boundMs, expanded } : { kind: 'given up', boundMs, expanded }
  }

  /** Only what is cheaper than this is of use. */
  private get worst(): number {
    return this.best?.costMs ?? Math.min(this.below, FAR)
  }

  /** Always the cheapest next move, taken back where it leads nowhere: a valid order before any bound is worked out. */
  private dive(): void {
    const { states, root } = this
    const seen = new Set<number>([root])
    const stack: BeamNode[] = [{ id: root, costMs: 0, move: null, from: null }]
    for (let node = stack.pop(); node && seen.size < MOST_DIVED; node = stack.pop()) {
      if (states.isFinished(node.id)) {
        if (this.offer(node)) return
        continue
      }
      const children: BeamNode[] = []
      states.expand(node.id, (id, ms, move) => {
        if (seen.has(id)) return
        seen.add(id)
        children.push({ id, costMs: node!.costMs + ms, move, from: node! })
      })
      // The cheapest lies on top; of equal ones the one that does more.
      stack.push(
        ...children.sort((a, b) => b.costMs - a.costMs || states.depth(a.id) - states.depth(b.id) || b.id - a.id),
      )
    }
  }

  /** Takes a finished order if it is the best so far. */
  private offer(node: BeamNode): boolean {
    const costMs = node.costMs + this.states.restOf(node.id)
    if (costMs >= this.worst) return false
    const moves: Move[] = []
    for (let at: BeamNode | null = node; at?.move; at = at.from) moves.unshift(at.move)
    this.best = { moves, costMs }
    this.limits.onBetter?.(costMs)
    return true
  }

  /** Layer by layer, the most promising `width` states of each. */
  private beam(width: number): void {
    const { states } = this
    let layer: BeamNode[] = [{ id: this.root, costMs: 0, move: null, from: null }]
    while (layer.length > 0) {
      const next = new Map<number, BeamNode>()
      for (const from of layer) {
        const found: BeamNode[] = []
        // The bound of a child may expand states of its own only once these children have been read.
        states.expand(from.id, (id, ms, move) => found.push({ id, costMs: from.costMs + ms, move, from }))
        for (const child of found) {
          if (child.costMs + states.restOf(child.id) >= this.worst) continue
          const known = next.get(child.id)
          if (known && known.costMs <= child.costMs) continue
          if (!states.isFinished(child.id)) next.set(child.id, child)
          else this.offer(child)
        }
      }
      layer = [...next.values()]
        .sort((a, b) => a.costMs + states.restOf(a.id) - b.costMs - states.restOf(b.id) || a.id - b.id)
        .slice(0, width)
    }
  }

  /** What every order takes at least, as far as it was proved; finds better ones on the way. */
  private prove({ expandedStates }: SearchLimits): number {
    const { states, root } = this
    const expanding = () => {
      this.expanded += 1
      if (this.expanded % TOLD_EVERY === 0) this.limits.onProgress?.(this.expanded)
    }
    const secondPartMs = secondPartExcess(states, expandedStates / 4, expanding)
    return explore(states, [{ id: root, costMs: 0 }], {
      most: expandedStates,
      worst: () => this.worst,
      extraMs: (id) => (states.isInFirstPart(id) ? secondPartMs : 0),
      found: (costMs, moves) => {
        this.best = { moves: moves(), costMs }
        this.limits.onBetter?.(costMs)
      },
      expanding,
    })
  }
}
