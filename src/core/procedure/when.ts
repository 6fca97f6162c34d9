import { z } from 'zod'
import { Id } from '../base/id'

/**
 * On which builds an item exists: facet id to allowed choices. Or inside a facet, and across facets. Empty = on all.
 */
export const When = z.record(Id, z.array(Id).min(1, 'A condition needs at least one choice.'))
export type When = z.infer<typeof When>

/** One choice per facet; a facet that is missing here is not known yet. */
export const Build = z.record(Id, Id)
export type Build = z.infer<typeof Build>
