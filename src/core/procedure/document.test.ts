import { describe, expect, test } from '@jest/globals'
import { applyEdits, editsBetween, FIRST, inverseOf, replayEdits, settledBy, type Edit } from './edit'
import { migrateDocument } from './documentMigrations'
import { parseDocument, parseDocumentText } from './parseDocument'
import { danglingReferences } from './references'
import { newPart } from './part'
import { existsOn } from './existsOn'
import { forBuild } from './forBuild'
import { panelVan } from '../testing/vehicles.testing'

const van = panelVan()

describe('reading a procedure file', () => {
  test('what was written comes back the same', () => {
    expect(parseDocumentText(JSON.stringify(van))).toEqual({ ok: true, value: van })
  })
  test.each([
    ['{ "format":', 'not-json'],
    ['{"format":"something"}', 'not-a-procedure'],
    [JSON.stringify({ ...van, version: 99 }), 'unknown-version'],
    [JSON.stringify({ ...van, parts: [{ ...van.parts[0], name: '' }] }), 'wrong-fields'],
    [JSON.stringify({ ...van, holders: [{ ...van.holders[0], holds: ['nobody'] }] }), 'wrong-references'],
  ])('%.30s is refused as %s', (text, kind) => {
    const result = parseDocumentText(text)
    expect(result.ok ? 'read' : result.error.kind).toBe(kind)
  })
  test('a wrong field is answered with its place and a sentence', () => {
    const result = parseDocument({ ...van, holders: [van.holders[0], { ...van.holders[1], count: 0 }] })
    expect(result).toMatchObject({
      ok: false,
      error: {
        kind: 'wrong-fields',
        places: [{ place: 'holders 2, count', sentence: 'A group has at least one fastener.' }],
      },
    })
  })
  test('an id used twice and a choice that does not exist are found', () => {
    const twice = danglingReferences({ ...van, parts: [...van.parts, van.parts[0]!] })
    expect(twice).toContainEqual({ problem: 'twice', itemId: 'liner' })
    const cover = { ...van.parts.find((part) => part.id === 'cover')!, when: { gearbox: ['steam'] } }
    expect(
      danglingReferences({ ...van, parts: van.parts.map((part) => (part.id === 'cover' ? cover : part)) }),
    ).toContainEqual({ problem: 'wrong-value', collection: 'parts', itemId: 'cover', field: 'when', value: 'steam' })
  })
  test('older documents are brought forward step by step', () => {
    const steps = {
      1: (d: Record<string, unknown>) => ({ ...d, added: true }),
      2: (d: Record<string, unknown>) => ({ ...d, more: 2 }),
    }
    expect(migrateDocument({ version: 1 }, 1, steps)).toEqual({ version: 3, added: true, more: 2 })
    expect(migrateDocument({ version: 3 }, 3, steps)).toEqual({ version: 3 })
  })
})

describe('conditions', () => {
  test('or inside a facet, and across facets, unknown while not told', () => {
    const when = { gearbox: ['automatic', 'double'], starter: ['key'] }
    expect(existsOn(when, { gearbox: 'double', starter: 'key' })).toBe('yes')
    expect(existsOn(when, { gearbox: 'manual' })).toBe('no')
    expect(existsOn(when, { gearbox: 'automatic' })).toBe('unknown')
  })
  test('an untold facet keeps its items in and is named', () => {
    const open = forBuild(van, {})
    expect(open.parts.has('cover')).toBe(true)
    expect([...open.openFacets].sort()).toEqual(['gearbox', 'starter'])
  })
  test('a method whose need is absent is unavailable', () => {
    const document = { ...van, parts: van.parts.filter((part) => part.id !== 'cover') }
    expect(forBuild(document, {}).methods.has('lever-by-release')).toBe(false)
    expect(forBuild(document, {}).methods.has('lever-by-ignition')).toBe(true)
  })
})

