import type { Id } from '../base/id'
import type { Because, Demand, Operation } from './operation'

/** `ifThere`: nothing is asked for on a build without the part, or by a record that does not have it any more. */
export type Goal =
  { kind: 'cavity'; cavityId: Id } | { kind: 'part'; partId: Id; level: 'eased' | 'free' | 'off'; ifThere?: true }

/** The goal as text, for addresses and keys. */
export function goalKey(goal: Goal): string {
  return goal.kind === 'cavity' ? `cavity:${goal.cavityId}` : `part:${goal.partId}=${goal.level}`
}

/** What was chosen where the facts leave a choice. Keys of `methods`: "settingId=value". */
export type Choices = {
  openings: Record<Id, Id>
  methods: Record<string, Id>
  resting: 'rest' | 'set aside'
  /** Methods the crew insists on: no other is used for that value, even where it would be possible. */
  insisted?: Record<string, Id>
}

/**
 * What the rules of safety ask of the settings while an operation is done. The rules live in core/vehicle; here they
 * are asked.
 */
export type AskedByRules = (operation: Pick<Operation, 'act' | 'itemId'>) => readonly Demand[]

const NOTHING: readonly Demand[] = []
export const NOTHING_ASKED: AskedByRules = () => NOTHING

/** Why an operation is there: asked for by another operation, or by a goal or a work item. */
export type BroughtIn = { by: string; because: Because } | { by: null; goal: Goal }
