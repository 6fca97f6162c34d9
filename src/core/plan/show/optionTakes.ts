import type { Id } from '../../base/id'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Build } from '../../procedure/when'
import type { AddedFunction } from '../../shop/addedFunction'
import { isWanted, NOT_WANTED, WANTED } from '../../shop/functionClosure'
import { costOf, suppliesToBring } from '../../shop/supplyBranches'
import { goalOfRequest } from '../ask/jobGoal'
import type { PlanRequest } from '../ask/planRequest'
import { preparedS } from '../derive/preparedWork'

/** What a function that the customer may do without takes and costs in parts, while all else stays as it is asked. */
export type OptionTakes = { functionId: Id; extraS: number; partsMinor: number }

/** The functions of a request that may be done without. */
export function optionalOf({ kits }: Pick<PlanRequest, 'kits'>): AddedFunction[] {
  return kits.flatMap(({ kit }) => kit.functions).filter(({ optional }) => optional)
}

/** The same request with one wish turned round. */
export function withOtherWish(request: PlanRequest, item: AddedFunction): PlanRequest {
  const other = isWanted(item, request.build) ? NOT_WANTED : WANTED
  return { ...request, build: { ...request.build, [item.id]: other } }
}

/** The difference that one wish makes. `nowS`, `otherS`: what the job takes as asked, and with that wish otherwise. */
export function optionTakes(
  { document }: ProcedureForBuild,
  request: PlanRequest,
  item: AddedFunction,
  nowS: number,
  otherS: number,
): OptionTakes {
  const { build } = request
  const other = withOtherWish(request, item).build
  const open = document.facets.filter(({ id }) => build[id] === undefined)
  const parts = (told: Build) => costOf(suppliesToBring(request.kits, told, open))
  const sign = isWanted(item, build) ? 1 : -1
  // What is prepared at the bench is no minute of the order, and is worked all the same.
  const prepared = (told: Build) => preparedS(goalOfRequest(request, told), told)
  const moreS = nowS - otherS + prepared(build) - prepared(other)
  return { functionId: item.id, extraS: sign * moreS, partsMinor: sign * (parts(build) - parts(other)) }
}
