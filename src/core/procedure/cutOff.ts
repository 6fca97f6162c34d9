import type { Id } from '../base/id'
import { COLLECTIONS, type Collection, type ProcedureDocument } from './document'
import { REFERENCES, type ReferenceRow, type Target } from './referenceTable'

type ItemAt = { collection: Collection; id: Id }
type Conditional = { id: Id; when?: object }

function conditionsOf({ when = {} }: Conditional): number {
  return Object.keys(when).length
}

/** What there is in a record to point at. */
export function targetsIn(document: ProcedureDocument): (id: Id, into: Target) => boolean {
  const sets = new Map<Target, Set<Id>>(
    COLLECTIONS.map((name) => [name, new Set((document[name] as { id: Id }[]).map(({ id }) => id))]),
  )
  sets.set('method', new Set(document.settings.flatMap(({ methods }) => methods.map(({ id }) => id))))
  const openings = document.cavities.flatMap((cavity) => cavity.openings.map(({ id }) => id))
  sets.set('anything', new Set([...[...sets.values()].flatMap((set) => [...set]), ...openings]))
  return (id, into) => sets.get(into)!.has(id)
}

/** A record in which nothing points at what is not there: fields lose it, or their items go with it. */
function cutOff(
  document: ProcedureDocument,
  without: (row: ReferenceRow) => ReferenceRow['without'],
): ProcedureDocument {
  let now: Record<string, unknown> & ProcedureDocument = { ...document }
  // What goes may be what something else points at: until nothing changes. Each round takes something away.
  for (let changed = true; changed;) {
    changed = false
    const isThere = targetsIn(now)
    for (const row of REFERENCES) {
      const items = now[row.collection] as never[]
      const kept = items.flatMap((item) => {
        if (row.pointers(item).every(({ id, into }) => isThere(id, into))) return [item]
        changed = true
        const left = without(row)(item, (id, into) => !isThere(id, into))
        return left === null ? [] : [left]
      })
      if (changed) now = { ...now, [row.collection]: kept }
    }
  }
  return now
}

/**
 * A document in which what points nowhere is cut off: a holder lets go of a part that is gone and becomes a loose end,
 * a plug too; needs, cautions, marks and outlines go. For documents that are folds: a statement taken back may leave
 * others about it. Cost: O(items).
 */
export function withoutDangling(document: ProcedureDocument): ProcedureDocument {
  return cutOff(document, (row) => row.inFold ?? row.without)
}

/**
 * A record after these were taken away, with all that only made sense with them: what held one of them alone, what tied
 * it, what waited for it. `goes`: the items that go with them, besides themselves. `everywhere`: those that held for
 * some builds only, told apart by a facet that is gone, and hold for more of them now. Cost: O(items).
 */
export function takenAway(
  document: ProcedureDocument,
  ids: ReadonlySet<Id>,
): { document: ProcedureDocument; goes: ItemAt[]; everywhere: ItemAt[] } {
  const lists = COLLECTIONS.map((name) => [name, (document[name] as { id: Id }[]).filter(({ id }) => !ids.has(id))])
  const after = cutOff({ ...document, ...Object.fromEntries(lists) }, (row) => row.without)
  const goes = COLLECTIONS.flatMap((collection) => {
    const stays = new Set((after[collection] as { id: Id }[]).map(({ id }) => id))
    return (document[collection] as { id: Id }[]).flatMap(({ id }) =>
      stays.has(id) || ids.has(id) ? [] : [{ collection, id }],
    )
  })
  const everywhere = COLLECTIONS.flatMap((collection) => {
    const before = new Map((document[collection] as Conditional[]).map((item) => [item.id, conditionsOf(item)]))
    return (after[collection] as Conditional[]).flatMap((item) =>
      conditionsOf(item) < before.get(item.id)! ? [{ collection, id: item.id }] : [],
    )
  })
  return { document: after, goes, everywhere }
}
