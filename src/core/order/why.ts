import type { Id } from '../base/id'
import type { Because } from './operation'
import type { Goal, Removal } from './removal'

/** One link of "why is this here?": a thing, and how it bears on the next one towards the goal. */
export type WhyLink =
  | { thing: 'part' | 'holder' | 'tether' | 'setting'; id: Id; relation: 'covers' | 'holds' | 'ties' | 'traps' | 'frees' | 'keeps safe' | 'closes' | 'comes before' }
  | { thing: 'goal'; goal: Goal }

/**
 * The chain of facts from an operation to the goal that asked for it: "liner covers the hex 7, which holds the
 * surround, which covers the hex 7 of the unit, which closes the radio cavity". Operations on the same thing are one link.
 * Null for an operation that is not in the removal. Cost: O(length of the chain).
 */
export function whyChain(removal: Removal, key: string): WhyLink[] | null {
  const links: WhyLink[] = []
  let at = removal.operations.get(key)
  if (!at) return null
  while (at) {
    const brought = removal.broughtIn.get(at.key)!
    if (brought.by === null) {
      links.push({ thing: 'part', id: at.itemId, relation: 'closes' }, { thing: 'goal', goal: brought.goal })
      return links
    }
    const next = removal.operations.get(brought.by)
    if (!next) return links
    if (!sameThing(at, next)) links.push({ thing: thingOf(at.act), id: at.itemId, relation: relationOf(removal, brought.because) })
    at = next
  }
  return links
}

function sameThing(a: { act: string; itemId: Id }, b: { act: string; itemId: Id }): boolean {
  return thingOf(a.act) === thingOf(b.act) && a.itemId === b.itemId
}

function thingOf(act: string): 'part' | 'holder' | 'tether' | 'setting' {
  return act === 'undo' ? 'holder' : act === 'open' ? 'tether' : act === 'set' ? 'setting' : 'part'
}

function relationOf(removal: Removal, because: Because): 'covers' | 'holds' | 'ties' | 'traps' | 'frees' | 'keeps safe' | 'comes before' {
  if (because.kind === 'holds') return 'holds'
  if (because.kind === 'tethers') return 'ties'
  if (because.kind === 'airbag') return 'keeps safe'
  if (because.kind !== 'need') return 'comes before'
  const reason = removal.model.needs.find((need) => need.id === because.needId)!.reason
  if (reason === 'covers') return 'covers'
  if (reason === 'traps' || reason === 'threads') return 'traps'
  return reason === 'setting' || reason === 'reaches' ? 'frees' : 'comes before'
}
