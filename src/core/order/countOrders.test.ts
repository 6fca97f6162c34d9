import { describe, expect, test } from '@jest/globals'
import { countOrders } from './countOrders'

const subsets = (n: number) => {
  const size = 1 << n
  return Array.from({ length: size }, (_, set) =>
    Array.from({ length: n }, (_, bit) => set & ~(1 << bit)).filter((other) => other !== set),
  )
}
const grid = (n: number) =>
  Array.from({ length: 2 * n }, (_, i) => [...(i % n > 0 ? [i - 1] : []), ...(i >= n ? [i - n] : [])])

// Published: Dedekind numbers, OEIS A000372 (from memory).
describe('states of a job: order ideals of the Boolean lattice', () => {
  test.each([
    [0, 2],
    [1, 3],
    [2, 6],
    [3, 20],
    [4, 168],
  ])('B_%i has %i', (n, ideals) => {
    expect(countOrders(subsets(n))!.ideals).toBe(ideals)
  })
})

// Published: linear extensions of B_n, OEIS A046873 (from memory).
describe('valid orders of the Boolean lattice', () => {
  test.each([
    [0, 1n],
    [1, 1n],
    [2, 2n],
    [3, 48n],
    [4, 1680384n],
  ])('B_%i has %s', (n, orders) => {
    expect(countOrders(subsets(n))!.orders).toBe(orders)
  })
})

// Published: Catalan numbers, OEIS A000108 (from memory).
test.each([
  [0, 1n],
  [1, 1n],
  [2, 2n],
  [3, 5n],
  [4, 14n],
  [5, 42n],
  [6, 132n],
])('the 2 x %i grid has %s orders', (n, orders) => {
  expect(countOrders(grid(n))!.orders).toBe(orders)
})

test('beyond the limit it says so instead of counting on', () => {
  expect(countOrders(subsets(4), 100)).toBeNull()
})
