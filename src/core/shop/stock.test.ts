import { describe, expect, test } from '@jest/globals'
import { onHand, runningLow, type StockMove } from './onShelf'
import { Stock, StockItem } from './stock'

const NOON = '2026-11-30T12:00:00Z'
const at = (hours: number) => Date.parse(NOON) + hours * 3_600_000
const item = (more: object = {}) =>
  StockItem.parse({ partNumber: 'SF-R42', name: 'Recorder lead', counted: 5, countedAt: NOON, ...more })
const moved = (count: number, hours: number, partNumber = 'SF-R42'): StockMove => ({
  partNumber,
  count,
  atMs: at(hours),
})
const left = (...moves: StockMove[]) => onHand([item()], moves)[0]!.onHand

describe('what lies on the shelf', () => {
  test('is what was counted, less what was taken since, and what came back', () => {
    expect(left()).toBe(5)
    expect(left(moved(-2, 1), moved(1, 2))).toBe(4)
  })
  test('before the count nothing counts again', () => expect(left(moved(-2, -1), moved(-1, 1))).toBe(4))
  test('a number is the same however it is typed, and another is another', () =>
    expect(left(moved(-1, 1, ' sf-r42'), moved(-4, 1, 'SF-R4'))).toBe(4))
  test('is never below nothing', () => expect(left(moved(-9, 1))).toBe(0))
})

test('what is to be ordered: so many left or fewer, where somebody watches it', () => {
  const low = (orderAt: number | null) => runningLow(onHand([item({ orderAt })], [])).length
  expect([low(4), low(5), low(null)]).toEqual([0, 1, 0])
})

test('a number twice, none at all, and half a piece are refused', () => {
  const said = (...items: object[]) => Stock.safeParse(items).error?.issues[0]?.message
  expect(said(item(), item({ partNumber: 'sf-r42 ' }))).toMatch(/twice/)
  expect(said({ ...item(), partNumber: ' ' })).toMatch(/needs its part number/)
  expect(said({ ...item(), counted: 1.5 })).toMatch(/whole number/)
  expect(said(item())).toBeUndefined()
})
