import { z } from 'zod'
import { Id } from '../base/id'

/** On which builds an item exists: facet id to allowed choices. Or inside a facet, and across facets. Empty = on all. */
export const When = z.record(Id, z.array(Id).min(1, 'A condition needs at least one choice.'))
export type When = z.infer<typeof When>

/** One choice per facet; a facet that is missing here is not known yet. */
export const Build = z.record(Id, Id)
export type Build = z.infer<typeof Build>

/** Whether an item with this condition exists on the build; 'unknown' when a facet it asks about is not told. */
export function existsOn(when: When, build: Build): 'yes' | 'no' | 'unknown' {
  let unknown = false
  for (const [facetId, choices] of Object.entries(when)) {
    const told = build[facetId]
    if (told === undefined) unknown = true
    else if (!choices.includes(told)) return 'no'
  }
  return unknown ? 'unknown' : 'yes'
}
