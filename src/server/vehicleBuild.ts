import 'server-only'
import { sql } from 'kysely'
import type { JobEvent } from '@/core/job/event'
import { readEvents } from '@/core/job/readEvents'
import { toldBuild } from '@/core/job/toldBuild'
import { Build } from '@/core/procedure/when'
import type { ShopTransaction } from '../db/client'

/**
 * Folds anew what is known of a vehicle's build, where one of these events tells something of it or takes such a thing
 * back. The vehicle is locked meanwhile: two that tell at once are both heard, whichever arrives first.
 */
export async function foldBuild(trx: ShopTransaction, vehicleId: string, fresh: readonly JobEvent[]): Promise<void> {
  if (!fresh.some(({ what, corrects }) => what.kind === 'facet told' || corrects !== null)) return
  const vehicle = await trx
    .selectFrom('vehicle')
    .select(['said_build', 'said_at', 'procedure_id'])
    .where('id', '=', vehicleId)
    .forNoKeyUpdate()
    .executeTakeFirstOrThrow()
  const rows = await trx
    .selectFrom('job_event')
    .innerJoin('job', 'job.id', 'job_event.job_id')
    .select('job_event.body')
    .where('job.vehicle_id', '=', vehicleId)
    // What was told on a job of another model is about that model's facets.
    .where('job.procedure_id', '=', vehicle.procedure_id)
    // A log is long, and what tells or corrects is little of it.
    .where(sql<boolean>`(job_event.body->'what'->>'kind' = 'facet told' or job_event.body->>'corrects' is not null)`)
    .execute()
  const { events } = readEvents(rows.map((row) => row.body))
  const build = toldBuild(Build.parse(vehicle.said_build), vehicle.said_at.getTime(), events)
  await trx
    .updateTable('vehicle')
    .set({ build: JSON.stringify(build) })
    .where('id', '=', vehicleId)
    .execute()
}

/** What the desk says of a build, for a row of the vehicle: it holds over all that was told before. */
export function saidNow(build: Build): { build: string; said_build: string; said_at: Date } {
  const text = JSON.stringify(build)
  return { build: text, said_build: text, said_at: new Date() }
}
