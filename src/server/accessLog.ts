import 'server-only'
import { sql } from 'kysely'
import type { AccessKind } from '@/core/shop/accessKind'
import { asShop, type ShopTransaction } from '../db/client'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'
import { log } from './log'
import { metrics } from './metrics'

/** `by`: who did it; `of`: whom it was about, where that is somebody else. Ids, never a name or a secret. */
export type Access = {
  kind: AccessKind
  by: string | null
  of?: string | null
  sessionId?: string | null
  detail?: string
}

/** Writes into the shop's own log, in the transaction that did it, so that neither is there without the other. */
export async function writeAccess(trx: ShopTransaction, shopId: string, access: Access): Promise<void> {
  await trx
    .insertInto('access_entry')
    .values({
      shop_id: shopId,
      kind: access.kind,
      by_id: access.by,
      of_id: access.of ?? null,
      session_id: access.sessionId ?? null,
      detail: access.detail ?? '',
    })
    .execute()
  metrics.access.inc({ kind: access.kind })
  log.info({ shop: shopId, access: access.kind, by: access.by, of: access.of ?? undefined }, 'access')
}

/** What somebody does who acts on a device. */
export function accessBy(
  crew: { acting: { id: string }; sessionId: string },
  kind: AccessKind,
  more: { of?: string; detail?: string } = {},
): Access {
  return { kind, by: crew.acting.id, sessionId: crew.sessionId, ...more }
}

/** What is known of an account before its shop is: signing in, right or wrong. An unknown name has no shop to tell. */
export async function writeAccessOfAccount(
  account: { userId: string } | { username: string },
  kind: AccessKind,
  sessionId: string | null,
): Promise<void> {
  const userId = 'userId' in account ? account.userId : await userCalled(account.username)
  if (!userId) return
  const found = await sql<{ shop_id: string; crew_id: string }>`select * from crew_of_user(${userId})`.execute(
    database(),
  )
  const row = found.rows[0]
  if (!row) return
  await asShop(database(), row.shop_id, (trx) =>
    writeAccess(trx, row.shop_id, {
      kind,
      by: kind === 'sign-in failed' ? null : row.crew_id,
      of: row.crew_id,
      sessionId,
    }),
  )
}

async function userCalled(username: string): Promise<string | null> {
  const row = await accountsDatabase()
    .selectFrom('user')
    .select('id')
    .where('username', '=', username.toLowerCase())
    .executeTakeFirst()
  return row?.id ?? null
}

export type AccessRow = {
  seq: string
  at: Date
  kind: AccessKind
  by: string | null
  of: string | null
  device: string | null
  detail: string
}

/** How many entries a page of the log has. */
export const ENTRIES_A_PAGE = 100

/** The log, the newest first; `before` is the number of the last entry seen. */
export async function listAccess(trx: ShopTransaction, before: string | null): Promise<AccessRow[]> {
  let query = trx
    .selectFrom('access_entry')
    .leftJoin('crew as by', 'by.id', 'access_entry.by_id')
    .leftJoin('crew as of', 'of.id', 'access_entry.of_id')
    .select(['access_entry.seq', 'access_entry.at', 'access_entry.kind', 'access_entry.detail'])
    .select(['by.name as by', 'of.name as of'])
    .select((eb) =>
      eb
        .selectFrom('device')
        .select('device.name')
        .whereRef('device.session_id', '=', 'access_entry.session_id')
        .where('device.name', '!=', '')
        .limit(1)
        .as('device'),
    )
    .orderBy('access_entry.seq', 'desc')
    .limit(ENTRIES_A_PAGE)
  if (before !== null) query = query.where('access_entry.seq', '<', before)
  const rows = await query.execute()
  return rows.map((row) => ({ ...row, kind: row.kind as AccessKind }))
}
