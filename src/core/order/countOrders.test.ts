import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { countOrders, countOrdersUpTo } from './countOrders'

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

describe('counted no further than somebody asks', () => {
  test('exact up to that number, beyond it only that it is passed', () => {
    expect(countOrdersUpTo(grid(5), 42n)).toEqual({ orders: 42n, exact: true })
    expect(countOrdersUpTo(grid(5), 41n)).toEqual({ orders: 41n, exact: false })
    expect(countOrdersUpTo([], 1n)).toEqual({ orders: 1n, exact: true })
    expect(countOrdersUpTo([[], []], 1n)).toEqual({ orders: 1n, exact: false })
  })
  test('given up after so many states', () => {
    // The 2 x 3 grid has ten ideals: with the empty one the last of them is the tenth.
    expect(countOrders(grid(3))!.ideals).toBe(10)
    expect(countOrdersUpTo(grid(3), 1_000n, 10)).toEqual({ orders: 5n, exact: true })
    expect(countOrdersUpTo(grid(3), 1_000n, 9)).toBeNull()
    expect(countOrders(grid(3), 10)).not.toBeNull()
    expect(countOrders(grid(3), 9)).toBeNull()
  })
  test('the two ways of counting agree on orders drawn at random', () => {
    const random = seededRandom(18)
    for (let round = 0; round < 40; round++) {
      const n = 1 + random.below(7)
      const before = Array.from({ length: n }, (_, i) =>
        Array.from({ length: i }, (_, j) => j).filter(() => random.below(3) === 0),
      )
      const { orders } = countOrders(before)!
      expect(countOrdersUpTo(before, 10_000n)).toEqual({ orders, exact: true })
    }
  })
})
