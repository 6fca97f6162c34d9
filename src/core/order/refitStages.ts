import type { Id } from '../base/id'
import { keyOf, splitKey } from '../procedure/acts'
import type { Because, Demand, Edge, Operation } from './operation'
import type { Removal } from './removal'

/** Adds one "before" where both are there and differ. */
export type Order = (before: string | undefined, after: string | undefined, because: Because) => void

/** All started by hand, adjusted, then made snug, in the order the record says. */
export function tightenInStages(removal: Removal, operations: Map<string, Operation>, order: Order): void {
  for (const [partId, level] of removal.levels) {
    if (level === 'eased') continue
    const { startAllFirst, tightenOrder } = removal.model.parts.get(partId)!.refit
    const groups = (removal.model.holdersOf.get(partId) ?? [])
      .map((holder) => keyOf('fasten', holder.id))
      .filter((key) => operations.has(key))
    const said = tightenOrder.map((id) => keyOf('fasten', id)).filter((key) => groups.includes(key))
    if (startAllFirst) {
      for (const key of groups) {
        const start = keyOf('start', splitKey(key)[1])
        operations.set(start, { ...operations.get(key)!, key: start, act: 'start' })
        for (const group of groups) order(start, group, { kind: 'started first', partId })
      }
    }
    // What bears the weight goes in first; where all are started before any is made snug, it is started first.
    const begins = startAllFirst ? 'start' : said.length === 0 ? 'fasten' : null
    if (begins) weightFirst(removal, partId, groups, begins, order)
    for (let i = 1; i < said.length; i++) order(said[i - 1], said[i], { kind: 'tightened in order', partId })
    if (said.length > 0)
      for (const key of groups) if (!said.includes(key)) order(said.at(-1), key, { kind: 'tightened in order', partId })
  }
}

/** What bears the weight of a part is begun before everything else that holds it. */
function weightFirst(
  removal: Removal,
  partId: Id,
  groups: readonly string[],
  begins: 'start' | 'fasten',
  order: Order,
): void {
  const bears = (key: string) => removal.model.holders.get(splitKey(key)[1])!.bearsWeight
  const beginning = (key: string) => keyOf(begins, splitKey(key)[1])
  for (const bearer of groups.filter(bears))
    for (const key of groups)
      if (!bears(key))
        order(beginning(bearer), beginning(key), { kind: 'bears', holderId: splitKey(bearer)[1], partId })
}

/** A fastener is started where and when it could be made snug: what that waits for, the start waits for. */
export function startLikeFastening(
  operations: ReadonlyMap<string, Operation>,
  edges: Edge[],
  demands: Map<string, Demand[]>,
): void {
  // Once through the edges, however many groups are started first.
  const startOf = new Map<string, string>()
  for (const [key, operation] of operations)
    if (operation.act === 'start') startOf.set(keyOf('fasten', operation.itemId), key)
  if (startOf.size === 0) return
  const stated = edges.length
  for (let at = 0; at < stated; at++) {
    const edge = edges[at]!
    const start = startOf.get(edge.after)
    if (
      start !== undefined &&
      operations.get(edge.before)?.act !== 'start' &&
      edge.because.kind !== 'tightened in order' &&
      edge.because.kind !== 'bears'
    )
      edges.push({ ...edge, after: start })
  }
  for (const [fasten, start] of startOf)
    for (const demand of demands.get(fasten) ?? []) addDemand(demands, start, demand)
}

/** Adds a demand unless the same is there. */
export function addDemand(demands: Map<string, Demand[]>, key: string, demand: Demand): void {
  const list = demands.get(key) ?? []
  if (!list.some((known) => known.settingId === demand.settingId && known.value === demand.value)) list.push(demand)
  demands.set(key, list)
}
