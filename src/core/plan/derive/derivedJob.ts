import type { Id } from '../../base/id'
import type { Demand, Edge, Operation } from '../../order/operation'
import type { RefitError } from '../../order/refit'
import type { Removal, RemovalError } from '../../order/removal'
import type { Ending } from '../../procedure/end'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { AddedFunction } from '../../shop/addedFunction'
import type { KitSetting } from '../../shop/kitThings'
import type { WorkItem } from '../../shop/workItem'
import type { Circumstances } from '../../vehicle/circumstances'
import type { CarriedOver, JobGoal, Replaced } from '../ask/jobGoal'

/** Acts of prepared work in their order, and what has to set after it before other work. */
export type Prepared = { operations: Operation[]; edges: Edge[] }

/** A function tested while its plugs can still be reached, and the plugs closed only for that and opened again. */
export type InterimTest = { functionId: Id; key: string; plugged: Id[] }

/** A facet nobody knows yet, told on the way, and the operations that hang on it with the choices they exist for. */
export type Decision = { facetId: Id; key: string; conditional: Map<string, Id[]> }

/** What follows the way in: work, tests and the way out as one order. */
export type AfterOpening = {
  operations: Map<string, Operation>
  edges: Edge[]
  demands: Map<string, Demand[]>
  outKeyOf: Map<string, string>
}

/**
 * One derivation of a whole job: what comes off, what is done there, what is tested before it is hidden, what goes
 * back.
 */
export type DerivedJob = {
  model: ProcedureForBuild
  goal: JobGoal
  circumstances: Circumstances
  endings: Map<Id, Ending>
  removal: Removal
  refit: AfterOpening
  /** Pieces of work of the kits, with the counts of their steps filled in, and their modules to be set. */
  works: Map<Id, WorkItem>
  modules: Map<Id, KitSetting>
  /** Work at the bench that is done before the first screw: no act of the order, and first of all cards. */
  prepared: Prepared
  added: Map<Id, AddedFunction>
  /** Parts of the vehicle that come back on a part of a kit. */
  carried: ReadonlyMap<Id, CarriedOver>
  /** Parts of the vehicle in whose place a part of a kit is fitted. */
  replaced: ReadonlyMap<Id, Replaced>
  /** Tests not made before trim hides what they try, by choice: what lies over it then. */
  notTriedBefore: { functionId: Id; hiders: Id[] }[]
  tests: InterimTest[]
  decisions: Decision[]
  /**
   * Per part that may not rest and goes back: the acts of the way out that are done in one go, in an order that holds.
   */
  backInOneGo: Map<Id, string[]>
}

/** A derivation before work, tests and decisions are added. */
export function bareJob(
  of: Pick<DerivedJob, 'model' | 'goal' | 'circumstances' | 'endings' | 'removal' | 'refit'>,
): DerivedJob {
  return {
    ...of,
    works: new Map(),
    modules: new Map(),
    prepared: { operations: [], edges: [] },
    added: new Map(),
    carried: new Map(),
    replaced: new Map(),
    notTriedBefore: [],
    tests: [],
    decisions: [],
    backInOneGo: new Map(),
  }
}

export type DeriveError = RemovalError | RefitError | { kind: 'bypass'; workId: Id } | { kind: 'no access'; workId: Id }
