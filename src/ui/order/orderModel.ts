import type { Id } from '@/core/base/id'
import { fewestPairs } from '@/core/order/graph'
import { layersOf, partLinks, type Layered, type PartLink } from '@/core/order/layers'
import { agreement, learnOrder, type LearntOrders, type Strip } from '@/core/order/learntOrder'
import { deriveAsFarAsPossible } from '@/core/order/deriveRemoval'
import type { Removal } from '@/core/order/removal'
import { standingOrders, type StandingOrder } from '@/core/order/standingOfOrder'
import type { Goal } from '@/core/order/wish'
import type { ProcedureDocument } from '@/core/procedure/document'
import { forBuild } from '@/core/procedure/forBuild'
import type { Build } from '@/core/procedure/when'
import { keyOf } from '@/core/procedure/acts'

/** A link as it is drawn: the relation, why it holds, and how many strips that have both show it so. */
export type ShownLink = PartLink & { agree: number; of: number }

export type OrderView = {
  removal: Removal
  layers: Layered[]
  links: ShownLink[]
  learnt: LearntOrders
  standing: StandingOrder[]
}

/**
 * What the Order tab shows for a goal and a build: layers, the fewest links that say everything, and what strips have
 * taught.
 */
export function orderView(
  document: ProcedureDocument,
  goals: readonly Goal[],
  build: Build,
  strips: readonly Strip[],
): OrderView {
  const model = forBuild(document, build)
  const { removal } = deriveAsFarAsPossible(model, goals, { openings: {}, methods: {}, resting: 'rest' })
  const all = partLinks(removal)
  const links = fewestPairs(all).map((link): ShownLink => ({
    ...link,
    ...partAgreement(strips, link.before, link.after),
  }))
  const moves = new Set(
    [...removal.operations.values()]
      .filter((operation) => operation.act === 'release')
      .map((operation) => operation.key),
  )
  const learnt = learnOrder(strips, moves)
  return {
    removal,
    layers: layersOf(removal, all),
    links,
    learnt,
    standing: standingOrders(document, learnt, removal.edges),
  }
}

/** Everything that can come off. */
export function everything(document: ProcedureDocument): Goal[] {
  return document.parts.map((part) => ({ kind: 'part', partId: part.id, level: 'off' }))
}

function partAgreement(strips: readonly Strip[], before: Id, after: Id): { agree: number; of: number } {
  return agreement(
    strips.filter((strip) => !strip.brokeRule),
    keyOf('release', before),
    keyOf('release', after),
  )
}
