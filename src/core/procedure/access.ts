import { z } from 'zod'
import { Id } from '../base/id'
import { Level } from './level'

/** A cavity, or a part at a level: what has to be open for something to be done. */
export const Access = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('cavity'), cavityId: Id }),
  z.object({ kind: z.literal('part'), partId: Id, level: Level.exclude(['in place']) }),
])
export type Access = z.infer<typeof Access>
