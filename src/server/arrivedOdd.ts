import 'server-only'
import type { Mark } from '@/core/job/happenings'
import { inShop, type Crew } from './whoAsks'

export type OddArrival = {
  jobId: string
  vehicle: string
  title: string
  person: string
  mark: Mark
  count: number
  lastAt: Date
}

/** How long a lead is told of it on Today. */
const TOLD_FOR_MS = 14 * 24 * 60 * 60_000

/**
 * What arrived in the name of people who had left, or of such as were not authorised for what they did, by job and
 * person, the last first. For leads.
 */
export async function arrivedOdd(crew: Crew): Promise<OddArrival[]> {
  const rows = await inShop(crew, (trx) =>
    trx
      .selectFrom('job_event')
      .innerJoin('job', 'job.id', 'job_event.job_id')
      .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
      .innerJoin('crew', 'crew.id', 'job_event.person_id')
      .where('job_event.mark', 'is not', null)
      .where('job_event.received_at', '>', new Date(Date.now() - TOLD_FOR_MS))
      .groupBy(['job.id', 'vehicle.label', 'job.title', 'crew.name', 'job_event.mark'])
      .select(['job.id as jobId', 'vehicle.label as vehicle', 'job.title as title', 'crew.name as person'])
      .select((eb) => eb.ref('job_event.mark').$notNull().as('mark'))
      .select((eb) => [eb.fn.countAll<string>().as('count'), eb.fn.max('job_event.received_at').as('lastAt')])
      .orderBy('lastAt', 'desc')
      .limit(50)
      .execute(),
  )
  return rows.map((row) => ({ ...row, count: Number(row.count) }))
}
