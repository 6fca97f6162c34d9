import type { CautionAt } from '../../vehicle/cautionsFor'
import type { Rule } from '../../vehicle/rule'
import type { Happening } from '../event'
import type { JobState } from '../jobState'
import { happeningsFor, toBeCounted, toolsTakenUp, type NextTap } from '../progress'

/** What stands in the way of a tap, as the page found it: a rule, cautions nobody has read yet, what the work owes. */
export type BeforeDone = {
  refusal: Rule | null
  unread: readonly CautionAt[]
  /** Changes made for good that the work brings and nobody has noted. */
  changes: number
  /** The unit the test's reading is asked in; empty where none is. */
  readingUnit: string
}

/** What a tap on "done as written" comes to: nothing, what is kept, or what has to be asked first. */
export type DoneAnswer =
  | { kind: 'nothing' }
  | { kind: 'read'; happenings: Happening[] }
  | { kind: 'ask'; what: 'work' | 'reading' | 'count' }
  | { kind: 'keep'; happenings: Happening[] }

/**
 * Decides a tap on "done as written". A refused act and one that only a choice can settle do nothing; cautions are read
 * before anything is done; what is owed (consent to a cut, a reading, a count nobody knows) is asked before it is kept.
 */
export function tappedDone(state: JobState, tap: NextTap, before: BeforeDone): DoneAnswer {
  if (before.refusal || tap.step.operation.act === 'decide') return { kind: 'nothing' }
  const { unread } = before
  if (unread.length > 0)
    return { kind: 'read', happenings: unread.map(({ id }) => ({ kind: 'caution read', cautionId: id })) }
  const operations = tap.steps.map((step) => step.operation)
  if (before.changes > 0) return { kind: 'ask', what: 'work' }
  if (before.readingUnit !== '') return { kind: 'ask', what: 'reading' }
  if (toBeCounted(state, operations).length > 0) return { kind: 'ask', what: 'count' }
  return { kind: 'keep', happenings: operations.flatMap((operation) => happeningsFor(state, operation)) }
}

/** What is kept with whatever a tap comes to: the tools it takes up are out until they are counted back. */
export function withTools(state: JobState, tap: NextTap, happenings: readonly Happening[]): Happening[] {
  return [...toolsTakenUp(state, tap.steps), ...happenings]
}
