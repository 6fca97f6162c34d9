import type { Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import { shortestLoop } from './loop'
import type { Demand, Edge, Operation } from './operation'
import { RemovalDraft } from './removalDraft'
import { NOTHING_ASKED, type AskedByRules, type BroughtIn, type Choices, type Goal } from './wish'

/** A value some operation needs, the method chosen to get there, and the key reasons refer to ("set:lever=out by m2"). */
export type SettingWish = { key: string; settingId: Id; value: string; methodId: Id }

export type Removal = {
  model: ProcedureForBuild
  goals: readonly Goal[]
  choices: Choices
  /** The acts of the way in. Setting acts are not among them: they are moves of a state, made when an operation demands a value. */
  operations: Map<string, Operation>
  edges: Edge[]
  demands: Map<string, Demand[]>
  settings: Map<string, SettingWish>
  /** The level each part that moves is brought to. */
  levels: Map<Id, Level>
  /** Also for the keys of setting wishes. */
  broughtIn: Map<string, BroughtIn>
  /** Observed orders that contradict the facts or each other: not obeyed, to be asked about. */
  droppedNeeds: Id[]
}

export type RemovalError =
  | { kind: 'unknown-goal'; goal: Goal }
  | { kind: 'contradiction'; loop: Edge[] }
  | { kind: 'high-voltage'; tetherId: Id }
  | { kind: 'no-battery-setting'; tetherId: Id }
  | { kind: 'no-method'; settingId: Id; value: string }

/**
 * Everything that has to come off, and no more, to reach every goal under these choices, with the reason for each
 * operation, for each "before", and for each setting an operation demands.
 *
 * `asked`: the settings the rules of safety demand. Errors: returned; a contradiction carries the shortest loop of facts.
 * Cost: O(operations + edges) without a loop.
 */
export function deriveRemoval(model: ProcedureForBuild, goals: readonly Goal[], choices: Choices, asked: AskedByRules = NOTHING_ASKED): Result<Removal, RemovalError> {
  const { removal, errors } = deriveAsFarAsPossible(model, goals, choices, asked)
  if (errors[0]) return fail(errors[0].error)
  const loop = shortestLoop([...removal.operations.keys()], removal.edges)
  if (loop) return fail({ kind: 'contradiction', loop })
  return ok(removal)
}

/** The same without a verdict: what could be derived, loops and all, and what stands in the way of which operation. For the record's check. */
export function deriveAsFarAsPossible(model: ProcedureForBuild, goals: readonly Goal[], choices: Choices, asked: AskedByRules = NOTHING_ASKED): { removal: Removal; errors: RemovalDraft['errors'] } {
  const draft = new RemovalDraft(model, goals, choices, asked)
  draft.reachGoals()
  return { removal: draft.finish(), errors: draft.errors }
}
