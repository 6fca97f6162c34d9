import type { Id } from '../base/id'
import { actOf, keyOf, type Act } from '../procedure/acts'

/**
 * In: taking apart. Work and test: at the bottom. Out: putting back. A plug closed for a test and opened again has the
 * phase test.
 */
export type Phase = 'in' | 'work' | 'test' | 'out'
export type SettingAct = { settingId: Id; from: string; to: string; methodId: Id }

/**
 * A derived act. `key` is made of the same ids as the facts, so that it survives a replan ("undo:h1", "set:lever=out by
 * m2").
 * `itemId` is the holder, part, tether, setting, work item, function or facet; `partId` the part whose card it belongs
 * to (null where there is none). `nth` counts the same happening to the same thing: a plug closed for a test is closed
 * a second time for good.
 */
export type Operation = {
  key: string
  phase: Phase
  act: Act
  itemId: Id
  partId: Id | null
  setting: SettingAct | null
  nth: number
  /**
   * Holder groups that let go in this movement (release, ease) or are pressed home in it (seat), counted in the same
   * act.
   */
  pulled?: Id[]
  /** The part of a kit that carries it from now on, or that a plug goes into. */
  ontoId?: Id
  /** Of a kit's test: how long its unit needs, and how settings of the vehicle have to stand for it. */
  tried?: { warmUpS: number; testWith: { role: string; value: string }[] }
  /** Fasteners of a kit that hold something of the vehicle: so many are fitted, and none came off before. */
  fresh?: number
  /** What it is called, where the record has no name for it: work items and functions of a kit. */
  name?: string
  /** What its work item says to mind. */
  note?: string
}

/**
 * Why one operation comes before another. `needId` names the stated fact; the others follow from what holds and ties a
 * part.
 */
export type Because =
  | { kind: 'holds'; holderId: Id; partId: Id }
  | { kind: 'lifts'; partId: Id }
  | { kind: 'tethers'; tetherId: Id; partId: Id }
  | { kind: 'need'; needId: Id }
  | { kind: 'in one go'; partId: Id }
  | { kind: 'eased first'; partId: Id }
  | { kind: 'bears'; holderId: Id; partId: Id }
  | { kind: 'carried'; partId: Id; carrierId: Id }
  | { kind: 'rule'; ruleId: string; settingId: Id }
  | { kind: 'only for its act'; settingId: Id }
  | { kind: 'lead through'; tetherId: Id }
  | { kind: 'set back'; settingId: Id }
  | { kind: 'started first'; partId: Id }
  | { kind: 'tightened in order'; partId: Id }
  | { kind: 'access'; workId: Id }
  | { kind: 'holds up'; workId: Id }
  | { kind: 'work first'; workId: Id }
  | { kind: 'plugged'; functionId: Id; tetherId: Id }
  | { kind: 'powered'; functionId: Id; tetherId: Id; ruleId: string }
  | { kind: 'hidden'; functionId: Id; partId: Id }
  | { kind: 'only for the test'; functionId: Id; tetherId: Id }
  | { kind: 'by hand'; tetherId: Id }
  | { kind: 'told'; facetId: Id }
  /** A thing of the vehicle is on its new carrier before that goes in, and is plugged once it is in. */
  | { kind: 'onto its carrier'; partId: Id; ontoId: Id }
  /** A plug of the vehicle goes into an adapter that has to be there. */
  | { kind: 'into the adapter'; tetherId: Id; adapterId: Id }
  /** A kit says that its work comes before, or after, a part goes home. */
  | { kind: 'kit order'; workId: Id; partId: Id }
  /** Every strip that has both shows it, and nobody has said why. */
  | { kind: 'seen'; strips: string[] }
  | { kind: 'goal' }

/** `delayS`: what comes after waits that long after the first one is done (glue, cooling, a first start). */
export type Edge = { before: string; after: string; because: Because; delayS?: number }

/** The value a setting must have while an operation is done. */
export type Demand = { settingId: Id; value: string; because: Because }

/** Holder groups that an act counts out or back in: its own, or those that let go or go home with it. */
export function countedIn(operation: Pick<Operation, 'act' | 'itemId' | 'pulled'>): readonly Id[] {
  const { act } = operation
  return actOf(act).of === 'holder' ? [operation.itemId] : (operation.pulled ?? NONE)
}
const NONE: readonly Id[] = []

/**
 * The key of what does an act to a thing: its own operation or, for a group that goes with the pull, that of its part.
 */
export function keyDoing(operations: ReadonlyMap<string, Operation>, act: Act | 'method', id: Id): string | undefined {
  const own = keyOf(act, id)
  if (operations.has(own)) return own
  if (act !== 'undo' && act !== 'fasten') return undefined
  for (const operation of operations.values()) if (operation.pulled?.includes(id)) return operation.key
  return undefined
}
