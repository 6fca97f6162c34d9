import { z } from 'zod'
import { Id } from '../base/id'
import type { Kept } from '../base/keptJson'
import { Caution } from '../procedure/caution'
import { Ending } from '../procedure/end'
import { Facet } from '../procedure/facet'
import { Level } from '../procedure/level'
import { Station } from '../procedure/station'
import { VehicleFunction } from '../procedure/vehicleFunction'
import { View } from '../procedure/view'
import { When } from '../procedure/when'
import { KitHolder, KitPart, KitPlug, KitSetting } from './kitThings'
import { LastingChange, WorkItem } from './workItem'

/** A cavity or a part at a level: what has to be open before a work item can be done. */
export const Access = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('cavity'), cavityId: Id }),
  z.object({ kind: z.literal('part'), partId: Id, level: Level.exclude(['in place']) }),
])
export type Access = z.infer<typeof Access>

/** The same on some builds only. */
const FitAccess = z.discriminatedUnion('kind', [
  Access.options[0].extend({ when: When.default({}) }),
  Access.options[1].extend({ when: When.default({}) }),
])
export type FitAccess = z.infer<typeof FitAccess>

/** A function the kit adds, and the work after which it can be tested. */
export const AddedFunction = VehicleFunction.omit({ alsoNeeds: true, troubles: true }).extend({
  afterWork: z.array(Id).max(12).default([]),
})
export type AddedFunction = z.infer<typeof AddedFunction>

/**
 * How the kit meets one model: what each work item needs open, what becomes of parts, what the vehicle does
 * differently.
 */
export const KitFit = z.object({
  procedureId: z.string().min(1),
  access: z.record(Id, z.array(FitAccess).max(8)).default({}),
  /** Stations that differ from the work item's own on this model. */
  stations: z.record(Id, Station).default({}),
  endings: z
    .array(z.object({ itemId: Id, ending: Ending, note: z.string().max(120).default(''), when: When.default({}) }))
    .max(40)
    .default([]),
  functionsChanged: z.array(Id).max(20).default([]),
  functionsTaken: z.array(Id).max(20).default([]),
})
export type KitFit = z.infer<typeof KitFit>

/**
 * What a lead chooses as a goal: fit a recorder, swap the unit. It belongs to the shop and meets models through its
 * fits.
 */
export const Kit = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A kit needs a name.').max(80),
  note: z.string().max(500).default(''),
  /** How kits of this name differ: the unit's family, an option that was bought. */
  facets: z.array(Facet).max(12).default([]),
  views: z.array(View).max(8).default([]),
  parts: z.array(KitPart).max(60).default([]),
  holders: z.array(KitHolder).max(60).default([]),
  plugs: z.array(KitPlug).max(60).default([]),
  settings: z.array(KitSetting).max(30).default([]),
  cautions: z.array(Caution).max(40).default([]),
  works: z.array(WorkItem).max(40).default([]),
  functions: z.array(AddedFunction).max(20).default([]),
  changes: z.array(LastingChange).max(20).default([]),
  fits: z.array(KitFit).max(60).default([]),
})
export type Kit = z.infer<typeof Kit>
/**
 * 2: things, facets and sub-steps of its own came in, with defaults. The number keeps a program that does not know them
 * from writing over them.
 */
export const KEPT_KIT: Kept<Kit> = { shape: Kit, version: 2, steps: { 1: (raw) => raw } }