describe('edits by several people', () => {
  const rename = (from: string, to: string): Edit => ({
    kind: 'field',
    collection: 'parts',
    id: 'liner',
    field: 'name',
    from,
    to,
  })
  const apply = (edits: Edit[], document = van) => {
    const result = applyEdits(document, edits)
    if (!result.ok) throw new Error(result.error.sentence)
    return result.value
  }
  test('different fields of one item merge', () => {
    const first = apply([rename('Rubber liner', 'Rubber mat')])
    const second = apply(
      [{ kind: 'field', collection: 'parts', id: 'liner', field: 'zone', from: 'upper tray', to: 'tray' }],
      first.document,
    )
    expect(second.conflicts).toEqual([])
    expect(second.document.parts[0]).toMatchObject({ name: 'Rubber mat', zone: 'tray' })
  })
  test('the second to change the same field is shown both and nothing is lost', () => {
    const first = apply([rename('Rubber liner', 'Rubber mat')])
    const second = apply([rename('Rubber liner', 'Tray mat')], first.document)
    expect(second.document.parts[0]!.name).toBe('Rubber mat')
    expect(second.conflicts).toMatchObject([{ theirs: 'Rubber mat', reason: 'changed' }])
    const [conflict] = second.conflicts
    expect(settledBy(conflict!, 'theirs')).toEqual([])
    expect(apply(settledBy(conflict!, 'mine'), second.document).document.parts[0]!.name).toBe('Tray mat')
  })
  test('what somebody changed is not taken away unseen', () => {
    const first = apply([rename('Rubber liner', 'Rubber mat')])
    const second = apply([{ kind: 'remove', collection: 'parts', id: 'liner', item: van.parts[0]! }], first.document)
    expect(second.conflicts).toMatchObject([{ reason: 'changed-before-removal' }])
    expect(second.document.parts).toHaveLength(van.parts.length)
    const settled = apply(settledBy(second.conflicts[0]!, 'mine'), second.document)
    expect(settled.document.parts.map(({ id }) => id)).not.toContain('liner')
    expect(settledBy({ ...second.conflicts[0]!, theirs: null }, 'mine')).toEqual([])
  })
  test('an edit that would break an item refuses the set with a sentence', () => {
    expect(applyEdits(van, [rename('Rubber liner', '')])).toMatchObject({
      ok: false,
      error: { sentence: 'A part needs a name.' },
    })
  })
  test('undo sends the inverse and brings back what was there', () => {
    const edits: Edit[] = [
      rename('Rubber liner', 'Mat'),
      { kind: 'add', collection: 'parts', item: newPart('x', 'Extra'), after: null },
      { kind: 'remove', collection: 'cautions', id: van.cautions[0]!.id, item: van.cautions[0]! },
    ]
    const there = apply(edits).document
    const back = apply(inverseOf(edits, van), there).document
    expect(there).not.toEqual(van)
    expect(back).toEqual(van)
  })
  test('whatever is taken away, one or several beside each other, undo brings it back to its place', () => {
    for (const [first, number] of van.parts.flatMap((_, i) => [1, 2, 3].map((n) => [i, n] as const))) {
      const edits = van.parts
        .slice(first, first + number)
        .map((item): Edit => ({ kind: 'remove', collection: 'parts', id: item.id, item }))
      expect(apply(inverseOf(edits, van), apply(edits).document).document.parts).toEqual(van.parts)
    }
  })
  test('a replayed addition stands where it was put', () => {
    const add = (id: string, after: string | null): Edit => ({
      kind: 'add',
      collection: 'parts',
      item: newPart(id, id),
      after,
    })
    const [one, two] = van.parts
    const replayed = replayEdits(van, [add('a', FIRST), add('b', one!.id), add('c', null), add('d', 'gone')])
    expect(replayed.parts.map(({ id }) => id)).toEqual([
      ...['a', one!.id, 'b', two!.id],
      ...van.parts.slice(2).map(({ id }) => id),
      ...['c', 'd'],
    ])
  })
  test('the edits between two documents lead from one to the other, and back again', () => {
    const next = {
      ...van,
      name: 'Panel van, long',
      parts: [newPart('extra', 'Extra trim'), ...van.parts.slice(2)],
      holders: van.holders.map((h) => ({ ...h, count: h.count + 1 })),
    }
    const there = apply(editsBetween(van, next)).document
    expect(there.parts.map((p) => p.id)).toEqual(next.parts.map((p) => p.id))
    expect(there.holders).toEqual(next.holders)
    expect(apply(editsBetween(there, van), there).document).toEqual(van)
  })
})
