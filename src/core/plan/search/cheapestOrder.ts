import { LowerBound } from './lowerBound'
import { OpenList } from './openList'
import { stepsOf, type Move, type SearchStep } from './moves'
import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import { reduce, type Reduced } from './reduce'
import { StateSpace } from './stateSpace'
import { StateStore } from './stateStore'

/** What a search may use, in steps: no clock, so that every machine stops at the same place. */
export type SearchLimits = {
  expandedStates: number
  /** Told now and then how many states were expanded, so that somebody who waits sees it go on. */
  onProgress?: (expanded: number) => void
}
export const DEFAULT_LIMITS: SearchLimits = { expandedStates: 60_000 }

export type SearchOutcome =
  /** `setUpMs`: walking, tool changes and setting acts. Proven when nothing cheaper exists: then `boundMs` equals it. */
  | { kind: 'order'; steps: SearchStep[]; setUpMs: number; boundMs: number; proven: boolean; expanded: number }
  /** Proven: no order keeps the guards. */
  | { kind: 'impossible'; expanded: number }
  | { kind: 'given up'; boundMs: number; expanded: number }
  /** Nothing as cheap as asked for exists. */
  | { kind: 'not below'; boundMs: number; expanded: number }

/** Widths of the beams that find a first order, and of those that look further where the proof did not come. */
const FIRST_BEAMS = [3, 12]
const LAST_BEAMS = [60, 300]

/**
 * The cheapest order of a problem: beams for a valid order at once, then A* (Hart, Nilsson and Raphael 1968) over
 * StateSpace's moves with LowerBound. Exact unless the limit is reached; then the best order found, with the bound.
 *
 * `wholes`: operations done in one go. `below`: only an order cheaper than this is of use. Cost: exponential in the width of the order at worst; docs/benchmarks.md has figures.
 */
export function cheapestOrder(problem: SearchProblem, wholes: readonly (readonly number[])[] = [], limits: SearchLimits = DEFAULT_LIMITS, below = Infinity): SearchOutcome {
  return new Search(reduce(problem, wholes), below).run(limits)
}

const TOLD_EVERY = 250
/** A dive that has not come through by then is given up; the beams go on. */
const MOST_DIVED = 20_000

type Best = { moves: Move[]; costMs: number }
type BeamNode = { id: number; costMs: number; move: Move | null; from: BeamNode | null }

class Search {
  private readonly space: StateSpace
  private lazyBound: LowerBound | null = null
  private readonly store: StateStore
  /** Per state, the least it still takes, once it was asked for (-1 before); for a finished one exactly that. */
  private rest = new Float64Array(1024).fill(-1)
  private readonly root: number
  private best: Best | null = null
  private onProgress: SearchLimits['onProgress']
  /** What the second part takes at least beyond its bound. */
  private secondPartMs = 0
  private readonly firstWords: Int32Array
  private expanded = 0

  constructor(
    private readonly reduced: Reduced,
    private readonly below: number,
  ) {
    const { problem } = reduced
    this.space = new StateSpace(problem)
    this.store = new StateStore(this.space.words, this.space.places)
    this.firstWords = new Int32Array(this.space.words)
    problem.operations.forEach((operation, i) => operation.first && (this.firstWords[i >> 5]! |= 1 << (i & 31)))
    const state = new Int32Array(this.space.words)
    this.space.close(state, 0, problem.start.tool, this.space.startPlace)
    this.space.standardise(state, 0)
    this.root = this.store.intern(state, 0, problem.start.tool, this.space.startPlace)
  }

