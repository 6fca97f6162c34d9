/** @jest-environment jsdom */
import { expect, test } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import { applyEdits, type Edit } from '@/core/procedure/edit'
import { smallDash } from '@/core/testing/smallDash.testing'
import type { ProcedureDocument } from '@/core/procedure/document'
import { useDraft, type EditDraft } from './useDraft'

/** A shop that merges as the server does; `away`: it can’t be reached. */
function fakeShop(document: ProcedureDocument) {
  const shop = { document, away: false, sent: 0 }
  const edit: EditDraft = async (_id, edits) => {
    shop.sent += 1
    if (shop.away) throw new TypeError('no network')
    const applied = applyEdits(shop.document, edits)
    if (!applied.ok) return { status: 'refused', sentence: applied.error.sentence }
    shop.document = applied.value.document
    return { status: 'saved', ...applied.value, problems: [], version: shop.sent, evidence: new Map() }
  }
  return { shop, edit }
}
const count = (from: number, to: number): Edit => ({
  kind: 'field',
  collection: 'holders',
  id: 'screws',
  field: 'count',
  from,
  to,
})
const screws = (document: ProcedureDocument) => document.holders.find(({ id }) => id === 'screws')!.count

function begin() {
  const document = smallDash()
  const { shop, edit } = fakeShop(document)
  const { result } = renderHook(() => useDraft('p', { document, problems: [], evidence: new Map() }, edit))
  const save = (...edits: Edit[]) => act(() => result.current.save(edits))
  return { shop, result, save }
}

test('what is saved shows as the shop has it, and undo takes it back act by act', async () => {
  const { result, save, shop } = begin()
  expect(await save(count(4, 5))).toBeNull()
  expect(await save(count(5, 6))).toBeNull()
  expect([screws(result.current.document), result.current.changed, result.current.canUndo]).toEqual([6, true, true])
  await act(() => result.current.undo())
  expect(screws(result.current.document)).toBe(5)
  await act(() => result.current.undo())
  expect(screws(shop.document)).toBe(4)
  expect(result.current.canUndo).toBe(false)
  expect(await act(() => result.current.undo())).toBeNull()
})

test('a newer value of somebody else is shown; mine over theirs only where that is said', async () => {
  const { result, save, shop } = begin()
  const other = applyEdits(shop.document, [count(4, 8)])
  if (other.ok) shop.document = other.value.document
  expect(await save(count(4, 5))).toBeNull()
  expect(result.current.conflicts).toHaveLength(1)
  expect(screws(result.current.document)).toBe(8)
  expect(result.current.canUndo).toBe(false)
  await act(() => result.current.settle(result.current.conflicts[0]!, 'mine'))
  expect([screws(shop.document), result.current.conflicts.length]).toEqual([5, 0])
})

test('theirs stays where that is said', async () => {
  const { result, save, shop } = begin()
  const other = applyEdits(shop.document, [count(4, 8)])
  if (other.ok) shop.document = other.value.document
  await save(count(4, 5))
  await act(() => result.current.settle(result.current.conflicts[0]!, 'theirs'))
  expect([screws(shop.document), result.current.conflicts.length]).toEqual([8, 0])
})

test('out of reach, or refused: a sentence comes back, nothing has changed, and saving is over', async () => {
  const { result, save, shop } = begin()
  shop.away = true
  expect(await save(count(4, 5))).toMatch(/can’t be reached.*still here/)
  shop.away = false
  expect(await save(count(4, -3))).toMatch(/\S/)
  expect([screws(result.current.document), result.current.changed, result.current.saving]).toEqual([4, false, false])
  expect(await save()).toBeNull()
  expect(shop.sent).toBe(2)
})
