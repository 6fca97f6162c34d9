import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import { reachedFrom, successors, type Pair } from './graph'
import type { LearntOrder, LearntOrders } from './learntOrder'
import type { Edge } from './operation'

/**
 * How an order seen in strips stands in the record. `explained`: the facts ask for it anyway; `habit` and `method`:
 * somebody has said so; `observed`: stated, and nobody has said why; `new`: the strips agree and the record does not
 * know it yet;
 * `contradicted`: stated, and a later strip went the other way.
 */
export type Standing = 'explained' | 'habit' | 'method' | 'observed' | 'new' | 'contradicted'

export type StandingOrder = Pair & { standing: Standing; strips: string[]; against: string[]; needId: Id | null }

/**
 * The soft orders of a record and of its strips, each with where it stands. Orders that follow from others by the
 * facts, or from other orders shown here, are left out. Cost: O(orders x edges).
 */
export function standingOrders(
  document: ProcedureDocument,
  learnt: LearntOrders,
  facts: readonly Edge[],
): StandingOrder[] {
  const then = successors(facts.filter((edge) => !isSoft(document, edge)))
  const follows = new Map<string, Set<string>>()
  const explained = ({ before, after }: Pair) => {
    const known = follows.get(before) ?? reachedFrom(then, before)
    follows.set(before, known)
    return known.has(after)
  }
  const seen = new Map<string, { strips: string[]; against: string[] }>()
  const note = (order: LearntOrder) => seen.set(`${order.before}>${order.after}`, { strips: order.strips, against: [] })
  learnt.kept.forEach(note)
  learnt.inCircle.forEach(note)
  for (const order of learnt.contradicted) {
    seen.set(`${order.before}>${order.after}`, { strips: order.forIt, against: order.against })
    seen.set(`${order.after}>${order.before}`, { strips: order.against, against: order.forIt })
  }
  const found: StandingOrder[] = []
  const stated = new Set<string>()
  for (const need of document.needs) {
    if (need.needs.kind !== 'operation' || !['observed', 'method', 'habit'].includes(need.reason)) continue
    const pair = { before: `${need.needs.act}:${need.needs.id}`, after: `${need.dependent.act}:${need.dependent.id}` }
    const evidence = seen.get(`${pair.before}>${pair.after}`) ?? { strips: [], against: [] }
    stated.add(`${pair.before}>${pair.after}`)
    const standing: Standing =
      need.reason === 'observed'
        ? evidence.against.length > 0
          ? 'contradicted'
          : explained(pair)
            ? 'explained'
            : 'observed'
        : (need.reason as 'method' | 'habit')
    found.push({ ...pair, ...evidence, standing, needId: need.id })
  }
  const fresh = learnt.shown.filter(
    (order) =>
      !stated.has(`${order.before}>${order.after}`) &&
      !stated.has(`${order.after}>${order.before}`) &&
      !explained(order),
  )
  return [
    ...found,
    ...fresh.map((order): StandingOrder => ({
      before: order.before,
      after: order.after,
      strips: order.strips,
      against: [],
      standing: 'new',
      needId: null,
    })),
  ]
}

function isSoft(document: ProcedureDocument, edge: Edge): boolean {
  const { because } = edge
  if (because.kind === 'seen') return true
  if (because.kind !== 'need') return false
  const reason = document.needs.find((need) => need.id === because.needId)?.reason
  return reason === 'observed' || reason === 'habit' || reason === 'method'
}
