import { cheapestOrder, type SearchLimits } from './search/cheapestOrder'
import type { SearchStep } from './search/moves'
import { partOf } from './search/partOf'
import { FAR } from './search/placeTables'
import type { Guard, SearchProblem } from './search/problem'
import { batteryOffSoon, inBetween } from './waitReadings'
import type { JobWaits, Wait } from './waits'

/** What is known of a wait: the least of all orders, how much of that is set-up before and after it, and the order that takes no more if the rest fits in. */
type Around = { atLeastS: number; outsideS: number; order: () => SearchStep[] | null }

/** Per combination of settings: what it takes until the wait has begun, and the acts and the place of that. */
type Begun = { ms: number; acts: readonly number[]; at: SearchProblem['start'] }

/**
 * No order of one person takes less than what must come before a wait, the wait, and what must come after it, both sides at
 * their cheapest: what is done meanwhile counts nothing. Of several plugs that wait for the battery, the one that is opened
 * first counts; of several waits the longest. `order` takes exactly that, if all the rest can be done meanwhile.
 *
 * `outsideS`: set-up before and after the wait for the battery that no order is without, whichever plug is opened first. `enoughS`: orders no longer than that are known anyway, so a wait that is far from it is not looked at closely.
 * Cost: some searches of the part that comes after.
 */
export function shortestAroundWaits(job: JobWaits, limits: SearchLimits, enoughS: number): Around {
  const atOff = job.waits.filter((wait) => wait.isPlug)
  const firsts = atOff.filter(({ after }) => !atOff.some((other) => job.ancestors[after]!.has(other.after)))
  const ofPlugs = firsts.map((wait) => new AroundWait(job, wait, atOff.map(({ after }) => after), limits).look(enoughS)).sort((a, b) => a.atLeastS - b.atLeastS)
  const each = [...ofPlugs.slice(0, 1), ...job.waits.filter((wait) => !wait.isPlug).map((wait) => new AroundWait(job, wait, [wait.after], limits).look(enoughS))]
  const longest = each.reduce<Around>((a, b) => (b.atLeastS > a.atLeastS ? b : a), { atLeastS: 0, outsideS: 0, order: () => null })
  return { ...longest, outsideS: ofPlugs.length === 0 ? 0 : Math.min(...ofPlugs.map(({ outsideS }) => outsideS)) }
}

/** A glance at a wait that can hardly matter. */
const GLANCE_STATES = 50

class AroundWait {
  private readonly later: Set<number>
  /** The operation that waits, with those done in one go with it. */
  private readonly inOneGo: readonly number[]
  private readonly begun: (Begun | null)[]

  constructor(
    private readonly job: JobWaits,
    private readonly wait: Wait,
    late: readonly number[],
    private readonly limits: SearchLimits,
  ) {
    const { wholes } = job.sequenced
    this.inOneGo = wholes.find((whole) => whole.includes(wait.after)) ?? [wait.after]
    const withIt = this.inOneGo.slice(this.inOneGo.indexOf(wait.after) + 1)
    this.later = new Set([...late, ...withIt].flatMap((operation) => [operation, ...job.descendants[operation]!]))
    this.later.delete(wait.after)
    this.begun = this.waitBegun()
  }

