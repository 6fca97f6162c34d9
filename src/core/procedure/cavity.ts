import { z } from 'zod'
import { Id } from '../base/id'
import { Level } from './level'
import { When } from './when'

/** Parts at levels that together give access. */
export const Opening = z.object({
  id: Id,
  name: z.string().max(80).default(''),
  /** Optional: more room than is needed, and what that saves. */
  roomier: z.boolean().default(false),
  saves: z.string().max(120).default(''),
  savesS: z.number().min(0).max(36_000).default(0),
  parts: z
    .array(z.object({ partId: Id, level: Level.exclude(['in place']) }))
    .min(1, 'An opening needs at least one part.')
    .max(20),
})

/** What a job opens. Any one of its openings gives access. */
export const Cavity = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A cavity needs a name.').max(80),
  openings: z.array(Opening).min(1, 'Say what has to come off to reach this cavity.').max(6),
  note: z.string().max(300).default(''),
  when: When.default({}),
})
export type Cavity = z.infer<typeof Cavity>

export function newCavity(id: Id, openingId: Id, name: string, partId: Id): Cavity {
  return Cavity.parse({ id, name, openings: [{ id: openingId, parts: [{ partId, level: 'off' }] }] })
}
