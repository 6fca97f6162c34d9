import { expect, test } from '@jest/globals'
import { alg, Graph } from '@dagrejs/graphlib'
import { seededRandom } from '../base/random'
import { hasLoop, shortestLoop } from './loop'
import type { Edge } from './operation'

const edge = (before: string, after: string): Edge => ({ before, after, because: { kind: 'goal' } })
const names = (loop: readonly Edge[] | null) => loop && loop.map(({ before, after }) => `${before}${after}`).join(' ')

/** The length of the shortest loop by trying every walk from every key, apart from the search that is tested. */
function byBruteForce(keys: readonly string[], edges: readonly Edge[]): number {
  let best = Infinity
  const walk = (start: string, at: string, seen: readonly string[]) => {
    for (const { before, after } of edges) {
      if (before !== at) continue
      if (after === start) best = Math.min(best, seen.length)
      else if (!seen.includes(after)) walk(start, after, [...seen, after])
    }
  }
  for (const key of keys) walk(key, key, [key])
  return best
}

test('400 drawn orders: a loop is found exactly where a graph library finds one, closed, of given edges, and shortest', () => {
  const random = seededRandom(20261129)
  let loops = 0
  for (let round = 0; round < 400; round++) {
    const keys = Array.from({ length: 2 + random.below(6) }, (_, i) => 'abcdefgh'[i]!)
    const edges = Array.from({ length: random.below(12) }, () => edge(random.pick(keys), random.pick(keys)))
    const graph = new Graph()
    for (const key of keys) graph.setNode(key)
    for (const { before, after } of edges) graph.setEdge(before, after)
    const loop = shortestLoop(keys, edges)
    expect([hasLoop(keys, edges), loop !== null]).toEqual(Array(2).fill(!alg.isAcyclic(graph)))
    if (!loop) continue
    loops += 1
    expect(loop).toHaveLength(byBruteForce(keys, edges))
    for (const [i, one] of loop.entries()) {
      expect(edges).toContain(one)
      expect(one.after).toBe(loop[(i + 1) % loop.length]!.before)
    }
    // Every machine names the same one, in whichever order the facts were entered.
    const first = [...loop.map(({ before }) => before)].sort()[0]!
    expect(shortestLoop([...keys].reverse(), edges)!.some(({ before }) => before === first)).toBe(true)
  }
  expect(loops).toBeGreaterThan(100)
})
test('of two loops alike the one with the smallest key is named; a key that waits for itself is a loop', () => {
  expect(
    names(shortestLoop(['c', 'd', 'a', 'b'], [edge('c', 'd'), edge('d', 'c'), edge('b', 'a'), edge('a', 'b')])),
  ).toBe('ab ba')
  expect(names(shortestLoop(['a'], [edge('a', 'a')]))).toBe('aa')
  // What only waits for a loop is none of it.
  expect(names(shortestLoop(['a', 'b', 'c'], [edge('a', 'b'), edge('b', 'c'), edge('c', 'b')]))).toBe('bc cb')
})
test('keys that only the edges name count as well; nothing at all is sound', () => {
  expect(names(shortestLoop([], [edge('a', 'b'), edge('b', 'a')]))).toBe('ab ba')
  expect([shortestLoop([], []), shortestLoop(['a', 'b'], [edge('a', 'b')]), hasLoop(['a'], [])]).toEqual([
    null,
    null,
    false,
  ])
})
