import type { CautionAt } from '../../vehicle/cautionsFor'
import { judgePlace } from '../../shop/placingRules'
import type { WorkItem } from '../../shop/workItem'
import type { Rule } from '../../vehicle/rule'
import type { Happening } from '../event'
import type { FunctionLacking } from '../../shop/functionsLacking'
import type { JobState } from '../jobState'
import { happeningsFor, toBeCounted, toolsTakenUp, type NextTap } from '../progress'
import { stepHappenings, stepsInHand, type WorkOfJob } from '../workSteps'

/** What stands in the way of a tap, as the page found it: a rule, cautions nobody has read yet, what the work owes. */
export type BeforeDone = {
  refusal: Rule | null
  unread: readonly CautionAt[]
  /** Changes made for good that the work brings and nobody has noted. */
  changes: number
  /** The unit the test's reading is asked in; empty where none is. */
  readingUnit: string
  /** Functions that lose for good what they need, if this is done as it stands. */
  buried: readonly FunctionLacking[]
  /** Of what the plan was derived: its work has taps of its own. */
  job: WorkOfJob
}

/** What a tap on "done as written" comes to: nothing, what is kept, or what has to be asked first. */
export type DoneAnswer =
  | { kind: 'nothing' }
  | { kind: 'read'; happenings: Happening[] }
  | { kind: 'ask'; what: 'work' | 'reading' | 'count' | 'step' | 'place' | 'buried' }
  | { kind: 'keep'; happenings: Happening[] }

/**
 * Decides a tap on "done as written". A refused act and one that only a choice can settle do nothing; cautions are read
 * before anything is done; what is owed (consent to a cut, a reading, a count nobody knows) is asked before it is kept.
 */
export function tappedDone(state: JobState, tap: NextTap, before: BeforeDone): DoneAnswer {
  const { job } = before
  if (before.refusal || tap.step.operation.act === 'decide') return { kind: 'nothing' }
  const { unread } = before
  if (unread.length > 0)
    return { kind: 'read', happenings: unread.map(({ id }) => ({ kind: 'caution read', cautionId: id })) }
  const work = tap.step.operation.act === 'work' ? job.works.get(tap.step.operation.itemId) : undefined
  const hand = work && stepsInHand(state, work)
  const asked = work && placeIsOpen(state, work) ? 'place' : askedFirst(state, tap, before, hand ?? null)
  if (asked) return { kind: 'ask', what: asked }
  if (hand && !hand.last) return { kind: 'keep', happenings: hand.steps.flatMap((step) => stepHappenings(work!, step)) }
  return { kind: 'keep', happenings: tap.steps.flatMap((step) => happeningsFor(state, step.operation, job)) }
}

/** Whether a place of this work has still to be judged, or was found wanting: another one is looked for. */
export function placeIsOpen({ places }: Pick<JobState, 'places'>, { id, placing }: WorkItem): boolean {
  if (!placing) return false
  const { kind } = judgePlace(placing.of, places.get(id)?.answers ?? {})
  return kind === 'not asked' || kind === 'another place'
}

/** What has to be asked before a tap is kept; null where nothing has. */
function askedFirst(
  state: JobState,
  tap: NextTap,
  { changes, readingUnit, buried }: BeforeDone,
  hand: ReturnType<typeof stepsInHand>,
): Extract<DoneAnswer, { kind: 'ask' }>['what'] | null {
  if (buried.length > 0) return 'buried'
  if (hand?.own === 'set' || hand?.own === 'read') return 'step'
  // What is changed for good is said with the last tap of its work, which keeps that tap as well.
  if (changes > 0 && (!hand || hand.last)) return 'work'
  if (readingUnit !== '') return 'reading'
  const operations = tap.steps.map((step) => step.operation)
  return toBeCounted(state, operations).length > 0 ? 'count' : null
}

/** What is kept with whatever a tap comes to: the tools it takes up are out until they are counted back. */
export function withTools(state: JobState, tap: NextTap, happenings: readonly Happening[]): Happening[] {
  return [...toolsTakenUp(state, tap.steps), ...happenings]
}
