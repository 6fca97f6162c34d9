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

  for (const way of document.ways) for (const laying of way.layings) claim(laying.id)

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
  return [...wrongChoices(document), ...wrongSettings(document)]
}

const wrong = (collection: Collection, itemId: Id, field: string, value: string): DanglingReference => ({
  problem: 'wrong-value',
  collection,
  itemId,
  field,
  value,
})

/** Conditions that ask for a choice their facet does not have. */
function wrongChoices(document: ProcedureDocument): DanglingReference[] {
  const choices = new Map(document.facets.map((facet) => [facet.id, new Set(facet.choices.map(({ id }) => id))]))
  return COLLECTIONS.flatMap((name) =>
    document[name].flatMap((item) =>
      Object.entries('when' in item ? item.when : {}).flatMap(([facetId, chosen]) =>
        chosen
          .filter((choice) => choices.get(facetId)?.has(choice) === false)
          .map((choice) => wrong(name, item.id, 'when', choice)),
      ),
    ),
  )
}

function wrongSettings(document: ProcedureDocument): DanglingReference[] {
  const found = document.settings.flatMap(({ id, values, asFound, atEnd, methods }) => [
    ...(values.includes(asFound) ? [] : [wrong('settings', id, 'as found', asFound)]),
    ...(atEnd === 'as found' || values.includes(atEnd) ? [] : [wrong('settings', id, 'at the end', atEnd)]),
    ...methods.filter(({ to }) => !values.includes(to)).map(({ to }) => wrong('settings', id, 'methods', to)),
  ])
  const values = new Map(document.settings.map((setting) => [setting.id, setting.values]))
  const needed = document.needs.flatMap(({ id, needs }) =>
    needs.kind === 'setting' && values.get(needs.settingId)?.includes(needs.value) === false
      ? [wrong('needs', id, 'needs', needs.value)]
      : [],
  )
  return [...found, ...needed]
}
