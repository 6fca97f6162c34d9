import { z } from 'zod'
import { Id } from '../base/id'
import { PLACED } from './placingRules'

/** What a piece of work finds a place for, and whose place it is: the part's, where the kit has one. */
export const Placing = z.object({ of: z.enum(PLACED), partId: Id.nullable().default(null) })
export type Placing = z.infer<typeof Placing>
