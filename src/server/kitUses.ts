import 'server-only'
import { readKept } from '@/core/base/keptJson'
import { KEPT_REQUEST } from '@/core/plan/ask/planRequest'
import { inShop, type Crew } from './whoAsks'

/** A vehicle a kit is in, or is being fitted to. `handedOverAt` null: the job is under way. */
export type KitUse = { kitId: string; jobId: string; vehicle: string; handedOverAt: Date | null }

/**
 * Where this shop's kits are: by the requests of jobs that were begun (what is only planned is in no vehicle), the
 * newest first.
 */
export async function kitUses(crew: Crew): Promise<KitUse[]> {
  const rows = await inShop(crew, (trx) =>
    trx
      .selectFrom('job')
      .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
      .where('job.request', 'is not', null)
      .where(({ exists, selectFrom }) =>
        exists(selectFrom('job_event').select('job_event.id').whereRef('job_event.job_id', '=', 'job.id')),
      )
      .select(['job.id', 'job.request', 'job.handed_over_at', 'vehicle.label'])
      .orderBy('job.created_at', 'desc')
      .execute(),
  )
  return rows.flatMap(({ id, request, handed_over_at, label }) =>
    (readKept(KEPT_REQUEST, request)?.kits ?? []).map(({ kit }) => ({
      kitId: kit.id,
      jobId: id,
      vehicle: label,
      handedOverAt: handed_over_at,
    })),
  )
}
