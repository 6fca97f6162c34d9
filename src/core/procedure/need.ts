import { z } from 'zod'
import { Id } from '../base/id'
import { DEPENDENT_ACTS } from './acts'
import { Level } from './level'
import { Station } from './station'
import { When } from './when'
import { NEED_REASONS } from './needReasons'

export const Needed = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('part'), partId: Id, level: Level.exclude(['in place']) }),
  z.object({ kind: z.literal('setting'), settingId: Id, value: z.string().min(1).max(40) }),
  z.object({ kind: z.literal('tether'), tetherId: Id, state: z.enum(['open', 'closed']) }),
  /** Nobody else there while it is done. */
  z.object({ kind: z.literal('station'), station: Station }),
  z.object({ kind: z.literal('operation'), act: z.enum(DEPENDENT_ACTS), id: Id }),
])

export type Needed = z.infer<typeof Needed>

/** One precedence fact, stored once, on what has to wait. All needs of one dependent are required. */
export const Need = z.object({
  id: Id,
  dependent: z.object({ act: z.enum(DEPENDENT_ACTS), id: Id }),
  needs: Needed,
  reason: z.enum(NEED_REASONS),
  /**
   * Of a trap: whether the fasteners of what it traps can be reached with it on. Where they can't, that is a need of
   * its own.
   */
  screwsReached: z.enum(['not said', 'yes']).default('not said'),
  note: z.string().max(300).default(''),
  when: When.default({}),
})
export type Need = z.infer<typeof Need>

export function coversNeed(id: Id, holderId: Id, partId: Id, level: 'free' | 'off'): Need {
  return Need.parse({
    id,
    dependent: { act: 'undo', id: holderId },
    needs: { kind: 'part', partId, level },
    reason: 'covers',
  })
}

export function trapsNeed(id: Id, trappedPartId: Id, partId: Id, level: 'free' | 'off'): Need {
  return Need.parse({
    id,
    dependent: { act: 'release', id: trappedPartId },
    needs: { kind: 'part', partId, level },
    reason: 'traps',
  })
}
