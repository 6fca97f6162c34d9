import { cheapestOrder, type SearchLimits } from './search/cheapestOrder'
import type { SearchStep } from './search/moves'
import type { SearchProblem } from './search/problem'
import type { JobWaits } from './waits'

/** What is known of the orders of a job that waits after battery off. Seconds are with the waiting and the weights of the habit. */
type Known = {
  /** No order takes less. */
  atLeastS: number
  /** Only what takes less is of use. */
  belowS: number
  /** Set-up that lies before the battery is off or after the wait, at least. */
  outsideS: number
  /** The order that is cheapest without the clock. */
  steps: readonly SearchStep[]
}

/** Operations that are done while it has to be waited, and operations that are not. */
type Case = { inside: ReadonlySet<number>; outside: ReadonlySet<number>; atLeastS: number; steps: readonly SearchStep[] }

/** Each case is a search; in all they may go through so many times the states of one. */
const MOST_TIMES = 5
const STATES_A_CASE = 50

/**
 * Branch and bound over what is done between battery off and the first plug that waits for it. An order better than the best
 * known waits little, so enough must be done meanwhile: what is too long to be missing has to be, and the search is asked
 * again with that (battery off, and before the plug). Where that is not enough, the longest operation that the order has
 * elsewhere is in one case meanwhile and in the other not. `look` is given every order found and answers what is to be beaten.
 *
 * Only for jobs whose waits are all plugs that wait for the battery. Answers the least that any order takes, as far as it was proved.
 */
export function fillTheWait(job: JobWaits, known: Known, limits: SearchLimits, look: (steps: readonly SearchStep[]) => number): { atLeastS: number; expanded: number } {
  const { problem, wholes } = job.sequenced
  const atOff = job.waits.filter((wait) => wait.isPlug)
  const waitS = Math.min(...atOff.map((wait) => wait.waitS))
  const plugs = atOff.map((wait) => wait.after)
  const candidates = couldBeMeanwhile(job, plugs)
  const allWorkS = job.workS.reduce((sum, workS) => sum + workS, 0)
  let { belowS } = known
  let expanded = 0
  /** The least bound of the cases that could not be settled. */
  let unsettledS = Infinity
  const open: Case[] = [{ inside: new Set(), outside: new Set(), atLeastS: known.atLeastS, steps: known.steps }]
  for (let looked = 0; open.length > 0; ) {
    open.sort((a, b) => b.atLeastS - a.atLeastS)
    const now = open.pop()!
    if (now.atLeastS >= belowS) break
    const setUpMostS = Math.max(0, belowS - allWorkS - known.outsideS)
    const leftOverS = sum(job, candidates, (i) => !now.outside.has(i)) + setUpMostS - (waitS - (belowS - now.atLeastS))
    if (leftOverS < 0) continue
    const forced = candidates.filter((i) => !now.outside.has(i) && !now.inside.has(i) && job.workS[i]! > leftOverS)
    const done = windowOf(job, now.steps, plugs)
    const inside = new Set([...now.inside, ...forced])
    let next: Case = { ...now, inside }
    if ([...inside].some((i) => !done.has(i))) {
      if (looked++ >= limits.expandedStates / STATES_A_CASE || expanded >= MOST_TIMES * limits.expandedStates) {
        unsettledS = Math.min(unsettledS, now.atLeastS)
        break
      }
      const answer = cheapestOrder(within(job, problem, inside, plugs), wholes, limits, Math.round((belowS - allWorkS) * 1000))
      expanded += answer.expanded
      if (answer.kind === 'impossible') continue
      const atLeastS = Math.max(now.atLeastS, allWorkS + answer.boundMs / 1000)
      if (answer.kind !== 'order') {
        unsettledS = Math.min(unsettledS, atLeastS)
        continue
      }
      belowS = Math.min(belowS, look(answer.steps))
      next = { inside, outside: now.outside, atLeastS, steps: answer.steps }
      if (atLeastS >= belowS) continue
    }
    const elsewhere = windowOf(job, next.steps, plugs)
    const split = candidates.filter((i) => !next.inside.has(i) && !next.outside.has(i) && !elsewhere.has(i)).sort((a, b) => job.workS[b]! - job.workS[a]! || a - b)[0]
    // All of it is done meanwhile and it is waited all the same: no more can be said here.
    if (split === undefined) unsettledS = Math.min(unsettledS, next.atLeastS)
    else open.push({ ...next, inside: new Set([...next.inside, split]) }, { ...next, outside: new Set([...next.outside, split]) })
  }
  return { atLeastS: Math.min(belowS, unsettledS), expanded }
}

function sum({ workS }: JobWaits, list: readonly number[], counts: (i: number) => boolean): number {
  return list.reduce((total, i) => total + (counts(i) ? workS[i]! : 0), 0)
}

/** What may be done between battery off and the first of the plugs: what need not follow one of them, by itself or in one go, and goes without power. */
function couldBeMeanwhile({ sequenced, batteryId, descendants }: JobWaits, plugs: readonly number[]): number[] {
  const off = sequenced.combinations.map((settings) => settings.get(batteryId!) === 'off')
  const inOneGoAfter = new Set(sequenced.wholes.flatMap((whole) => plugs.flatMap((plug) => (whole.includes(plug) ? whole.slice(whole.indexOf(plug) + 1) : []))))
  return [...sequenced.operations.keys()].filter((i) => !plugs.includes(i) && !inOneGoAfter.has(i) && !plugs.some((plug) => descendants[plug]!.has(i)) && sequenced.problem.operations[i]!.allowed.some((may, c) => may && off[c]!))
}

/** What an order does between the last battery off before the first of the plugs and that plug. */
function windowOf({ sequenced, batteryId }: JobWaits, steps: readonly SearchStep[], plugs: readonly number[]): Set<number> {
  let inside = new Set<number>()
  for (const step of steps) {
    if (step.kind === 'operation') {
      if (plugs.includes(step.operation)) return inside
      inside.add(step.operation)
      continue
    }
    const { settingId, to } = sequenced.acts[step.act]!
    if (settingId === batteryId && to === 'off') inside = new Set()
  }
  return inside
}

/** The problem with some operations meanwhile: without power, and before every plug that waits. */
function within({ sequenced, batteryId }: JobWaits, problem: SearchProblem, inside: ReadonlySet<number>, plugs: readonly number[]): SearchProblem {
  const off = sequenced.combinations.map((settings) => settings.get(batteryId!) === 'off')
  return {
    ...problem,
    operations: problem.operations.map((operation, i) => (inside.has(i) ? { ...operation, allowed: operation.allowed.map((may, c) => may && off[c]!) } : operation)),
    pairs: [...problem.pairs, ...[...inside].flatMap((i) => plugs.map((plug): [number, number] => [i, plug]))],
  }
}
