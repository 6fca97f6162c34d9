import type { Id } from '../base/id'
import { Kit } from './kit'

/**
 * A kit as a beginning for another: every thing has a new id, and what points at it points at the new one, so that both
 * can be in one job. How it meets models comes along. Cost: O(size of the kit).
 */
export function copyKit(kit: Kit, newKitId: Id, newId: (prefix: string) => Id): Kit {
  const anew = new Map<Id, Id>([[kit.id, newKitId]])
  for (const item of ownThings(kit)) anew.set(item.id, newId(item.id.split('-')[0] || 'thing'))
  return Kit.parse({ ...(renamed(kit, anew) as Kit), name: `${kit.name} (copy)`.slice(0, 80) })
}

/** Everything of a kit that has an id of its own. */
function ownThings(kit: Kit): { id: Id }[] {
  return [
    ...kit.facets.flatMap((facet) => [facet, ...facet.choices, ...facet.choices.flatMap(({ tells }) => tells)]),
    ...[kit.views, kit.parts, kit.holders, kit.plugs, kit.cautions, kit.functions, kit.changes, kit.leads].flat(),
    ...kit.settings.flatMap((setting) => [setting, ...setting.expected]),
    ...kit.works.flatMap((work) => [work, ...work.steps]),
  ]
}

/** The same with ids called anew, as values and as keys. Words that happen to read like an id are no ids of the kit. */
function renamed(value: unknown, anew: ReadonlyMap<Id, Id>, field = ''): unknown {
  if (typeof value === 'string') return WORDS.has(field) ? value : (anew.get(value) ?? value)
  if (Array.isArray(value)) return value.map((item) => renamed(item, anew, field))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [anew.get(key) ?? key, renamed(inner, anew, key)]),
  )
}

/** Fields that hold words, and none of them an id. */
const WORDS: ReadonlySet<string> = new Set([
  ...['name', 'note', 'words', 'value', 'values', 'where', 'how', 'tool', 'alsoTools', 'consumables', 'caution'],
  ...['synonyms', 'place', 'partNumber', 'tell', 'sentence', 'into', 'station', 'heldMeanwhile', 'kind', 'act'],
  ...['to', 'class', 'mayGetWet', 'returns', 'title'],
])
