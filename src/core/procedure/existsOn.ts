import type { Build, When } from './when'

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
