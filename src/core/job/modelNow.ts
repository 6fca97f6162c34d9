import type { PlanRequest } from '../plan/ask/planRequest'
import type { ProcedureDocument } from '../procedure/document'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import type { JobState } from './jobState'
import { headsFound } from './overlay'

/**
 * The record as it is on the vehicle of a live job: what its request knew of it, and what was told and found on the
 * way. Cost: O(items).
 */
export function modelNow(
  document: ProcedureDocument,
  request: Pick<PlanRequest, 'build' | 'heads'> | null,
  state: Pick<JobState, 'facets' | 'deviations'>,
): ProcedureForBuild {
  return forBuild(
    document,
    { ...request?.build, ...Object.fromEntries(state.facets) },
    { ...request?.heads, ...headsFound(state.deviations) },
  )
}
