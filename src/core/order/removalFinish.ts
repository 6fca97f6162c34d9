import type { Id } from '../base/id'
import { ORDER_ONLY } from '../procedure/needReasons'
import { mayRestFree } from '../procedure/resting'
import { fewestPairs, loopGroups, reachedFrom, successors } from './graph'
import { hasLoop } from './loop'
import { keyDoing, type Edge } from './operation'
import { isEarly } from './reach'
import type { RemovalParts } from './removalParts'
import { seenOrders } from './seenOrders'
import { keyOf, splitKey } from '../procedure/acts'

/**
 * A part that may not rest does its release, openings and lift as one block: what they wait for, the release waits for.
 */
export function keepInOneGo(draft: RemovalParts): void {
  const incoming = new Map<string, Edge[]>()
  for (const edge of draft.edges) {
    const list = incoming.get(edge.after)
    if (list) list.push(edge)
    else incoming.set(edge.after, [edge])
  }
  for (const [partId, level] of draft.levels) {
    if (level !== 'off' || mayRestFree(draft.model.parts.get(partId)!)) continue
    const release = keyOf('release', partId)
    const { inside, early } = blockOf(draft, partId)
    const waitedFor = [...inside].filter((key) => key !== release).flatMap((key) => incoming.get(key) ?? [])
    for (const { before } of waitedFor)
      if (!inside.has(before) && !early.has(before)) draft.order(before, release, { kind: 'in one go', partId })
    // No setting is touched in between: what any act of the block demands, the release demands.
    for (const key of inside) for (const demand of draft.demands.get(key) ?? []) draft.addDemand(release, demand)
  }
}

/** The acts done in one go with a part that may not rest, and the plugs that are opened before it comes free. */
function blockOf(draft: RemovalParts, partId: Id): { inside: Set<string>; early: Set<string> } {
  const inside = new Set<string>([keyOf('release', partId), keyOf('lift', partId)])
  const early = new Set<string>()
  for (const tether of draft.model.tyingOf.get(partId) ?? [])
    (isEarly(tether) ? early : inside).add(keyOf('open', tether.id))
  return { inside, early }
}

/**
 * A part that was to be eased and comes free anyway: its release answers for both, unless something that comes before
 * the release needs it eased; then it is eased first.
 */
export function settleEased(draft: RemovalParts): void {
  const eased = [...draft.operations.values()].filter(
    (operation) => operation.act === 'ease' && draft.operations.has(keyOf('release', operation.itemId)),
  )
  if (eased.length === 0) return
  const answered = new Map(eased.map((operation) => [operation.key, keyOf('release', operation.itemId)]))
  // Nearly always the release can answer for all of them. Where that closes a circle, those in it are eased first.
  const keys = [...draft.operations.keys()]
  const merged = answeredEdges(draft.edges, answered)
  if (hasLoop(keys, merged)) {
    const group = loopGroups(keys, merged)
    const size = new Map<number, number>()
    for (const number of group.values()) size.set(number, (size.get(number) ?? 0) + 1)
    for (const [key, release] of answered) if (size.get(group.get(release)!)! > 1) answered.delete(key)
  }
  for (const operation of eased) {
    const { key, itemId: partId } = operation
    if (!answered.has(key)) draft.order(key, keyOf('release', partId), { kind: 'eased first', partId })
    else for (const map of [draft.operations, draft.demands]) map.delete(key)
  }
  draft.edges = answeredEdges(draft.edges, answered)
  for (const [other, why] of draft.broughtIn)
    if (why.by !== null && answered.has(why.by)) draft.broughtIn.set(other, { ...why, by: answered.get(why.by)! })
}

/**
 * Which movement each pulled group lets go in: the first of those that are made. Of several parts it holds, the one
 * that has to move first anyway, else the one stated first; the others wait for it.
 */
export function letGoWithThePull(draft: RemovalParts): void {
  for (const [holderId, pulls] of draft.pulledBy) {
    const { holds } = draft.model.holders.get(holderId)!
    const alive = pulls
      .filter(({ key }) => draft.operations.has(key))
      .sort((a, b) => holds.indexOf(a.partId) - holds.indexOf(b.partId))
    const first = alive.length > 1 ? firstOf(draft, alive) : alive[0]
    if (!first) continue
    const operation = draft.operations.get(first.key)!
    draft.operations.set(first.key, { ...operation, pulled: [...(operation.pulled ?? []), holderId] })
    for (const { key, partId } of alive)
      if (partId !== first.partId) draft.order(first.key, key, { kind: 'holds', holderId, partId })
  }
}

