import type { Id } from '../base/id'
import type { Stamp } from '../base/stamp'
import { suppliedIn, type JobDocument } from '../procedure/jobDocument'
import { NOT_WANTED, WANTED } from '../shop/functionClosure'
import type { Happening, JobEvent } from './event'

/** What of a record an event names, where the record does not have it (any more). */
export type UnresolvedOf = 'holder' | 'part' | 'tether' | 'setting' | 'facet'

/**
 * Something that happened to a thing the record does not have: a statement of it was taken back, or it came from
 * elsewhere. It can be true all the same, so it is owed like anything else: `out` times it was undone, opened, moved,
 * and `back` times put right.
 */
export type Unresolved = { of: UnresolvedOf; id: Id; out: number; back: number; personId: Id; at: Stamp }

/** The things of a record that events can name. */
export type Known = Readonly<Record<UnresolvedOf, ReadonlyMap<Id, unknown>>>

const WISHES: ReadonlySet<Id> = new Set([WANTED, NOT_WANTED])

/** Cost: O(items); made once a fold. */
export function knownIn(document: JobDocument): Known {
  const supplied = suppliedIn(document)
  const byId = (items: readonly { id: Id }[]) => new Map(items.map((item) => [item.id, item]))
  return {
    // A part of a kit is counted like fasteners, and may break or get lost like them.
    holder: byId([...document.holders, ...document.parts.filter(({ id }) => supplied.has(id))]),
    part: byId(document.parts),
    tether: byId(document.tethers),
    setting: byId(document.settings),
    facet: new Map([
      ...document.facets.map(({ id, choices }) => [id, new Set(choices.map((choice) => choice.id))] as const),
      ...[...(document.wishes ?? [])].map((id) => [id, WISHES] as const),
    ]),
  }
}

/** The thing that an event names and the record does not have; null where everything it names is there. */
export function unresolvedIn(known: Known, what: Happening): { of: UnresolvedOf; id: Id } | null {
  const lacks = (of: UnresolvedOf, id: Id | null) => (id !== null && !known[of].has(id) ? { of, id } : null)
  // A stray is settled, whatever became of the group it was said to be of.
  if (what.kind === 'stray settled') return null
  if ('holderId' in what) return lacks('holder', what.holderId)
  if (what.kind === 'fitted') return lacks('holder', what.itemId)
  if ('partId' in what) return lacks('part', what.partId)
  if ('tetherId' in what) return lacks('tether', what.tetherId)
  if ('settingId' in what) return lacks('setting', what.settingId)
  if (what.kind !== 'facet told') return null
  const choices = known.facet.get(what.facetId) as ReadonlySet<Id> | undefined
  return choices?.has(what.choiceId) ? null : { of: 'facet', id: what.facetId }
}

/** A setting that nobody can look up is put right by saying so. */
export const AS_FOUND = 'as found'

/** How often a thing that can't be looked up was taken out of its place, and put back, by one event. */
function timesOf(what: Happening): { out: number; back: number } {
  switch (what.kind) {
    // One that broke or is lost may lie in the dash in pieces: it is looked for like one that is out.
    case 'undone':
    case 'broken':
    case 'lost':
      return { out: what.count, back: 0 }
    case 'fastened':
    case 'fitted':
    case 'new fitted':
    case 'found again':
    case 'pieces recovered':
      return { out: 0, back: what.count }
    case 'opened':
      return { out: 1, back: 0 }
    case 'closed':
      return { out: 0, back: 1 }
    case 'part at':
      return what.level === 'in place' ? { out: 0, back: 1 } : { out: 1, back: 0 }
    case 'set':
      return what.value === AS_FOUND ? { out: 0, back: 1 } : { out: 1, back: 0 }
    default:
      return { out: 0, back: 0 }
  }
}

/** Adds an event to what can't be looked up. What went back makes good all that was out before it, but of a group. */
export function addUnresolved(
  all: Map<string, Unresolved>,
  { of, id }: { of: UnresolvedOf; id: Id },
  { what, personId, at }: JobEvent,
): void {
  const key = `${of}:${id}`
  const { out, back } = timesOf(what)
  const before = all.get(key) ?? { of, id, out: 0, back: 0, personId, at }
  const outNow = before.out + out
  all.set(key, {
    ...before,
    out: outNow,
    back: of === 'holder' ? before.back + back : back > 0 ? outNow : before.back,
    personId,
    at,
  })
}

/** Whether it is still out of its place, as far as anybody has said. */
export function isOut({ out, back }: Pick<Unresolved, 'out' | 'back'>): boolean {
  return out > back
}

/** What a person records who has looked, and found it as it should be. */
export function madeGood({ of, id, out, back }: Pick<Unresolved, 'of' | 'id' | 'out' | 'back'>): Happening[] {
  switch (of) {
    case 'holder': {
      // One event counts no more than a hand does.
      const count = Math.min(99, Math.max(1, out - back))
      return [{ kind: 'fastened', holderId: id, count, stage: 'final' }]
    }
    case 'part':
      return [{ kind: 'part at', partId: id, level: 'in place' }]
    case 'tether':
      return [{ kind: 'closed', tetherId: id }]
    case 'setting':
      return [{ kind: 'set', settingId: id, value: AS_FOUND, methodId: null }]
    case 'facet':
      return []
  }
}
