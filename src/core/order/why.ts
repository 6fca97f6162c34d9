import type { Id } from '../base/id'
import { reachedFrom, successors, type Pair } from './graph'
import type { Because } from './operation'
import type { Removal } from './removal'
import type { Goal } from './wish'
import { actOf, keyOf, splitKey } from '../procedure/acts'

export type WhyRelation =
  'covers' | 'holds' | 'ties' | 'traps' | 'frees' | 'carries' | 'keeps safe' | 'closes' | 'comes before'

/** One link of "why is this here?": a thing, and how it bears on the next one towards the goal. */
export type WhyLink =
  { thing: 'part' | 'holder' | 'tether' | 'setting'; id: Id; relation: WhyRelation } | { thing: 'goal'; goal: Goal }

/**
 * The chain of facts from an operation to the goal that asked for it: "liner covers the hex 7, which holds the
 * surround, which covers the hex 7 of the unit, which closes the radio cavity". Operations on the same thing are one
 * link. Takes the keys of setting wishes as well. Null for what is not in the removal. Cost: O(length of the chain).
 */
export function whyChain(removal: Removal, key: string): WhyLink[] | null {
  const links: WhyLink[] = []
  if (!removal.broughtIn.has(key)) return null
  for (let at = key; ;) {
    const brought = removal.broughtIn.get(at)
    if (!brought) return links
    const [thing, id] = thingOf(at)
    if (brought.by === null) {
      links.push({ thing: 'part', id, relation: 'closes' }, { thing: 'goal', goal: brought.goal })
      return links
    }
    const [nextThing, nextId] = thingOf(brought.by)
    if (thing !== nextThing || id !== nextId) links.push({ thing, id, relation: relationOf(removal, brought.because) })
    // What covers clips keeps the pull waiting in which they let go.
    const of = brought.because.kind === 'need' ? removal.model.needOf.get(brought.because.needId)!.dependent : null
    if (of?.act === 'undo' && nextThing === 'part') links.push({ thing: 'holder', id: of.id, relation: 'holds' })
    at = brought.by
  }
}

/** What would stay shut if an operation of the way in were left out: what waits for it, and the goals behind that. */
export function whatStaysShut(removal: Removal, key: string): { waiting: string[]; goals: Goal[] } {
  const then = successors([...removal.edges, ...throughSettings(removal)])
  const stopped = new Set([key, ...reachedFrom(then, key)])
  const direct = [...new Set(then.get(key) ?? [])]
  const goals = removal.goals.filter((goal) => {
    const keys = [...removal.broughtIn].filter(([, why]) => why.by === null && why.goal === goal).map(([k]) => k)
    return keys.some((k) => stopped.has(k))
  })
  return { waiting: direct, goals }
}

/** What a setting's method moves out of the way stands before everything that wants the setting so. */
function throughSettings(removal: Removal): Pair[] {
  const pairs: Pair[] = []
  for (const wish of removal.settings.values())
    for (const { needs } of removal.model.needsOf.get(keyOf('method', wish.methodId)) ?? []) {
      const before =
        needs.kind === 'part'
          ? [keyOf('lift', needs.partId), keyOf('release', needs.partId)].find((key) => removal.operations.has(key))
          : undefined
      if (!before) continue
      for (const [after, demands] of removal.demands)
        if (demands.some((demand) => demand.settingId === wish.settingId && demand.value === wish.value))
          pairs.push({ before, after })
    }
  return pairs
}

function thingOf(key: string): ['part' | 'holder' | 'tether' | 'setting', Id] {
  const [act, id] = splitKey(key)
  const { of } = actOf(act)
  return [of === 'holder' || of === 'tether' || of === 'setting' ? of : 'part', id]
}

function relationOf(removal: Removal, because: Because): WhyRelation {
  if (because.kind === 'holds') return 'holds'
  if (because.kind === 'tethers') return 'ties'
  if (because.kind === 'carried') return 'carries'
  if (because.kind === 'rule') return 'keeps safe'
  if (because.kind !== 'need') return 'comes before'
  const { reason } = removal.model.needOf.get(because.needId)!
  if (reason === 'covers') return 'covers'
  if (reason === 'traps' || reason === 'threads') return 'traps'
  return reason === 'setting' || reason === 'reaches' ? 'frees' : 'comes before'
}
