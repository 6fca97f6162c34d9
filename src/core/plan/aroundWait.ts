import { cheapestOrder, type SearchLimits } from './search/cheapestOrder'
import type { SearchStep } from './search/moves'
import { partOf } from './search/partOf'
import { FAR } from './search/placeTables'
import type { SearchProblem } from './search/problem'
import { inBetween } from './waitReadings'
import type { JobWaits, Wait } from './waits'

/** What is known of a wait: the least of all orders, and the order that takes no more if the rest fits in. */
type Around = { atLeastS: number; order: () => SearchStep[] | null }

/**
 * Where something sets or cools: no order of one person takes less than what must come before the wait, the wait, and what must
 * come after it, both sides at their cheapest: what is done meanwhile counts nothing. Of several waits the longest. `order`
 * takes exactly that, if all the rest can be done meanwhile.
 *
 * `enoughS`: orders no longer than that are known anyway, so a wait that is far from it is not looked at closely.
 * Cost: some searches of the part that comes after.
 */
export function shortestAroundWaits(job: JobWaits, limits: SearchLimits, enoughS: number): Around {
  const each = job.waits.filter((wait) => !wait.isPlug).map((wait) => new AroundWait(job, wait, limits).look(enoughS))
  return each.reduce<Around>((a, b) => (b.atLeastS > a.atLeastS ? b : a), { atLeastS: 0, order: () => null })
}

/** A glance at a wait that can hardly matter. */
const GLANCE_STATES = 50

class AroundWait {
  private readonly later: Set<number>
  /** The operation that waits, with those done in one go with it. */
  private readonly inOneGo: readonly number[]

  constructor(
    private readonly job: JobWaits,
    private readonly wait: Wait,
    private readonly limits: SearchLimits,
  ) {
    const { wholes } = job.sequenced
    this.inOneGo = wholes.find((whole) => whole.includes(wait.after)) ?? [wait.after]
    const withIt = this.inOneGo.slice(this.inOneGo.indexOf(wait.after) + 1)
    this.later = new Set([wait.after, ...withIt].flatMap((operation) => [operation, ...job.descendants[operation]!]))
    this.later.delete(wait.after)
  }

  look(enoughS: number): Around {
    const { wait, later } = this
    const beforeS = typeof wait.before === 'number' ? this.uptoS(wait.before) : 0
    const fixedS = beforeS + wait.waitS + this.sumS([...later, wait.after])
    const { atLeastMs, from } = this.cheapestAfter((enoughS - fixedS) * 1000)
    return { atLeastS: fixedS + atLeastMs / 1000, order: () => this.withTheRestBetween(from) }
  }

  private sumS(operations: readonly number[]): number {
    return operations.reduce((total, i) => total + this.job.workS[i]!, 0)
  }

  /** An operation with all that must come before it, at their cheapest. */
  private uptoS(before: number): number {
    const { problem, wholes } = this.job.sequenced
    const kept = new Set([...this.job.ancestors[before]!, before])
    const answer = cheapestOrder(partOf(problem, wholes, kept, new Set(), problem.start, problem.finish.map(() => true)).problem, [], this.limits)
    return this.sumS([...kept]) + (answer.kind === 'impossible' ? 0 : answer.boundMs / 1000)
  }

  /** The least set-up of what follows the wait, begun where that is done with whatever is best in hand and set. */
  private cheapestAfter(enoughMs: number): { atLeastMs: number; from: SearchProblem['start'] | null } {
    const { later, limits } = this
    const { problem, wholes } = this.job.sequenced
    const first = this.wait.after
    const { station } = problem.operations[first]!
    const held = this.inOneGo.map((i) => problem.operations[i]!.tool).find((tool) => tool !== 0)
    const tools = held === undefined ? [...new Set([0, ...[...later].map((i) => problem.operations[i]!.tool)])] : [held]
    const done = new Set([...this.job.ancestors[first]!, first])
    const begins = Array.from({ length: problem.combinations }, (_, combination) => combination)
      .flatMap((combination) => (this.inOneGo.every((i) => problem.operations[i]!.allowed[combination]) ? tools.map((tool) => ({ tool, station, combination })) : []))
      .map((from) => {
        const part = partOf(problem, wholes, later, done, from, problem.finish)
        // Asked for something below nothing, the search answers its bound at once.
        const bound = cheapestOrder(part.problem, part.wholes, limits, 0)
        return { from, part, leastMs: bound.kind === 'not below' ? bound.boundMs : FAR }
      })
      .sort((a, b) => a.leastMs - b.leastMs)
    let best: { ms: number; from: SearchProblem['start'] } | null = null
    let atLeastMs = Infinity
    for (const { from, part, leastMs } of begins) {
      if (leastMs >= FAR || leastMs >= (best?.ms ?? FAR)) {
        atLeastMs = Math.min(atLeastMs, leastMs)
        break
      }
      const below: number = best?.ms ?? Infinity
      const answer = cheapestOrder(part.problem, part.wholes, leastMs < enoughMs ? { ...limits, expandedStates: GLANCE_STATES } : limits, below)
      if (answer.kind === 'impossible') continue
      atLeastMs = Math.min(atLeastMs, answer.boundMs)
      if (answer.kind === 'order' && answer.setUpMs < below) best = { ms: answer.setUpMs, from }
    }
    return { atLeastMs: atLeastMs >= FAR ? 0 : atLeastMs, from: best?.from ?? null }
  }

  /** What comes after the wait as it was found, and before it all the rest, ending where that begins; null where that can't be. */
  private withTheRestBetween(from: SearchProblem['start'] | null): SearchStep[] | null {
    if (from === null) return null
    const { inOneGo, later } = this
    const { problem, wholes, operations } = this.job.sequenced
    const all = [...operations.keys()].filter((i) => !inOneGo.includes(i))
    const before = new Set(all.filter((i) => !later.has(i)))
    const finish = problem.finish.map((_, combination) => combination === from.combination)
    const after = partOf(problem, wholes, new Set(all.filter((i) => later.has(i))), new Set([...before, ...inOneGo]), from, problem.finish)
    const first = this.solved(partOf(inBetween(this.job, problem, true), wholes, before, new Set(), problem.start, finish))
    const last = this.solved(after)
    return first && last && [...first, ...inOneGo.map((operation): SearchStep => ({ kind: 'operation', operation })), ...last]
  }

  private solved(part: ReturnType<typeof partOf>): SearchStep[] | null {
    const answer = cheapestOrder(part.problem, part.wholes, this.limits)
    return answer.kind === 'order' ? answer.steps.map((step) => (step.kind === 'act' ? step : { kind: 'operation', operation: part.numbers[step.operation]! })) : null
  }
}
