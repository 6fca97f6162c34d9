import { z } from 'zod'
import { Id } from '../../base/id'
import type { Kept } from '../../base/keptJson'
import { Access } from '../../procedure/access'
import { Ending } from '../../procedure/end'
import { Station } from '../../procedure/station'
import { Build } from '../../procedure/when'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { Policy } from './policy'

export const Without = z.object({
  tools: z.array(z.string().max(60)).max(40).default([]),
  parts: z.array(Id).max(40).default([]),
})
export type Without = z.infer<typeof Without>

/**
 * What a plan is computed from: stored with the job, so that the same plan comes out again on every machine. Kits stand
 * in it whole, as they were when the job was opened.
 */
export const PlanRequest = z
  .object({
    /** A strip that goes back asks for everything it took off. */
    goals: z.array(Access).max(400).default([]),
    kits: z
      .array(z.object({ kit: Kit, fit: KitFit }))
      .max(6)
      .default([]),
    /** What becomes of things on this job, besides what the record and the kits say. */
    endings: z.record(Id, Ending).default({}),
    build: Build,
    /** Tells that were seen when it was asked, by facet. */
    tells: z.record(Id, z.array(Id).max(24)).default({}),
    /** Fasteners with another head on this very vehicle than the record says ("six-lobe T15"). */
    heads: z.record(Id, z.string().trim().min(1).max(40)).default({}),
    policy: Policy.default(() => Policy.parse({})),
    start: Station.default('driver side'),
    /** Tools that are not there, and parts that won't move and are left. */
    without: Without.default(() => Without.parse({})),
    /** `opened`: the way in alone; somebody else goes on from there. */
    scope: z.enum(['opened', 'refitted']).default('refitted'),
  })
  .refine((request) => request.goals.length + request.kits.length > 0, 'Choose what to open, or a kit.')
export type PlanRequest = z.infer<typeof PlanRequest>
/** 2: its kits have things of their own; 3: kits of version 3, and when is tested; 4, 5: kits of those versions. */
export const KEPT_REQUEST: Kept<PlanRequest> = {
  shape: PlanRequest,
  version: 5,
  steps: { 1: (raw) => raw, 2: (raw) => raw, 3: (raw) => raw, 4: (raw) => raw },
}
