import { ok, type Result } from '@/core/base/result'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { DeriveError } from '@/core/plan/derive/derivedJob'
import { leadLayout, type LeadLayout } from '@/core/plan/leads/leadLayout'
import type { JobDocument } from '@/core/procedure/jobDocument'
import type { HouseValues } from '@/core/shop/houseValues'
import { whilePlanning } from '@/core/vehicle/circumstances'
import type { Rule } from '@/core/vehicle/rule'
import { leadTaskOf } from '@/core/shop/leadTask'
import { withLeadWorks, withoutLeadWorks } from './leadWorks'

/** A request with its leads laid, and how they lie. Of no way to lay them: the request without anything for them. */
export type LeadsLaid = { request: PlanRequest; layout: LeadLayout }

function leadIds({ kits }: PlanRequest) {
  return kits.flatMap(({ kit }) => kit.leads.map(({ id }) => id))
}

/** Whether leads have to be laid and nothing was made of them yet: a page of another day, or another client. */
export function leavesLeadsOut(request: Pick<PlanRequest, 'kits'>): boolean {
  return hasLeads(request) && request.kits.every(({ kit }) => kit.works.every(({ id }) => leadTaskOf(id) === null))
}

/** Whether anything has to be laid at all. */
export function hasLeads({ kits }: Pick<PlanRequest, 'kits'>): boolean {
  return kits.some(({ kit }) => kit.leads.length > 0)
}

/**
 * The leads of a request laid as cheaply as can be, and made pieces of work of their kits. Asked again, or of what is
 * laid already, it gives the same. `bySight`: where there is no way for them a hand looks for one, as on a model that
 * is taken apart for the first time. Errors and cost: those of leadLayout.
 */
export function leadsLaid(
  document: JobDocument,
  asked: PlanRequest,
  house: HouseValues,
  rules?: readonly Rule[],
  { bySight = false, ...more }: { others?: boolean; bySight?: boolean } = {},
): Result<LeadsLaid, DeriveError> {
  const bare = withoutLeadWorks(asked)
  const model = modelOfRequest(document, bare)
  const found = leadLayout(model, bare, house, rules, more)
  if (!found.ok) return found
  const layout = found.value
  const runs = layout.kind === 'laid' ? layout : bySight ? { runs: [], bySight: leadIds(bare) } : null
  return ok({ request: runs ? withLeadWorks(model, bare, runs, whilePlanning(house, rules)) : bare, layout })
}
