import type { Id } from '../../base/id'
import type { Edge } from '../../order/operation'
import type { RefitError } from '../../order/refit'
import type { RemovalError } from '../../order/removal'
import type { FactProblem } from '../../procedure/checkFacts'
import type { Build } from '../../procedure/when'
import type { NoSafeOrder } from '../derive/leg'

/** What is wrong, doubtful or missing in a record, with what shows it. `build`: the first build it was found on. */
export type Problem =
  | FactProblem
  | { kind: 'contradiction'; itemId: Id; build: Build; error: { kind: 'contradiction'; loop: Edge[] } }
  | { kind: 'goal out of reach'; itemId: Id; build: Build; error: RemovalError | RefitError }
  | { kind: 'no safe order'; itemId: Id; build: Build; error: NoSafeOrder }
  | { kind: 'covered for good'; itemId: Id; coverId: Id; build: Build }
  | { kind: 'orders in a circle'; itemId: Id; needIds: Id[] }
  | { kind: 'seen once'; itemId: Id; count: number; facts: Id[] }

const FORBID_PUBLISHING: readonly Problem['kind'][] = [
  'contradiction',
  'goal out of reach',
  'reference',
  'no safe order',
  'airbag not asked',
  'carried in a circle',
  'no circuit',
  'no function',
]

/**
 * Problems with which nobody could work from the record: it is not published with them. The others are shown and may
 * stay.
 */
export function forbidsPublishing(problem: Problem): boolean {
  return FORBID_PUBLISHING.includes(problem.kind)
}

/** What would hurt first: wrong orders and hidden dangers, then what misleads a hand, then what is only missing. */
const HURTS: readonly Problem['kind'][] = [
  'reference',
  'carried in a circle',
  'contradiction',
  'no safe order',
  'no circuit',
  'loose end',
  'goal out of reach',
  'covered for good',
  'no way to set',
  'may not rest',
  'other steering side',
  'no latch',
  'no tab side',
  'no function',
  'screws under a trap',
  'distance not measured',
  'not sealed',
  'drill not said',
  'width not said',
  'eased not said',
  'mix-up without difference',
  'mix-up one way',
  'lookalike without difference',
  'orders in a circle',
  'same name',
  'facet not told apart',
  'island',
  'nothing holds it',
  'marks differ',
  'thread lets go',
  'drive without size',
  'condition on every choice',
  'stated twice',
  'way stated twice',
  'seen once',
  'no cavity',
]

export function byHurt(problems: Problem[]): Problem[] {
  return [...problems].sort((a, b) => HURTS.indexOf(a.kind) - HURTS.indexOf(b.kind))
}
