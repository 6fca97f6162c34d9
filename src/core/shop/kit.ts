import { z } from 'zod'
import { Id } from '../base/id'
import type { Kept } from '../base/keptJson'
import { Caution } from '../procedure/caution'
import { Facet } from '../procedure/facet'
import { View } from '../procedure/view'
import { AddedFunction } from './addedFunction'
import { KitFit } from './kitFit'
import { KitLead } from './lead'
import { KitHolder, KitPart, KitPlug, KitSetting } from './kitThings'
import { LastingChange, WorkItem } from './workItem'

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
  /** Leads that have to get from one place to another. */
  leads: z.array(KitLead).max(16, 'A kit has at most 16 leads.').default([]),
  works: z.array(WorkItem).max(200).default([]),
  functions: z.array(AddedFunction).max(20).default([]),
  changes: z.array(LastingChange).max(20).default([]),
  fits: z.array(KitFit).max(60).default([]),
})
export type Kit = z.infer<typeof Kit>
/**
 * 2: things, facets and sub-steps of its own came in; 3: what functions need, what is carried over, adapters, places to
 * judge; 4: what stands in for a part of the vehicle; 5: leads. All with defaults: the number keeps a program that does
 * not know them from writing over them.
 */
const same = (raw: Record<string, unknown>) => raw
export const KEPT_KIT: Kept<Kit> = { shape: Kit, version: 5, steps: { 1: same, 2: same, 3: same, 4: same } }
