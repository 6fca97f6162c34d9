import 'server-only'
import { sql } from 'kysely'
import { isKnownTrouble, Trouble } from '@/core/procedure/vehicleFunction'
import type { Kit } from '@/core/shop/kit'
import { inShop, type Crew } from './whoAsks'

/** Why a test of a kit failed on some vehicle: proposed to the kit until it is in it. */
export type FoundTrouble = { functionId: string; trouble: Trouble; label: string }

const MOST = 50

/**
 * What jobs have found of a kit's functions and the kit does not say yet, the newest first. Cost: one query over the
 * shop's log, by kind.
 */
export async function kitTroubles(crew: Crew, kit: Kit): Promise<FoundTrouble[]> {
  const ids = kit.functions.map(({ id }) => id)
  if (ids.length === 0) return []
  const rows = await inShop(crew, (trx) =>
    trx
      .selectFrom('job_event')
      .innerJoin('job', 'job.id', 'job_event.job_id')
      .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
      .select(['vehicle.label', sql<unknown>`job_event.body -> 'what'`.as('what')])
      .where(sql<boolean>`job_event.body -> 'what' ->> 'kind' = 'trouble found'`)
      .where(sql<string>`job_event.body -> 'what' ->> 'functionId'`, 'in', ids)
      .orderBy('job_event.at', 'desc')
      .limit(MOST)
      .execute(),
  )
  const found = new Map<string, FoundTrouble>()
  for (const { label, what } of rows) {
    const read = Trouble.safeParse(what)
    const { functionId } = what as { functionId: string }
    const known = kit.functions.find(({ id }) => id === functionId)?.troubles ?? []
    if (!read.success || isKnownTrouble(known, read.data)) continue
    const key = `${functionId}:${read.data.cause.toLowerCase()}`
    if (!found.has(key)) found.set(key, { functionId, trouble: read.data, label })
  }
  return [...found.values()]
}
