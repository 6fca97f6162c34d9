import type { Id } from '../../base/id'
import type { Removal } from '../../order/removal'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { asFoundState } from '../../vehicle/vehicleState'
import { deriveJob } from '../derive/deriveJob'
import type { DerivedJob } from '../derive/derivedJob'
import { canStillFinish, feasibilityOf } from './feasible'
import { planJob } from '../planJob'
import { PlanRequest } from '../ask/planRequest'
import { legsOf, type NoSafeOrder } from '../derive/leg'

/**
 * Cavities whose every opening would break a rule or find a setting that can't be moved any more, on this build. Only
 * cavities that ask for a setting are looked at; the others have an order as soon as their facts have no loop.
 */
export function noSafeOrderFor(
  model: ProcedureForBuild,
  whole: Removal,
  circumstances: Circumstances,
): [Id, NoSafeOrder][] {
  if (whole.settings.size === 0) return []
  const found: [Id, NoSafeOrder][] = []
  // Where a facet is told makes no difference to whether the rules can be kept: the widest reading is looked at as it
  // is.
  const widest = { ...model, openFacets: new Set<Id>() }
  for (const cavity of model.cavities.values()) {
    const errors: (NoSafeOrder | null)[] = cavity.openings.map((opening) => {
      const goal = { goals: [{ kind: 'cavity' as const, cavityId: cavity.id }], kits: [], endings: new Map() }
      const job = deriveJob(
        widest,
        goal,
        { openings: { [cavity.id]: opening.id }, methods: {}, resting: 'rest' },
        circumstances,
      )
      return job.ok && job.value.removal.settings.size > 0 ? orderOf(job.value) : null
    })
    const [first] = errors
    if (!first || errors.some((error) => error === null)) continue
    // Another method, with what it moves brought in, may keep the rules: only the whole plan says no.
    const plan = planJob(
      model,
      PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: cavity.id }], build: model.build }),
      circumstances.house,
      circumstances.rules,
    )
    if (!plan.ok) found.push([cavity.id, first])
  }
  return found
}

/** Whether a derived job has any order that keeps the rules, both ways. */
function orderOf(job: DerivedJob): NoSafeOrder | null {
  const state = asFoundState(job.model)
  const feasibility = feasibilityOf(job, legsOf(job), state)
  const answer = canStillFinish(feasibility, new Set(), state)
  return answer.ok || !answer.error.proven ? null : answer.error
}
