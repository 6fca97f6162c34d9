import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import type { Demand, Edge, Operation } from './operation'
import type { BroughtIn, Choices, Goal } from './wish'

/**
 * A value some operation needs, the method chosen to get there, and the key reasons refer to ("set:lever=out by m2").
 */
export type SettingWish = { key: string; settingId: Id; value: string; methodId: Id }

export type Removal = {
  model: ProcedureForBuild
  goals: readonly Goal[]
  choices: Choices
  /**
   * The acts of the way in. Setting acts are not among them: they are moves of a state, made when an operation demands
   * a value.
   */
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
