import { z } from 'zod'
import { Id } from '../base/id'
import type { Kept } from '../base/keptJson'
import { Ending } from '../procedure/end'
import { Level } from '../procedure/level'
import { Station } from '../procedure/station'
import { VehicleFunction } from '../procedure/vehicleFunction'
import { LastingChange, WorkItem } from './workItem'

/** A cavity or a part at a level: what has to be open before a work item can be done. */
export const Access = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('cavity'), cavityId: Id }),
  z.object({ kind: z.literal('part'), partId: Id, level: Level.exclude(['in place']) }),
])
export type Access = z.infer<typeof Access>

/** A function the kit adds, and the work after which it can be tested. */
export const AddedFunction = VehicleFunction.omit({ when: true, alsoNeeds: true, troubles: true }).extend({
  afterWork: z.array(Id).max(12).default([]),
})
export type AddedFunction = z.infer<typeof AddedFunction>

/**
 * How the kit meets one model: what each work item needs open, what becomes of parts, what the vehicle does
 * differently.
 */
export const KitFit = z.object({
  procedureId: z.string().min(1),
  access: z.record(Id, z.array(Access).max(8)).default({}),
  /** Stations that differ from the work item's own on this model. */
  stations: z.record(Id, Station).default({}),
  endings: z
    .array(z.object({ itemId: Id, ending: Ending, note: z.string().max(120).default('') }))
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
  works: z.array(WorkItem).max(40).default([]),
  functions: z.array(AddedFunction).max(20).default([]),
  changes: z.array(LastingChange).max(20).default([]),
  fits: z.array(KitFit).max(60).default([]),
})
export type Kit = z.infer<typeof Kit>
export const KEPT_KIT: Kept<Kit> = { shape: Kit, version: 1, steps: {} }

export type KitProblem =
  | { kind: 'work after itself'; workId: Id }
  | { kind: 'no such work'; workId: Id; in: string }
  | { kind: 'bypass'; workId: Id }

/** What is wrong in a kit itself, whatever the model. A signal is never bypassed. */
export function checkKit(kit: Kit): KitProblem[] {
  const ids = new Set(kit.works.map((work) => work.id))
  const found: KitProblem[] = []
  for (const work of kit.works) {
    if (work.kind === 'bypass a signal') found.push({ kind: 'bypass', workId: work.id })
    for (const first of work.afterWork)
      if (!ids.has(first)) found.push({ kind: 'no such work', workId: first, in: work.name })
    if (comesAfterItself(kit, work.id)) found.push({ kind: 'work after itself', workId: work.id })
  }
  for (const item of kit.functions)
    for (const first of item.afterWork)
      if (!ids.has(first)) found.push({ kind: 'no such work', workId: first, in: item.name })
  return found
}

function comesAfterItself(kit: Kit, workId: Id): boolean {
  const seen = new Set<Id>()
  const stack = [workId]
  for (let at = stack.pop(); at !== undefined; at = stack.pop())
    for (const first of kit.works.find((work) => work.id === at)?.afterWork ?? []) {
      if (first === workId) return true
      if (!seen.has(first)) stack.push(first)
      seen.add(first)
    }
  return false
}