  look(enoughS: number): Around {
    const { wait, later } = this
    const beforeS = typeof wait.before === 'number' ? this.uptoS(wait.before) : 0
    const fixedS = beforeS + wait.waitS + this.sumS([...later, wait.after])
    const { atLeastMs, from } = this.cheapestAfter((enoughS - fixedS) * 1000)
    return { atLeastS: fixedS + atLeastMs / 1000, outsideS: atLeastMs / 1000, order: () => this.withTheRestBetween(from) }
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
    const begins = this.begun
      .flatMap((begun, combination) => (begun && this.inOneGo.every((i) => problem.operations[i]!.allowed[combination]) ? tools.map((tool) => ({ tool, station, combination })) : []))
      .map((from) => {
        const part = partOf(problem, wholes, later, done, from, problem.finish)
        const beforeMs = this.begun[from.combination]!.ms
        // Asked for something below nothing, the search answers its bound at once.
        const bound = cheapestOrder(part.problem, part.wholes, limits, 0)
        return { from, part, beforeMs, leastMs: bound.kind === 'not below' ? beforeMs + bound.boundMs : FAR }
      })
      .sort((a, b) => a.leastMs - b.leastMs)
    let best: { ms: number; from: SearchProblem['start'] } | null = null
    let atLeastMs = Infinity
    for (const { from, part, beforeMs, leastMs } of begins) {
      if (leastMs >= FAR || leastMs >= (best?.ms ?? FAR)) {
        atLeastMs = Math.min(atLeastMs, leastMs)
        break
      }
      const below: number = best ? best.ms - beforeMs : Infinity
      const answer = cheapestOrder(part.problem, part.wholes, leastMs < enoughMs ? { ...limits, expandedStates: GLANCE_STATES } : limits, below)
      if (answer.kind === 'impossible') continue
      atLeastMs = Math.min(atLeastMs, beforeMs + answer.boundMs)
      if (answer.kind === 'order' && answer.setUpMs < below) best = { ms: beforeMs + answer.setUpMs, from }
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
    const first = this.first(before, this.begun[from.combination]!, finish)
    const last = this.solved(after)
    return first && last && [...first, ...inOneGo.map((operation): SearchStep => ({ kind: 'operation', operation })), ...last]
  }

  /** Everything that does not wait: where the battery is what is waited for, right after it went off and without it, if that can be. */
  private first(kept: ReadonlySet<number>, { acts, at }: Begun, finish: readonly boolean[]): SearchStep[] | null {
    const { job } = this
    const { problem, wholes, acts: moves } = job.sequenced
    if (this.wait.before !== 'battery off') return this.solved(partOf(inBetween(job, problem, true), wholes, kept, new Set(), problem.start, finish))
    const never = { operations: [], initially: false, wants: true }
    const without = { ...problem, acts: problem.acts.map((act, i) => (moves[i]!.settingId === job.batteryId ? { ...act, guards: [never] } : act)) }
    const meanwhile = this.solved(partOf(without, wholes, kept, new Set(), at, finish))
    return meanwhile ? [...acts.map((act): SearchStep => ({ kind: 'act', act })), ...meanwhile] : this.solved(partOf(batteryOffSoon(job), wholes, kept, new Set(), problem.start, finish))
  }

  private solved(part: ReturnType<typeof partOf>): SearchStep[] | null {
    const answer = cheapestOrder(part.problem, part.wholes, this.limits)
    return answer.kind === 'order' ? answer.steps.map((step) => (step.kind === 'act' ? step : { kind: 'operation', operation: part.numbers[step.operation]! })) : null
  }

  /**
   * Per combination, the least until the wait has begun on the way to it; null where it can't be reached. After battery off
   * everything else is set while it has to be waited anyway. Guards are left out where anything turns them, since that may be done by then.
   */
  private waitBegun(): (Begun | null)[] {
    const { sequenced, batteryId } = this.job
    const { problem, combinations, acts } = sequenced
    if (this.wait.before !== 'battery off') return combinations.map(() => ({ ms: 0, acts: [], at: problem.start }))
    const { walkMs, start } = problem
    const ways = new Map<string, Begun>([[`${start.station}.${start.combination}`, { ms: 0, acts: [], at: start }]])
    const begun = combinations.map((): Begun | null => null)
    // Few places and acts: gone over until nothing gets cheaper (shortest ways by relaxation, Bellman 1958).
    for (let changed = true; changed; ) {
      changed = false
      for (const [act, { from, to, station, costMs, guards }] of problem.acts.entries())
        for (const way of [...ways.values()]) {
          if (way.at.combination !== from || guards.some(neverHolds)) continue
          const ms = way.ms + walkMs[way.at.station]![station]! + costMs
          const name = `${station}.${to}`
          if (ms >= (ways.get(name)?.ms ?? Infinity)) continue
          ways.set(name, { ms, acts: [...way.acts, act], at: { tool: start.tool, station, combination: to } })
          changed = true
        }
    }
    for (const way of ways.values()) {
      const last = way.acts.at(-1)
      if (last !== undefined && acts[last]!.settingId === batteryId && acts[last]!.to === 'off' && way.ms < (begun[way.at.combination]?.ms ?? Infinity)) begun[way.at.combination] = way
    }
    for (let changed = true; changed; ) {
      changed = false
      for (const [act, { from, to, guards }] of problem.acts.entries()) {
        const way = begun[from]
        if (!way || guards.some(neverHolds) || acts[act]!.settingId === batteryId || way.ms >= (begun[to]?.ms ?? Infinity)) continue
        begun[to] = way
        changed = true
      }
    }
    return begun
  }
}

/** A cover that this choice never takes off: the method beneath it is out of reach. */
function neverHolds({ operations, initially, wants }: Guard): boolean {
  return operations.length === 0 && initially !== wants
}
