import type { Id } from '../../base/id'
import { KeyGraph } from '../../order/keyGraph'
import type { Edge } from '../../order/operation'
import { isEarly } from '../../order/reach'
import { mayRestFree } from '../../procedure/resting'
import type { DerivedJob } from './derivedJob'
import { keyOf } from '../../procedure/acts'

/**
 * A part that may not rest goes back in one go as well: placed, its leads fed through and plugged, and pushed home
 * while it is held. What any act of the go waits for, the placing waits for, and no setting is touched in between.
 * Where something else has to come between (a test before its own push home), it is held the while, and no go is made
 * of it. Returns the keys of each go, by part. Cost: O(parts x edges).
 */
export function addBackInOneGo(job: DerivedJob): Map<Id, string[]> {
  const { operations, edges } = job.refit
  const goes = new Map<Id, string[]>()
  const graph = new KeyGraph(edges)
  for (const [partId, level] of job.removal.levels) {
    if (level !== 'off' || mayRestFree(job.model.parts.get(partId)!) || !operations.has(keyOf('place', partId)))
      continue
    const keys = goOf(job, graph, partId)
    if (keys === null || !agree(job, keys)) continue
    goes.set(partId, keys)
    const added = waitsFor(edges, keys).map((edge): Edge => ({
      ...edge,
      after: keys[0]!,
      because: { kind: 'in one go', partId },
    }))
    edges.push(...added)
    for (const edge of added) graph.add(edge)
    const wanted = new Map(
      keys.flatMap((key) => job.refit.demands.get(key) ?? []).map((demand) => [demand.settingId, demand]),
    )
    job.refit.demands.set(keys[0]!, [...wanted.values()])
  }
  return goes
}

/**
 * Placing, leads, plugs and the push home of a part, in an order that holds; null where anything else has to come
 * between.
 */
function goOf({ model, refit: { operations } }: DerivedJob, graph: KeyGraph, partId: Id): string[] | null {
  const [place, seat] = [keyOf('place', partId), keyOf('seat', partId)]
  const late = (model.tyingOf.get(partId) ?? []).filter((tether) => !isEarly(tether))
  const after = graph.after([place])
  const before = graph.before([seat])
  const feeds = [...operations.values()]
    .filter(({ key, act }) => act === 'feed' && after.has(key) && before.has(key))
    .map(({ key }) => key)
  const closes = late.map((tether) => keyOf('close', tether.id)).filter((key) => operations.has(key))
  const keys = [place, ...feeds, ...closes, seat]
  const own = new Set(keys)
  const reachesIn = graph.before(keys)
  const isBetween = graph
    .after(keys)
    .keys()
    .some((key) => !own.has(key) && reachesIn.has(key))
  return isBetween ? null : keys
}

/** Whether every setting is wanted at one value all through it. */
function agree(job: DerivedJob, keys: readonly string[]): boolean {
  const wanted = new Map<Id, string>()
  return keys.every((key) =>
    (job.refit.demands.get(key) ?? []).every(({ settingId, value }) => {
      const known = wanted.get(settingId) ?? value
      wanted.set(settingId, value)
      return known === value
    }),
  )
}

/** What the acts after the first wait for, apart from each other. */
function waitsFor(edges: readonly Edge[], keys: readonly string[]): Edge[] {
  const own = new Set(keys)
  return edges.filter((edge) => edge.after !== keys[0] && own.has(edge.after) && !own.has(edge.before))
}
