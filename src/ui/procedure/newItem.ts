import type { Id } from '@/core/base/id'
import { ITEM_SCHEMA, type Collection, type ProcedureDocument } from '@/core/procedure/document'

/** A short id that is new in the document; made by the client, never reused. */
export function newId(prefix: string): Id {
  return `${prefix}-${crypto.randomUUID().slice(0, 8)}`
}

/** A fact as somebody would begin to state it. `partId` presets what it belongs to. */
export function blankItem(document: ProcedureDocument, collection: Collection, partId: Id | null): { id: Id } {
  const part = partId ?? document.parts[0]?.id ?? ''
  const id = newId(collection.slice(0, 4))
  switch (collection) {
    case 'parts':
      return filled(collection, { id, name: 'New part', station: document.parts.at(-1)?.station ?? 'centre' }, { name: '' })
    case 'holders':
      return filled(collection, { id, kind: 'spring clip', count: 1, holds: [part || 'x'] }, { holds: part ? [part] : [] })
    case 'tethers':
      return filled(collection, { id, name: 'New', partId: part || 'x' }, { name: '', partId: part })
    case 'needs':
      return filled(collection, { id, dependent: { act: 'release', id: part || 'x' }, needs: { kind: 'part', partId: part || 'x', level: 'off' }, reason: 'traps' }, {})
    case 'settings':
      return filled(collection, { id, name: 'New', values: ['on', 'off'], asFound: 'off' }, { name: '' })
    case 'cavities':
      return filled(collection, { id, name: 'New', openings: [{ id: newId('way'), parts: [{ partId: part || 'x', level: 'off' }] }] }, { name: '' })
    case 'facets':
      return filled(collection, { id, name: 'New', choices: [1, 2].map(() => ({ id: newId('choice'), name: 'x' })) }, { name: '' })
    case 'functions':
      return filled(collection, { id, name: 'New' }, { name: '' })
    case 'cautions':
      return filled(collection, { id, severity: 'CAUTION', sentence: 'New', at: { itemId: part || 'x' } }, { sentence: '' })
    case 'views':
      return filled(collection, { id, name: 'New', widthMm: 1600, heightMm: 1000 }, { name: '' })
  }
}

/** Defaults come from the record's own schema; then what must be typed is emptied again. */
function filled(collection: Collection, seed: object, empty: object): { id: Id } {
  return { ...ITEM_SCHEMA[collection].parse(seed), ...empty } as { id: Id }
}

/** A copy of a fact under a new id; ids inside it (methods, openings) are new too. Its marks stay with the original. */
export function duplicateItem(collection: Collection, item: { id: Id }): { id: Id } {
  const copy = structuredClone(item) as Record<string, unknown> & { id: Id }
  copy.id = newId(collection.slice(0, 4))
  if (typeof copy.name === 'string') copy.name = `${copy.name} (copy)`.slice(0, 60)
  if ('positions' in copy) copy.positions = []
  if ('outline' in copy) copy.outline = null
  for (const key of ['methods', 'openings', 'choices'])
    if (Array.isArray(copy[key])) copy[key] = (copy[key] as object[]).map((row) => ({ ...row, id: newId(key.slice(0, 4)) }))
  return copy
}
