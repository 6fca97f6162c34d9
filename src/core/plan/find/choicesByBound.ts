import type { Choices } from '../../order/wish'
import type { Result } from '../../base/result'
import { branches, cavitiesLeft, whatIsAsked } from '../ask/planChoices'
import { leastWorkS, type Asking } from '../derive/openedSoFar'
import type { Candidate, PlanError } from './candidate'

/** Up to so many ways the cheapest-looking comes first; of more, one way to the end, and then the cheapest-looking. */
const FEW = 96

/** How much is looked at: choices, whole ones and not yet whole ones, and of the whole ones those that are ordered. */
export type ChoiceLimits = { choices: number; ordered: number }

/** A choice, whole or not. `leastS`: no whole one below it has less work. `candidate`: it is whole. */
type Node = { leastS: number; depth: number; choice: Choices; candidate: Candidate | null }

/**
 * The ways to choose openings and extra parts, the least work first, found as a search and not as a list: ten cavities
 * with six openings each are sixty million ways, of which only those are made whose bound is below the best order
 * known. Ways that ask for the same are one.
 */
export class ChoicesByBound {
  private readonly open: Node[] = []
  private readonly seen = new Set<string>()
  private lastMade: Node[] = []
  private made = 0
  private ordered = 0
  private straightDown: boolean
  /** False where there are ways that no bound speaks of. */
  all = true
  /** Whole choices that were made. */
  whole = 0
  /** Why the first choice that can't be done can't. */
  error: PlanError | null = null

  constructor(
    private readonly asking: Asking,
    nothing: Choices,
    private readonly prepare: (choice: Choices) => Result<Candidate, PlanError>,
    private readonly limits: ChoiceLimits,
  ) {
    const { model, goal } = asking
    const ways = cavitiesLeft(model, goal, nothing).reduce((product, { openings }) => product * openings.length, 1)
    this.straightDown = ways > FEW
    this.open.push({ leastS: 0, depth: 0, choice: nothing, candidate: null })
  }

  /** No choice that was not handed out takes less work than this. */
  get leastLeftS(): number {
    return this.open[0]?.leastS ?? Infinity
  }

  /** The next whole choice; null where none below `belowS` is left, or enough was looked at. */
  next(belowS: number): Candidate | null {
    while (this.open.length > 0 && this.leastLeftS < belowS && !this.isEnough()) {
      const node = this.take()
      if (node.candidate) {
        this.ordered += 1
        this.straightDown = false
        return node.candidate
      }
      const next = branches(this.asking.model, this.asking.goal, node.choice)
      if (next && !next.all) this.all = false
      this.lastMade = (next?.choices ?? []).flatMap((choice) => this.node(choice, node))
      if (next === null) this.lastMade = this.wholeNode(node)
      this.lastMade.forEach((made) => this.put(made))
    }
    return null
  }

  private isEnough(): boolean {
    return !this.straightDown && (this.made >= this.limits.choices || this.ordered >= this.limits.ordered)
  }

  /** The least; on the way straight down the least of those made last. */
  private take(): Node {
    const below = this.straightDown ? this.lastMade : []
    const least = below.reduce<Node | undefined>((a, b) => (a && a.leastS <= b.leastS ? a : b), undefined)
    const at = least ? this.open.indexOf(least) : 0
    return this.open.splice(at, 1)[0]!
  }

  private node(choice: Choices, { leastS, depth }: Node): Node[] {
    const { model, goal } = this.asking
    const asked = `${depth} ${whatIsAsked(model, goal, choice)}`
    if (this.seen.has(asked)) return []
    this.seen.add(asked)
    this.made += 1
    const ownS = leastWorkS(this.asking, choice) ?? 0
    return [{ leastS: Math.max(leastS, ownS), depth: depth + 1, choice, candidate: null }]
  }

  private wholeNode({ choice, depth, leastS }: Node): Node[] {
    this.whole += 1
    const prepared = this.prepare(choice)
    if (!prepared.ok) {
      this.error ??= prepared.error
      return []
    }
    // Work below its own bound would mean that the bound is none: then nothing is claimed.
    if (prepared.value.workS < leastS - 1e-6) this.all = false
    return [{ leastS: prepared.value.workS, depth, choice, candidate: prepared.value }]
  }

  /** In its place: the least first, of equal ones the deeper, then the one that was made first. */
  private put(node: Node): void {
    const comesBefore = (other: Node) =>
      other.leastS < node.leastS || (other.leastS === node.leastS && other.depth >= node.depth)
    let [low, high] = [0, this.open.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (comesBefore(this.open[middle]!)) low = middle + 1
      else high = middle
    }
    this.open.splice(low, 0, node)
  }
}
