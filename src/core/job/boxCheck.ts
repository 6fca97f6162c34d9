import type { Id } from '../base/id'
import { allCards, type PlanOnCards } from '../plan/show/planOnCards'
import type { ProcedureDocument } from '../procedure/document'
import { sameNumber, type OnShelf } from '../shop/onShelf'
import type { SupplyNeed } from '../shop/supplies'
import { decidesSupplies, suppliesToBring } from '../shop/supplyBranches'
import { NOT_COUNTED, type JobState } from './jobState'

/** A thing of a kit before the job: how many are needed, there, on their way, and short. */
export type BoxRow = SupplyNeed & {
  /** Counted in the box; null = nobody has. */
  box: number | null
  /** Taken from the shelf, or arrived, besides. */
  besides: number
  ordered: number
  /** Missing here, and lying on the shelf: to be fetched. */
  fetch: number
  /** Missing here and on the shelf: to be bought. */
  short: number
  /** Where the shop's stock lists it; null = it is on no list. */
  shelf: Pick<OnShelf, 'place' | 'onHand'> | null
  /** Facets nobody has told yet by which the need of it differs, with the choices that need it. */
  onlyIf: { facetId: Id; choiceIds: Id[] }[]
}

/** What is known of the build of a live job. */
export function toldBuildOf({ request }: Pick<PlanOnCards, 'request'>, { facets }: Pick<JobState, 'facets'>) {
  return { ...request.build, ...Object.fromEntries(facets) }
}

/**
 * What has to lie ready before a job begins, by what the branches need that are still open. Short = needed - in the
 * box - taken from the shelf - arrived - still on the shelf (`stock`); where nobody has counted, the box holds what its
 * list says. Cost: builds x things.
 */
export function boxRows(
  document: ProcedureDocument,
  plan: Pick<PlanOnCards, 'request'>,
  state: Pick<JobState, 'facets' | 'supplies'>,
  stock: readonly OnShelf[] = [],
): BoxRow[] {
  const onShelf = new Map(stock.map((item) => [sameNumber(item.partNumber), item]))
  const { kits } = plan.request
  if (kits.length === 0) return []
  const build = toldBuildOf(plan, state)
  const open = document.facets.filter(({ id }) => build[id] === undefined)
  const deciding = decidesSupplies(kits, build, open)
  return suppliesToBring(kits, build, open)
    .filter(({ needed, listed }) => needed + listed > 0)
    .map((need) => {
      const { box, stock: taken, arrived, ordered } = state.supplies.get(need.itemId) ?? NOT_COUNTED
      const there = (box ?? need.listed) + taken + arrived
      const onItsWay = Math.max(0, ordered - arrived)
      const onlyIf = deciding.flatMap(({ facetId, branches }) => {
        const choiceIds = branches.filter(({ only }) => only.some(({ itemId }) => itemId === need.itemId))
        return choiceIds.length > 0 && choiceIds.length < branches.length
          ? [{ facetId, choiceIds: choiceIds.map(({ choiceId }) => choiceId) }]
          : []
      })
      const missing = Math.max(0, need.needed - there)
      const shelf = onShelf.get(sameNumber(need.supply.partNumber)) ?? null
      const fetch = Math.min(missing, shelf?.onHand ?? 0)
      return { ...need, box, besides: taken + arrived, ordered: onItsWay, fetch, short: missing - fetch, shelf, onlyIf }
    })
}

/** Where a job would stop for want of a thing. */
export type Stop = {
  itemId: Id
  count: number
  /** Work that uses it, in the order of the plan, and what comes after that. */
  at: Id[]
  heldUp: Id[]
  /** Work that can be done without it. */
  goesOn: Id[]
  /** Functions of the kit that will not be there. */
  functions: Id[]
}

/** For each thing that is short: which work stops, what that holds up, and what can be done all the same. */
export function whereItStops(plan: PlanOnCards, rows: readonly BoxRow[]): Stop[] {
  const works = [...plan.job.works.values()]
  const order = allCards(plan).flatMap((card) => card.steps.map(({ operation }) => operation.itemId))
  const inOrder = (ids: readonly Id[]) => [...ids].sort((a, b) => order.indexOf(a) - order.indexOf(b))
  return rows
    .filter(({ short }) => short > 0)
    .map(({ itemId, kitId, short }) => {
      const using = works.filter(({ steps }) => steps.some((step) => step.itemId === itemId)).map(({ id }) => id)
      // A thing that no step names may be used by any work of its kit.
      const kit = plan.job.goal.kits.find((fitted) => fitted.kit.id === kitId)?.kit
      const at = inOrder(using.length > 0 ? using : (kit?.works.map(({ id }) => id) ?? []))
      const waiting = new Set(at)
      for (let before = -1; before !== waiting.size;) {
        before = waiting.size
        for (const work of works) if (work.afterWork.some((id) => waiting.has(id))) waiting.add(work.id)
      }
      return {
        ...{ itemId, count: short, at },
        heldUp: inOrder([...waiting].filter((id) => !at.includes(id))),
        goesOn: inOrder(works.map(({ id }) => id).filter((id) => !waiting.has(id))),
        functions: [...plan.job.added.values()]
          .filter((item) => item.afterWork.some((id) => waiting.has(id)))
          .map(({ id }) => id),
      }
    })
}
