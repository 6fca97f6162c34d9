/** @jest-environment jsdom */
import { expect, jest, test } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import { Kit } from '@/core/shop/kit'
import { useKitDraft } from './useKitDraft'

const kit = Kit.parse({ id: 'k', name: 'Kit', parts: [{ id: 'a', name: 'A' }] })
const part = (id: string, name: string) => ({ ...kit.parts[0]!, id, name })

function begun() {
  let nowMs = 1_000_000
  jest.spyOn(Date, 'now').mockImplementation(() => nowMs)
  const { result } = renderHook(() => useKitDraft(kit))
  return {
    result,
    later: (ms: number) => (nowMs += ms),
    set: (more: Partial<Kit>) => act(() => result.current.set(more)),
    undo: () => act(() => result.current.undo()),
  }
}

test('letters typed one after the other are taken back together', () => {
  const { result, set, undo, later } = begun()
  for (const name of ['F', 'Fi', 'Fit']) {
    later(200)
    set({ name })
  }
  expect(result.current.kit.name).toBe('Fit')
  undo()
  expect([result.current.kit.name, result.current.canUndo]).toEqual(['Kit', false])
})
test('after a pause it is another change', () => {
  const { result, set, undo, later } = begun()
  set({ name: 'Fit' })
  later(2_000)
  set({ name: 'Fit a recorder' })
  undo()
  expect(result.current.kit.name).toBe('Fit')
})
test('what is added or taken away is a change of its own, however quick; and of another thing too', () => {
  const { result, set, undo } = begun()
  set({ parts: [...kit.parts, part('b', 'B')] })
  set({ parts: [...kit.parts, part('b', 'B'), part('c', 'C')] })
  set({ parts: [part('a', 'AA'), ...result.current.kit.parts.slice(1)] })
  undo()
  expect(result.current.kit.parts.map(({ name }) => name)).toEqual(['A', 'B', 'C'])
  undo()
  undo()
  expect(result.current.kit).toEqual(kit)
})
test('with nothing to take back it stays as it is', () => {
  const { result, undo } = begun()
  undo()
  expect(result.current.kit).toBe(kit)
})
