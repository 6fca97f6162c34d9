import type { Result } from '@/core/base/result'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { DeriveError } from '@/core/plan/derive/derivedJob'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { leadsLaid } from '@/words/leadsLaid'
import { PlanningInput } from './asked'

/** A request with its leads laid anew; null where there is no way for them. Cost: that of leadsLaid. */
export default function lay(asked: unknown): Result<PlanRequest | null, DeriveError> {
  const { document, request, house, rules } = PlanningInput.parse(asked)
  const laid = leadsLaid(document, request, house, rulesInForce(rules))
  if (!laid.ok) return laid
  return { ok: true, value: laid.value.layout.kind === 'laid' ? laid.value.request : null }
}
