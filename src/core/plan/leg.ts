import type { Demand, Edge, Operation } from '../order/operation'

/** What is ordered together: the way in, or work, tests and the way out. */
export type Leg = { operations: ReadonlyMap<string, Operation>; edges: readonly Edge[]; demands: ReadonlyMap<string, readonly Demand[]> }

/** No order keeps every rule: what was stuck in the end, with the settings it demands. Not `proven`: the search gave up first. */
export type NoSafeOrder = { kind: 'no safe order'; stuck: { key: string; demands: readonly Demand[]; ruleIds: string[] }[]; proven: boolean }
