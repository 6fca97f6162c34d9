import { describe, expect, test } from '@jest/globals'
import { alg, Graph } from '@dagrejs/graphlib'
import { seededRandom } from '../base/random'
import { fewestPairs, loopGroups, reachedFrom, successors, type Pair } from './graph'
import { KeyGraph } from './keyGraph'

// Checked against a graph library: its own reachability (Floyd and Warshall) and its own strongly connected components.

function randomPairs(seed: number, size: number, loops: boolean): { keys: string[]; pairs: Pair[] } {
  const random = seededRandom(seed)
  const keys = Array.from({ length: size }, (_, i) => `k${i}`)
  const pairs: Pair[] = []
  for (let a = 0; a < size; a++)
    for (let b = 0; b < size; b++)
      if (a !== b && (loops || a < b) && random.chance(loops ? 0.12 : 0.3))
        pairs.push({ before: keys[a]!, after: keys[b]! })
  return { keys, pairs }
}
function libraryGraph(keys: readonly string[], pairs: readonly Pair[]): Graph {
  const graph = new Graph({ directed: true })
  for (const key of keys) graph.setNode(key)
  for (const { before, after } of pairs) graph.setEdge(before, after)
  return graph
}
const reachable = (keys: readonly string[], pairs: readonly Pair[]) => {
  const distances = alg.floydWarshall(libraryGraph(keys, pairs), () => 1)
  return keys
    .flatMap((a) => keys.filter((b) => a !== b && distances[a]![b]!.distance < Infinity).map((b) => `${a}>${b}`))
    .sort()
}
const SEEDS = Array.from({ length: 60 }, (_, i) => i + 1)

describe.each(SEEDS)('seed %i', (seed) => {
  const { keys, pairs } = randomPairs(seed, 4 + (seed % 9), false)
  test('the fewest pairs say the same as all of them, and none can be left out', () => {
    const fewest = fewestPairs(pairs)
    const all = reachable(keys, pairs)
    expect(reachable(keys, fewest)).toEqual(all)
    for (const gone of fewest)
      expect(
        reachable(
          keys,
          fewest.filter((pair) => pair !== gone),
        ),
      ).not.toEqual(all)
  })
  test('what comes before and after agrees with the library', () => {
    const all = new Set(reachable(keys, pairs))
    for (const key of keys) {
      expect([...reachedFrom(successors(pairs), key)].sort()).toEqual(
        keys.filter((other) => all.has(`${key}>${other}`)).sort(),
      )
      expect(new KeyGraph(pairs).after([key]).keys().sort()).toEqual([...reachedFrom(successors(pairs), key)].sort())
      expect(new KeyGraph(pairs).before([key]).keys().sort()).toEqual(
        keys.filter((other) => all.has(`${other}>${key}`)).sort(),
      )
    }
  })
  test('loop groups are the library’s strongly connected components', () => {
    const looped = randomPairs(seed, 4 + (seed % 9), true)
    expect([new KeyGraph(pairs).hasLoop(), new KeyGraph(looped.pairs).hasLoop()]).toEqual([
      !alg.isAcyclic(libraryGraph(keys, pairs)),
      !alg.isAcyclic(libraryGraph(looped.keys, looped.pairs)),
    ])
    const group = loopGroups(looped.keys, looped.pairs)
    const ours = new Map<number, string[]>()
    for (const key of looped.keys) ours.set(group.get(key)!, [...(ours.get(group.get(key)!) ?? []), key])
    const named = (sets: string[][]) => sets.map((set) => [...set].sort().join()).sort()
    expect(named([...ours.values()])).toEqual(named(alg.tarjan(libraryGraph(looped.keys, looped.pairs))))
  })
})

test('pairs of what is not among the keys say nothing, and hurt nobody', () => {
  const keys = ['a', 'b']
  const inside: Pair[] = [
    { before: 'a', after: 'b' },
    { before: 'b', after: 'a' },
  ]
  const outside: Pair[] = [
    { before: 'a', after: 'gone' },
    { before: 'gone', after: 'b' },
    { before: 'gone', after: 'lost' },
  ]
  const groups = (pairs: Pair[]) => [...loopGroups(keys, pairs).values()]
  expect(new Set(groups([...inside, ...outside])).size).toBe(1)
  expect(new Set(groups([inside[0]!, ...outside])).size).toBe(2)
})
