import type { Db } from '../db/client'

/**
 * The demo is written into an empty database only, and never again once somebody removed it. Needs the owner's
 * connection.
 */
export async function wantsDemo(owner: Db): Promise<boolean> {
  const shops = await owner.selectFrom('shop').select('id').limit(1).execute()
  const removed = await owner
    .selectFrom('installation_note')
    .select('name')
    .where('name', '=', 'demo removed')
    .execute()
  return shops.length === 0 && removed.length === 0
}
