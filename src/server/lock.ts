import 'server-only'
import { sql } from 'kysely'
import type { ShopTransaction } from '../db/client'
import type { Crew } from './whoAsks'

/** What a shop has one of each name of: whoever looks whether a name is free, and then takes it, holds this first. */
export type Named = 'people' | 'vehicles' | 'kits'

/** Holds a shop's names of one kind until the transaction ends, so that two who take the same one see each other. */
export async function holdNames(crew: Crew, trx: ShopTransaction, what: Named): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`${what} of ${crew.shopId}`}, 0))`.execute(trx)
}
