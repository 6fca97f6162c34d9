import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { ProcedureDocument } from '../procedure/document'
import { readDocument } from '../procedure/documentMigrations'
import { smallDash } from '../testing/smallDash.testing'
import { firstLost } from './lost'

test.each([
  [{ a: 1 }, { a: 1 }, null],
  [{ a: 1, b: 2 }, { a: 1 }, 'b'],
  [{ parts: [{ id: 'p' }, { id: 'q', torqueNm: 2 }] }, { parts: [{ id: 'p' }, { id: 'q' }] }, 'parts 2, torqueNm'],
  [{ a: { b: { c: 1 } } }, { a: { b: {} } }, 'a, b, c'],
  [{ a: [1, 2] }, { a: [1] }, null],
  [{ a: 'x' }, { a: null }, null],
  [null, {}, null],
])('%j read as %j', (value, read, place) => {
  expect(firstLost(value, read)).toBe(place)
})
test('what is added by reading (a default) is not lost', () => {
  expect(firstLost({ a: 1 }, { a: 1, b: 'given' })).toBeNull()
})
test('no record that is in use loses anything by being read, and each newer collection or field is found', () => {
  const stored = ['panelVan', 'patrolMotorcycle', 'roadWorksPickup', 'smallBus'].map(
    (name) => JSON.parse(readFileSync(`src/core/testing/${name}.json`, 'utf8')) as Record<string, unknown[]>,
  )
  for (const record of stored) expect(firstLost({ ...record, version: 2 }, readDocument(record))).toBeNull()
  const dash = smallDash()
  expect(firstLost({ ...dash, looms: [] }, ProcedureDocument.parse({ ...dash, looms: [] }))).toBe('looms')
  const parts = dash.parts.map((part, i) => (i === 1 ? { ...part, colour: 'red' } : part))
  expect(firstLost({ ...dash, parts }, ProcedureDocument.parse({ ...dash, parts }))).toBe('parts 2, colour')
})
