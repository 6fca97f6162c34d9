import { fail, ok, type Result } from '../base/result'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { shortestLoop } from './loop'
import { RemovalDraft } from './removalDraft'
import type { Removal, RemovalError } from './removal'
import { NOTHING_ASKED, type AskedByRules, type Choices, type Goal } from './wish'

/**
 * Everything that has to come off, and no more, to reach every goal under these choices, with the reason for each
 * operation, for each "before", and for each setting an operation demands.
 *
 * `asked`: the settings the rules of safety demand. Errors: returned; a contradiction carries the shortest loop of
 * facts. Cost: O(operations + edges) without a loop.
 */
export function deriveRemoval(
  model: ProcedureForBuild,
  goals: readonly Goal[],
  choices: Choices,
  asked: AskedByRules = NOTHING_ASKED,
): Result<Removal, RemovalError> {
  const { removal, errors, sound } = deriveAsFarAsPossible(model, goals, choices, asked)
  if (errors[0]) return fail(errors[0].error)
  const loop = sound ? null : shortestLoop([...removal.operations.keys()], removal.edges)
  if (loop) return fail({ kind: 'contradiction', loop })
  return ok(removal)
}

/**
 * The same without a verdict: what could be derived, loops and all, and what stands in the way of which operation.
 * `sound`: no loop. For the record's check.
 */
export function deriveAsFarAsPossible(
  model: ProcedureForBuild,
  goals: readonly Goal[],
  choices: Choices,
  asked: AskedByRules = NOTHING_ASKED,
): { removal: Removal; errors: RemovalDraft['errors']; sound: boolean } {
  const draft = new RemovalDraft(model, goals, choices, asked)
  draft.reachGoals()
  const removal = draft.finish()
  return { removal, errors: draft.errors, sound: draft.sound }
}
