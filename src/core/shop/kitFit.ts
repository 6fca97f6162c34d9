import { z } from 'zod'
import { Id } from '../base/id'
import { Access } from '../procedure/access'
import { Ending } from '../procedure/end'
import { Station } from '../procedure/station'
import { When } from '../procedure/when'
import { LeadFit } from './lead'

/** What has to be open before a work item can be done, on some builds only. */
const FitAccess = z.discriminatedUnion('kind', [
  Access.options[0].extend({ when: When.default({}) }),
  Access.options[1].extend({ when: When.default({}) }),
])
export type FitAccess = z.infer<typeof FitAccess>

/** What becomes of a part or a plug of the vehicle. */
export const FitEnding = z.object({
  itemId: Id,
  ending: Ending,
  note: z.string().max(120).default(''),
  /** Moved: the kit's part that carries it from now on. Null: it goes elsewhere, and nothing more is owed of it. */
  onto: Id.nullable().default(null),
  /**
   * Replaced: the kit's part that stands there from now on. The work that fits it does what would have brought the old
   * one back. Null: the new one goes in as the old one did.
   */
  by: Id.nullable().default(null),
  /**
   * What holds it there: its own fasteners again, or the kit's. Empty: it is pressed or laid in. Of what is replaced by
   * a part of the kit: those of the old one that are used again.
   */
  fastenedBy: z.array(Id).max(8).default([]),
  when: When.default({}),
})
export type FitEnding = z.infer<typeof FitEnding>

/**
 * An adapter in a connection of the vehicle: its plug goes into the adapter, and the adapter's own plugs go where it
 * went before. One connection becomes as many as there are plugs, and one more.
 */
export const Adapted = z.object({
  tetherId: Id,
  /** The adapter, a part of the kit. */
  partId: Id,
  /** Its plugs: into the socket, and a third leg where it has one. */
  plugIds: z.array(Id).max(6).default([]),
  when: When.default({}),
})
export type Adapted = z.infer<typeof Adapted>

/** This unit goes in before its face plate, that one after. */
export const WayOutOrder = z.object({
  workId: Id,
  is: z.enum(['before', 'after']),
  /** A part of the vehicle that goes home. */
  partId: Id,
  because: z.string().trim().max(120).default(''),
  when: When.default({}),
})
export type WayOutOrder = z.infer<typeof WayOutOrder>

/**
 * How the kit meets one model: what each work item needs open, what becomes of parts, what the vehicle does
 * differently.
 */
export const KitFit = z.object({
  procedureId: z.string().min(1),
  access: z.record(Id, z.array(FitAccess).max(8)).default({}),
  /** Stations that differ from the work item's own on this model. */
  stations: z.record(Id, Station).default({}),
  endings: z.array(FitEnding).max(40).default([]),
  adapted: z.array(Adapted).max(20).default([]),
  /** Where its leads begin and end. One that is not named ends at any point of the fitting kind. */
  leads: z.record(Id, LeadFit).default({}),
  wayOut: z.array(WayOutOrder).max(20).default([]),
  functionsChanged: z.array(Id).max(20).default([]),
  functionsTaken: z.array(Id).max(20).default([]),
})
export type KitFit = z.infer<typeof KitFit>
