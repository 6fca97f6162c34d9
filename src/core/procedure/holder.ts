import { z } from 'zod'
import { Id } from '../base/id'
import { Position } from './view'
import { When } from './when'
import { DRIVES, HOLDER_KINDS } from './holderKinds'

/** A drive may vary between examples nobody can predict: keep each with how often it was seen. */
export const Drive = z.object({
  drive: z.enum(DRIVES),
  size: z.string().max(12).default(''),
  seen: z.number().int().min(0).default(0),
})
export type Drive = z.infer<typeof Drive>

export const Thread = z.object({
  diameterMm: z.number().positive().max(30),
  lengthMm: z.number().positive().max(300),
  pitchMm: z.number().positive().max(5).nullable().default(null),
  /** How deep a screw may go before it meets something. */
  greatestDepthMm: z.number().positive().max(300).nullable().default(null),
})

export const Reach = z.object({
  by: z.enum(['sight', 'mirror', 'feel']).default('sight'),
  lookFrom: z.string().max(120).default(''),
  depthMm: z.number().positive().max(1000).nullable().default(null),
  headroomMm: z.number().positive().max(1000).nullable().default(null),
  powerTool: z.enum(['not said', 'no', 'out only', 'out and in']).default('not said'),
})

export type Reach = z.infer<typeof Reach>

/** How far and which way a turn fastener is undone; on the way back the other way. */
export const HolderTurn = z.object({
  sense: z.enum(['clockwise', 'anticlockwise']).default('anticlockwise'),
  angleDeg: z.number().int().positive().max(360).default(90),
  seenFrom: z.string().max(60).default(''),
})

/** A group of identical fasteners. What hides it is a need ('covers'), never a field. */
export const Holder = z.object({
  id: Id,
  kind: z.enum(HOLDER_KINDS),
  drives: z.array(Drive).max(4).default([]),
  count: z.number().int('A count is a whole number.').min(1, 'A group has at least one fastener.').max(99),
  /**
   * Whether anybody has counted them. `count` is a guess otherwise, up to `countMost`: asked at the first undo, and
   * owed as counted.
   */
  howMany: z.enum(['counted', 'about', 'unknown']).default('counted'),
  countMost: z.number().int().min(1).max(99).nullable().default(null),
  /**
   * Empty: a loose end of a strip, undone before anybody knows what it holds. Counted, and left out of every
   * derivation.
   */
  holds: z.array(Id).max(6),
  captive: z.boolean().default(false),
  /**
   * How it lets go: as its kind does, or what the record says of this one (a clip squeezed from behind first; a peg
   * that comes with the pull).
   */
  letsGo: z.enum(['as its kind', 'by itself', 'with the pull']).default('as its kind'),
  turn: HolderTurn.nullable().default(null),
  /** It bears the part's weight: undone last and put in first, the part supported meanwhile. */
  bearsWeight: z.boolean().default(false),
  /** A stack in order, head first: screw, sleeve, washer. */
  stack: z.array(z.string().trim().min(1).max(40)).max(8).default([]),
  /** Groups somebody has said are the very same fastener, where no thread says so. */
  sameAs: z.array(Id).max(20).default([]),
  /** How to tell it from a lookalike, where the thread does not say so. */
  tell: z.string().max(200).default(''),
  thread: Thread.nullable().default(null),
  torqueNm: z.number().positive().max(400).nullable().default(null),
  reuse: z.enum(['reuse', 'single use']).default('reuse'),
  reach: Reach.default(() => Reach.parse({})),
  positions: z.array(Position).max(99).default([]),
  note: z.string().max(1000).default(''),
  when: When.default({}),
})
export type Holder = z.infer<typeof Holder>

export function newHolder(id: Id, partId: Id): Holder {
  return Holder.parse({ id, kind: 'spring clip', count: 1, holds: [partId] })
}
