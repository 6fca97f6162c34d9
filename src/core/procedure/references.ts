import type { Id } from '../base/id'
import { targetsIn } from './cutOff'
import { COLLECTIONS, type Collection, type ProcedureDocument } from './document'
import { REFERENCES } from './referenceTable'

export type DanglingReference =
  | { problem: 'missing'; collection: Collection; itemId: Id; field: string; refersTo: Id; wanted: string }
  | { problem: 'twice'; itemId: Id }
  | { problem: 'wrong-value'; collection: Collection; itemId: Id; field: string; value: string }

/**
 * Every id that points nowhere, every id used twice, and every value a setting or facet does not have.
 * Cost: O(items + references).
 */
export function danglingReferences(document: ProcedureDocument): DanglingReference[] {
  const found: DanglingReference[] = []
  const all = new Set<Id>()
  const claim = (id: Id) => {
    if (all.has(id)) found.push({ problem: 'twice', itemId: id })
    all.add(id)
  }
  for (const name of COLLECTIONS) for (const item of document[name]) claim(item.id)
  for (const setting of document.settings) for (const method of setting.methods) claim(method.id)
  for (const cavity of document.cavities) for (const opening of cavity.openings) claim(opening.id)

  const isThere = targetsIn(document)
  for (const { collection, field, pointers } of REFERENCES)
    for (const item of document[collection])
      for (const { id, into, wanted } of pointers(item as never))
        if (!isThere(id, into))
          found.push({ problem: 'missing', collection, itemId: item.id, field, refersTo: id, wanted })
  return [...found, ...wrongValues(document)]
}

/** Values that a setting or a facet does not have. */
function wrongValues(document: ProcedureDocument): DanglingReference[] {
  const found: DanglingReference[] = []
  const wrong = (collection: Collection, itemId: Id, field: string, value: string) =>
    found.push({ problem: 'wrong-value', collection, itemId, field, value })
  const choices = new Map(document.facets.map((facet) => [facet.id, new Set(facet.choices.map(({ id }) => id))]))
  for (const name of COLLECTIONS)
    for (const item of document[name])
      if ('when' in item)
        for (const [facetId, chosen] of Object.entries(item.when))
          for (const choice of chosen)
            if (choices.has(facetId) && !choices.get(facetId)!.has(choice)) wrong(name, item.id, 'when', choice)
  const settings = new Map(document.settings.map((setting) => [setting.id, new Set(setting.values)]))
  for (const setting of document.settings) {
    const values = settings.get(setting.id)!
    if (!values.has(setting.asFound)) wrong('settings', setting.id, 'as found', setting.asFound)
    if (setting.atEnd !== 'as found' && !values.has(setting.atEnd))
      wrong('settings', setting.id, 'at the end', setting.atEnd)
    for (const method of setting.methods)
      if (!values.has(method.to)) wrong('settings', setting.id, 'methods', method.to)
  }
  for (const { id, needs } of document.needs)
    if (needs.kind === 'setting' && settings.get(needs.settingId)?.has(needs.value) === false)
      wrong('needs', id, 'needs', needs.value)
  return found
}
