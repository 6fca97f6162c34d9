import type { Clock } from './clock'
import { MeanwhileSpace } from './meanwhileSpace'
import { Memo } from './memo'
import type { SearchAct } from './problem'
import type { Reduced } from './reduce'
import { factsOf, isByChoice, type Facts } from './rules'
import { StateSpace } from './stateSpace'

/** One of the clocks in turn: the spaces of states before it is started for the last time and while it then runs. */
export class ClockStage {
  readonly before: StateSpace
  readonly meanwhile: MeanwhileSpace
  /** Acts that start the clock, by number. */
  readonly startingActs: [number, SearchAct][]
  /** The operation that starts it, or -1. */
  readonly startedBy: number
  /** Of what waits, the part that is done in one go before the wait has to be over. */
  readonly leadMs: readonly number[]
  /** Per state before it is started, how long what would be undecided takes. */
  readonly undecidedMs = new Memo()

  /** `number`: which of the clocks in turn it is. */
  constructor(
    reduced: Reduced,
    readonly clock: Clock,
    number: number,
    workMs: readonly number[],
  ) {
    const { problem, members, phases } = reduced
    const { running, waiting, startedBy } = clock
    this.startingActs = [...problem.acts.entries()].filter(([, { from, to }]) => !running[from] && running[to])
    this.startedBy = startedBy === null ? -1 : members.findIndex((group) => group.includes(startedBy))
    this.meanwhile = new MeanwhileSpace(reduced, clock, number)
    const facts = factsOf(problem).map((fact, i): Facts => ({ ...fact, phases: phases[i]! }))
    const follows = facts.map((): Facts[] => [])
    for (const [first, then] of problem.pairs) follows[then]!.push(facts[first]!)
    this.before = new StateSpace(
      problem,
      facts.map(
        (fact, i) => phases[i]![number]!.waits || phases[i]![number]!.starts || isByChoice(fact, number, follows[i]!),
      ),
    )
    this.leadMs = members.map((group) =>
      group
        .slice(
          0,
          Math.max(
            0,
            group.findIndex((i) => waiting.has(i)),
          ),
        )
        .reduce((sum, i) => sum + workMs[i]!, 0),
    )
  }
}