function firstOf<T extends { key: string }>(draft: RemovalParts, pulls: readonly T[]): T {
  const then = successors(draft.edges)
  const reach = new Map(pulls.map(({ key }) => [key, reachedFrom(then, key)]))
  return (
    pulls.find(({ key }) => pulls.every((other) => other.key === key || !reach.get(other.key)!.has(key))) ?? pulls[0]!
  )
}

/** What bears a part's weight comes out last of all that is undone by itself. */
export function weightLast(draft: RemovalParts): void {
  for (const operation of [...draft.operations.values()]) {
    const holder = operation.act === 'undo' ? draft.model.holders.get(operation.itemId)! : null
    if (!holder?.bearsWeight) continue
    for (const partId of holder.holds)
      for (const other of draft.model.holdersOf.get(partId) ?? [])
        if (!other.bearsWeight && draft.operations.has(keyOf('undo', other.id)))
          draft.order(keyOf('undo', other.id), operation.key, { kind: 'bears', holderId: holder.id, partId })
  }
}

/**
 * Orders that bring nothing in. What nobody has explained is dropped where it runs in a circle, with the facts or with
 * its like.
 */
export function orderOnly(draft: RemovalParts): { dropped: Id[]; sound: boolean } {
  const soft: (Edge & { needId?: Id })[] = seenOrders(draft.model.document).flatMap(({ before, after, strips }) => {
    const pair = doing(draft, before, after)
    return pair ? [{ ...pair, because: { kind: 'seen' as const, strips } }] : []
  })
  for (const need of draft.model.needs) {
    if (!ORDER_ONLY.includes(need.reason) || need.reason === 'habit' || need.needs.kind !== 'operation') continue
    const pair = doing(draft, `${need.needs.act}:${need.needs.id}`, `${need.dependent.act}:${need.dependent.id}`)
    if (!pair) continue
    const { before, after } = pair
    if (need.reason === 'method') draft.order(before, after, { kind: 'need', needId: need.id })
    else soft.push({ before, after, because: { kind: 'need', needId: need.id }, needId: need.id })
  }
  const keys = [...draft.operations.keys()]
  if (!hasLoop(keys, [...draft.edges, ...soft])) {
    obey(draft, soft)
    return { dropped: [], sound: true }
  }
  const group = loopGroups(keys, [...draft.edges, ...soft])
  const kept = soft.filter((edge) => group.get(edge.before) !== group.get(edge.after))
  obey(draft, kept)
  return {
    dropped: soft.flatMap((edge) => (edge.needId !== undefined && !kept.includes(edge) ? [edge.needId] : [])),
    sound: false,
  }
}

/** The operations that do what an order speaks of; null where one is not made, or one movement is both. */
function doing(draft: RemovalParts, before: string, after: string): Pick<Edge, 'before' | 'after'> | null {
  const [first, then] = [before, after].map((key) =>
    draft.operations.has(key) ? key : keyDoing(draft.operations, ...splitKey(key)),
  )
  return first !== undefined && then !== undefined && first !== then ? { before: first, after: then } : null
}

/** Stated ones all; of those only seen the fewest that say the same. */
function obey(draft: RemovalParts, soft: readonly (Edge & { needId?: Id })[]): void {
  const stated = soft.filter((edge) => edge.needId !== undefined)
  for (const edge of [...stated, ...fewestPairs(soft.filter((edge) => edge.needId === undefined))])
    draft.order(edge.before, edge.after, edge.because)
}

/** The edges with each eased part's release in the place of its easing. */
function answeredEdges(edges: readonly Edge[], answered: ReadonlyMap<string, string>): Edge[] {
  const kept: Edge[] = []
  for (const edge of edges) {
    if (answered.has(edge.after)) continue
    const release = answered.get(edge.before)
    kept.push(release === undefined ? edge : { ...edge, before: release })
  }
  return kept
}
