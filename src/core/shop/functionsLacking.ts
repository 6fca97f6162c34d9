import type { Id } from '../base/id'
import type { AddedFunction, FunctionNeed } from './addedFunction'

/** How something that a function needs stands: there; still to be done; or why it will not be there. */
export type NeedStanding =
  'there' | 'to come' | 'not on this build' | 'not wanted' | 'left open' | 'set otherwise' | 'given up'

/** What of its needs a function lacks. */
export type Lacking = { need: FunctionNeed; is: Exclude<NeedStanding, 'there'> }
export type FunctionLacking = { functionId: Id; name: string; lacks: Lacking[] }

/** Functions of kits that are wanted on this build, and those that the customer does without. */
export type Wishes = { added: readonly AddedFunction[]; notWanted: ReadonlySet<Id> }

/**
 * Wanted functions that lack something they need, and what: things as `ofThing` says they stand, and other functions
 * that lack something themselves. Cost: O(functions x needs).
 */
export function functionsLacking(
  { added, notWanted }: Wishes,
  ofThing: (need: FunctionNeed) => NeedStanding,
): FunctionLacking[] {
  const seen = new Map<Id, Lacking[]>()
  const lacksOf = (item: AddedFunction): Lacking[] => {
    const known = seen.get(item.id)
    if (known) return known
    // A ring of needs is refused with its kit; here it ends.
    seen.set(item.id, [])
    const lacks = item.needs.flatMap((need): Lacking[] => {
      const is = need.of === 'function' ? ofFunction(need.id) : ofThing(need)
      return is === 'there' ? [] : [{ need, is }]
    })
    seen.set(item.id, lacks)
    return lacks
  }
  const ofFunction = (id: Id): NeedStanding => {
    const other = added.find((item) => item.id === id)
    if (!other) return notWanted.has(id) ? 'not wanted' : 'not on this build'
    const lacks = lacksOf(other)
    return lacks.length === 0 ? 'there' : lacks.every(({ is }) => is === 'to come') ? 'to come' : 'given up'
  }
  return added.flatMap((item) => {
    const lacks = lacksOf(item)
    return lacks.length > 0 ? [{ functionId: item.id, name: item.name, lacks }] : []
  })
}
