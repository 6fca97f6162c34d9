import { z } from 'zod'
import { Id } from '../base/id'
import { When } from '../procedure/when'
import { LeadClass } from './leadClass'

const someMm = z.number().min(0, 'A length can’t be below nothing.').max(20_000)

/** What an end of a lead goes to; `other`: somewhere no kind of point is meant for. */
export const END_KINDS = [
  'device',
  'supply',
  'ground',
  'antenna',
  'camera',
  'microphone',
  'speaker',
  'socket',
  'other',
] as const

/** One of the two ends of a lead. Lengths in mm. */
export const LeadEnd = z.object({
  to: z.enum(END_KINDS).default('device'),
  name: z.string().trim().max(80).default(''),
  /** What is on it and has to pass; null = bare, or fitted once it is laid. */
  connector: z
    .object({ widthMm: z.number().positive().max(500), heightMm: z.number().positive().max(500) })
    .nullable()
    .default(null),
  /** What it needs beyond the way; null: what the point or the house says. */
  leaveMm: someMm.nullable().default(null),
})
export type LeadEnd = z.infer<typeof LeadEnd>
const ANY_END: LeadEnd = { to: 'device', name: '', connector: null, leaveMm: null }

/** What flows in it. */
export const Electric = z.object({
  systemV: z.union([z.literal(12), z.literal(24)]).default(12),
  currentA: z.number().positive('A lead that carries nothing needs no current: leave this out.').max(500),
  /** For longer than a few minutes at a time. */
  lasting: z.boolean().default(true),
  conductorMm2: z.number().positive().max(200).nullable().default(null),
  returns: z.enum(['by a lead of its own', 'by the body']).default('by the body'),
  fuseA: z.number().positive().max(500).nullable().default(null),
})
export type Electric = z.infer<typeof Electric>

/** A lead that a kit brings, and that has to get from one place to another. */
export const KitLead = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A lead needs a name: “microphone lead”.').max(80),
  class: LeadClass.default('signal'),
  ends: z.tuple([LeadEnd, LeadEnd]).default([ANY_END, ANY_END]),
  diameterMm: z.number().positive('A lead is thicker than nothing.').max(100).default(5),
  /** What is supplied, or null: cut to measure. */
  suppliedMm: z.number().positive().max(50_000).nullable().default(null),
  /** The tightest it may turn, a radius; null: so many times its diameter, by the house. */
  bendMm: someMm.nullable().default(null),
  mayGetWet: z.enum(['yes', 'in a sheath', 'no']).default('in a sheath'),
  /** It may lie where something moves. */
  mayFlex: z.boolean().default(true),
  electric: Electric.nullable().default(null),
  /** Work that comes before it is laid. */
  afterWork: z.array(Id).max(12).default([]),
  note: z.string().max(300).default(''),
  when: When.default({}),
})
export type KitLead = z.infer<typeof KitLead>

/**
 * Where a lead begins and ends on one model: any one of these points; none named = any of the fitting kind. `through`,
 * `notThrough`: points and ways the crew insists on, or does without.
 */
export const LeadFit = z.object({
  ends: z.tuple([z.array(Id).max(12), z.array(Id).max(12)]).default([[], []]),
  through: z.array(Id).max(8).default([]),
  notThrough: z.array(Id).max(60).default([]),
})
export type LeadFit = z.infer<typeof LeadFit>

export const NO_LEAD_FIT: LeadFit = { ends: [[], []], through: [], notThrough: [] }

export function newLead(id: Id, name: string): KitLead {
  return KitLead.parse({ id, name })
}
