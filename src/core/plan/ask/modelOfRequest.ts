import { forBuild, type ProcedureForBuild } from '../../procedure/forBuild'
import type { JobDocument } from '../../procedure/jobDocument'
import type { Build } from '../../procedure/when'
import { withKits } from '../../shop/withKits'
import type { PlanRequest } from './planRequest'

/** The record as a job goes by it: its kits' things put in, on its build, with the heads this very vehicle has. */
export function modelOfRequest(
  document: JobDocument,
  request: Pick<PlanRequest, 'kits' | 'build' | 'heads'>,
  build: Build = request.build,
): ProcedureForBuild {
  return forBuild(withKits(document, request.kits), build, request.heads)
}
