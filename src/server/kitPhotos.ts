import 'server-only'
import { sql } from 'kysely'
import type { Kit } from '@/core/shop/kit'
import { inShop, type Crew } from './whoAsks'

/** A photo that a job took of a kit's thing or work: offered as a picture of its steps. */
export type KitPhoto = { photoId: string; words: string }

const MOST = 100

/** The newest first. Cost: one query over the shop's log, by kind. */
export async function kitPhotos(crew: Crew, kit: Kit): Promise<KitPhoto[]> {
  const named = [kit.works, kit.parts, kit.holders.map((holder) => ({ ...holder, name: holder.kind })), kit.plugs]
  const names = new Map(named.flat().map(({ id, name }) => [id, name]))
  if (names.size === 0) return []
  const rows = await inShop(crew, (trx) =>
    trx
      .selectFrom('job_event')
      .innerJoin('job', 'job.id', 'job_event.job_id')
      .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
      .innerJoin('media', (join) =>
        join.on(sql<boolean>`media.id::text = job_event.body -> 'what' ->> 'photoId'`).on('media.kind', '=', 'photo'),
      )
      .select(['vehicle.label', 'media.id as photoId', sql<string>`job_event.body -> 'what' ->> 'itemId'`.as('itemId')])
      .where(sql<boolean>`job_event.body -> 'what' ->> 'kind' = 'photographed'`)
      .where(sql<string>`job_event.body -> 'what' ->> 'itemId'`, 'in', [...names.keys()])
      .orderBy('job_event.at', 'desc')
      .limit(MOST)
      .execute(),
  )
  return rows.map(({ photoId, itemId, label }) => ({ photoId, words: `${names.get(itemId) ?? ''}, ${label}` }))
}
