import type { PlanRequest } from '../plan/ask/planRequest'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import type { JobDocument } from '../procedure/jobDocument'
import { withKits } from '../shop/withKits'
import type { JobState } from './jobState'
import { headsFound } from './overlay'

/**
 * The record as it is on the vehicle of a live job: what its request knew of it, and what was told and found on the
 * way. Cost: O(items).
 */
export function modelNow(
  document: JobDocument,
  request: Pick<PlanRequest, 'build' | 'heads' | 'kits'> | null,
  state: Pick<JobState, 'facets' | 'deviations'>,
): ProcedureForBuild {
  return forBuild(
    withKits(document, request?.kits ?? []),
    { ...request?.build, ...Object.fromEntries(state.facets) },
    { ...request?.heads, ...headsFound(state.deviations) },
  )
}