  run(limits: SearchLimits): SearchOutcome {
    this.onProgress = limits.onProgress
    if (this.below === Infinity) this.dive()
    const least = this.restOf(this.root)
    if (least >= FAR) return { kind: 'impossible', expanded: 0 }
    if (least >= this.below) return { kind: 'not below', boundMs: least, expanded: 0 }
    if (this.isFinished(this.root) && least < this.worst) this.best = { moves: [], costMs: least }
    for (const width of FIRST_BEAMS) if (this.worst > least) this.beam(width)
    let boundMs = least
    if (this.worst > least) boundMs = this.prove(limits)
    // A wide beam is only worth its time where the proof was given some.
    for (const width of LAST_BEAMS) if (this.worst > boundMs && width * 50 <= limits.expandedStates) this.beam(width)
    const { expanded, best } = this
    if (best) {
      boundMs = Math.min(boundMs, best.costMs)
      return { kind: 'order', steps: stepsOf(this.space, this.reduced, best.moves), setUpMs: best.costMs, boundMs, proven: boundMs === best.costMs, expanded }
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
    const seen = new Set<number>([this.root])
    const stack: BeamNode[] = [{ id: this.root, costMs: 0, move: null, from: null }]
    for (let node = stack.pop(); node && seen.size < MOST_DIVED; node = stack.pop()) {
      if (this.isFinished(node.id)) {
        if (this.offer(node)) return
        continue
      }
      const children: BeamNode[] = []
      this.expand(node.id, node.costMs, (id, costMs, move) => {
        if (seen.has(id)) return
        seen.add(id)
        children.push({ id, costMs, move, from: node! })
      })
      // The cheapest lies on top; of equal ones the one that does more.
      stack.push(...children.sort((a, b) => b.costMs - a.costMs || this.depth(a.id) - this.depth(b.id) || b.id - a.id))
    }
  }

  /** Takes a finished order if it is the best so far. */
  private offer(node: BeamNode): boolean {
    const costMs = node.costMs + this.restOf(node.id)
    if (costMs >= this.worst) return false
    const moves: Move[] = []
    for (let at: BeamNode | null = node; at?.move; at = at.from) moves.unshift(at.move)
    this.best = { moves, costMs }
    return true
  }

  /** Layer by layer, the most promising `width` states of each. */
  private beam(width: number): void {
    let layer: BeamNode[] = [{ id: this.root, costMs: 0, move: null, from: null }]
    while (layer.length > 0) {
      const next = new Map<number, BeamNode>()
      for (const node of layer)
        this.forEachChild(node.id, node.costMs, (id, costMs, move) => {
          const known = next.get(id)
          if (known && known.costMs <= costMs) return
          const child: BeamNode = { id, costMs, move, from: node }
          if (!this.isFinished(id)) next.set(id, child)
          else this.offer(child)
        })
      layer = [...next.values()].sort((a, b) => a.costMs + this.restOf(a.id) - b.costMs - this.restOf(b.id) || a.id - b.id).slice(0, width)
    }
  }

  /** What every order takes at least, as far as it was proved; finds better ones on the way. */
  private prove(limits: SearchLimits): number {
    this.secondPartMs = this.secondPartExcess(limits)
    return this.explore([{ id: this.root, costMs: 0 }], limits.expandedStates, true)
  }

  /**
   * By how much the second part (the way out) exceeds its bound at least, from wherever it may be begun: one search from all
   * beginnings at once, each ahead by its bound. Every state of the first part has that still before it.
   */
  private secondPartExcess(limits: SearchLimits): number {
    const { space, store } = this
    const { operations, toolMs } = this.reduced.problem
    if (operations.every((operation) => !operation.first) || operations.every((operation) => operation.first)) return 0
    const state = new Int32Array(space.words)
    const sources: { id: number; costMs: number }[] = []
    let most = 0
    for (let tool = 0; tool < toolMs.length; tool++)
      for (let place = 0; place < space.places; place++) {
        operations.forEach((operation, i) => (operation.first ? (state[i >> 5]! |= 1 << (i & 31)) : (state[i >> 5]! &= ~(1 << (i & 31)))))
        space.close(state, 0, tool, place)
        space.standardise(state, 0)
        const id = store.intern(state, 0, tool, place)
        if (this.restOf(id) >= FAR || sources.some((source) => source.id === id)) continue
        sources.push({ id, costMs: 0 })
        most = Math.max(most, this.restOf(id))
      }
    for (const source of sources) source.costMs = most - this.restOf(source.id)
    const leastMs = this.explore(sources, limits.expandedStates / 4, false)
    return leastMs >= FAR ? FAR : leastMs - most
  }

  /**
   * A* from some states. With `improves` it keeps what it finds as the best order and stops at what is no better; without,
   * it looks for the cheapest end whatever was found before. Answers the least cost of an end, or the bound at its limit.
   */
  private explore(sources: readonly { id: number; costMs: number }[], most: number, improves: boolean): number {
    const open = new OpenList()
    const costs: number[] = []
    const parents: number[] = []
    const moves: (Move | null)[] = []
    const closed = new Set<number>()
    let endMs = FAR
    const worst = () => (improves ? this.worst : endMs)
    const restMs = (id: number) => this.restOf(id) + (improves && this.isInFirstPart(id) ? this.secondPartMs : 0)
    for (const { id, costMs } of sources) {
      costs[id] = costMs
      if (this.isFinished(id)) endMs = Math.min(endMs, costMs + this.restOf(id))
      else open.push(id, costMs + restMs(id), 0)
    }
    const limit = this.expanded + most
    // The bounds may fall on the way (a relaxation that has grown too large says less): what was once proved stays proved.
    let provedMs = open.least
    while (open.least < worst() && provedMs < worst()) {
      if (this.expanded >= limit) return provedMs
      const { id: from } = open.pop()!
      if (closed.has(from)) continue
      closed.add(from)
      this.expanded += 1
      if (this.expanded % TOLD_EVERY === 0) this.onProgress?.(this.expanded)
      const fromMs = costs[from]!
      const found: [number, number, Move][] = []
      // The bound of a child may expand states of its own only once these children have been read.
      this.expand(from, fromMs, (...child) => found.push(child))
      for (const [id, costMs, move] of found) {
        if (costMs >= (costs[id] ?? Infinity) || costMs + restMs(id) >= worst()) continue
        costs[id] = costMs
        parents[id] = from
        moves[id] = move
        if (!this.isFinished(id)) {
          closed.delete(id)
          open.push(id, costMs + restMs(id), this.depth(id))
          continue
        }
        endMs = Math.min(endMs, costMs + this.restOf(id))
        if (!improves) continue
        const path: Move[] = []
        for (let at = id; at !== this.root; at = parents[at]!) path.unshift(moves[at]!)
        this.best = { moves: path, costMs: costMs + this.restOf(id) }
      }
      provedMs = Math.max(provedMs, Math.min(open.least, worst()))
    }
    return worst()
  }

  /** Whether something of the first part is still to be done. */
  private isInFirstPart(id: number): boolean {
    const at = id * this.store.stride
    for (let word = 0; word < this.space.words; word++) if ((this.firstWords[word]! & ~this.store.data[at + word]!) !== 0) return true
    return false
  }

  /** The moves from a state that may lead to something cheaper than the best known. */
  private forEachChild(id: number, costMs: number, visit: (id: number, costMs: number, move: Move) => void): void {
    const found: [number, number, Move][] = []
    // The bound of a child may expand states of its own only once these children have been read.
    this.expand(id, costMs, (...child) => found.push(child))
    for (const [childId, childMs, move] of found) if (childMs + this.restOf(childId) < this.worst) visit(childId, childMs, move)
  }

  private expand(id: number, costMs: number, visit: (id: number, costMs: number, move: Move) => void): void {
    const { space, store } = this
    space.expand(store.data, id * store.stride, store.toolOf(id), store.placeOf(id))
    for (let i = 0; i < space.childCount; i++) {
      const move = { tool: space.childTool[i]!, place: space.childPlace[i]!, first: space.childFirst[i]! }
      visit(store.intern(space.childWords, i * space.words, move.tool, move.place), costMs + space.childCost[i]!, move)
    }
  }

  private restOf(id: number): number {
    while (id >= this.rest.length) {
      const longer = new Float64Array(this.rest.length * 2).fill(-1)
      longer.set(this.rest)
      this.rest = longer
    }
    if (this.rest[id]! >= 0) return this.rest[id]!
    const at = id * this.store.stride
    const place = this.store.placeOf(id)
    return (this.rest[id] = this.isFinished(id) ? this.space.endMs(this.store.data, at, place) : this.bound().value(this.store.data, at, this.store.toolOf(id), place))
  }

  /** Made when it is first asked for: the first order does not wait for it. */
  private bound(): LowerBound {
    return (this.lazyBound ??= new LowerBound(this.reduced.problem))
  }

  private isFinished(id: number): boolean {
    return this.space.isFinished(this.store.data, id * this.store.stride)
  }

  /** How many operations are done. */
  private depth(id: number): number {
    let count = 0
    for (let word = 0; word < this.space.words; word++) for (let left = this.store.data[id * this.store.stride + word]!; left !== 0; left &= left - 1) count += 1
    return count
  }
}
