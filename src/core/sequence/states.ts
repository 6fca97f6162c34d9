import { LowerBound } from './lowerBound'
import { Memo } from './memo'
import type { SearchProblem } from './problem'
import { StateSpace } from './stateSpace'
import { StateStore } from './stateStore'
import type { Move } from './moves'

// Taken once: a look-up of the global for each state would show.
const { clz32 } = Math

/** The states of a problem by number, and what each still takes at least. */
export class States {
  readonly space: StateSpace
  readonly store: StateStore
  /** The least each state still takes; for a finished one exactly that. */
  private readonly rest = new Memo()
  private lazyBound: LowerBound | null = null
  private readonly firstWords: Int32Array

  /** `makeBound`: called when a bound is first asked for. */
  constructor(
    readonly problem: SearchProblem,
    private readonly makeBound = () => LowerBound.bestFor(problem),
  ) {
    this.space = new StateSpace(problem)
    this.store = new StateStore(this.space.words, this.space.places)
    this.firstWords = new Int32Array(this.space.words)
    problem.operations.forEach((operation, i) => operation.first && (this.firstWords[i >> 5]! |= 1 << (i & 31)))
  }

  /**
   * The number of the state in which these are done at a place with a tool. Does what is free there and takes back what
   * could wait, in place.
   */
  at(words: Int32Array, tool: number, place: number): number {
    this.space.close(words, 0, tool, place)
    this.space.standardise(words, 0)
    return this.store.intern(words, 0, tool, place)
  }

  /** The least set-up from a state on; FAR or more when it can't be finished. */
  restOf(id: number): number {
    const known = this.rest.get(id)
    if (known >= 0) return known
    const at = id * this.store.stride
    const place = this.store.placeOf(id)
    return this.rest.set(
      id,
      this.isFinished(id)
        ? this.space.endMs(this.store.data, at, place)
        : this.bound().value(this.store.data, at, this.store.toolOf(id), place),
    )
  }

  /** Every state a move leads to, with its cost from here. */
  expand(id: number, visit: (id: number, ms: number, move: Move) => void): void {
    const { space, store } = this
    space.expand(store.data, id * store.stride, store.toolOf(id), store.placeOf(id))
    for (let i = 0; i < space.childCount; i++) {
      const move = { tool: space.childTool[i]!, place: space.childPlace[i]!, first: space.childFirst[i]! }
      visit(store.intern(space.childWords, i * space.words, move.tool, move.place), space.childCost[i]!, move)
    }
  }

  /** The sum of `ms` over what is done in a state. */
  sumOfDone(id: number, ms: Float64Array): number {
    return sumOfDone(this.store.data, id * this.store.stride, this.space.words, ms)
  }

  isFinished(id: number): boolean {
    return this.space.isFinished(this.store.data, id * this.store.stride)
  }

  /** Whether something of the first part is still to be done. */
  isInFirstPart(id: number): boolean {
    const at = id * this.store.stride
    for (let word = 0; word < this.space.words; word++)
      if ((this.firstWords[word]! & ~this.store.data[at + word]!) !== 0) return true
    return false
  }

  /** How many operations are done. */
  depth(id: number): number {
    let count = 0
    for (let word = 0; word < this.space.words; word++)
      for (let left = this.store.data[id * this.store.stride + word]!; left !== 0; left &= left - 1) count += 1
    return count
  }

  /** Made when it is first asked for: the first order does not wait for it. */
  private bound(): LowerBound {
    return (this.lazyBound ??= this.makeBound())
  }
}

/** The sum of `ms` over what is done. */
export function sumOfDone(state: Int32Array, offset: number, words: number, ms: Float64Array): number {
  let sum = 0
  for (let word = 0; word < words; word++)
    for (let left = state[offset + word]!; left !== 0; left &= left - 1)
      sum += ms[word * 32 + 31 - clz32(left & -left)]!
  return sum
}
