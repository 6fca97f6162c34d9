import 'server-only'
import { z } from 'zod'
import { uuid } from '@/core/base/id'
import { REFUSALS } from '@/words/refusals'
import { accessBy, writeAccess } from './accessLog'
import { accountsDatabase } from './accountsDatabase'
import { inShop, refusalOf, type Crew, type Refused } from './whoAsks'

/** What a device says of itself, once a minute while somebody looks at it. */
export const Beat = z.object({
  deviceId: uuid(),
  kind: z.enum(['tablet', 'phone', 'computer']),
  /** How many events it keeps that the shop does not have yet. */
  waiting: z.number().int().min(0).max(1_000_000),
  /** Its own clock, in milliseconds since 1970. */
  clockMs: z.number().int().min(0).max(9_999_999_999_999),
})
export type Beat = z.infer<typeof Beat>

/** Keeps what a device says of itself, and by whom it is signed in; the answer is what it is called. */
export async function keepBeat(crew: Crew, { deviceId, kind, waiting, clockMs }: Beat): Promise<{ name: string }> {
  const now = new Date()
  const seen = {
    kind,
    waiting,
    clock_ahead_ms: clockMs - now.getTime(),
    crew_id: crew.signedIn.id,
    session_id: crew.sessionId,
    last_seen: now,
  }
  return inShop(crew, async (trx) => {
    const known = await trx
      .updateTable('device')
      .set(seen)
      .where('id', '=', deviceId)
      .returning('name')
      .executeTakeFirst()
    if (known) return known
    const { n } = await trx
      .selectFrom('device')
      .select((eb) => eb.fn.countAll<string>().as('n'))
      .executeTakeFirstOrThrow()
    // It works all the same; it only stands in no list.
    if (Number(n) >= MOST_DEVICES) return { name: '' }
    return trx
      .insertInto('device')
      .values({ id: deviceId, shop_id: crew.shopId, ...seen })
      .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doUpdateSet(seen))
      .returning('name')
      .executeTakeFirstOrThrow()
  })
}

/** No shop has so many: a client that says another id each time fills no table. */
const MOST_DEVICES = 500

export type DeviceRow = {
  id: string
  name: string
  kind: Beat['kind']
  /** Who signed it in. */
  by: string
  lastSeen: Date
  waiting: number
  clockAheadMs: number
  signedIn: boolean
}

/** The shop's devices, the one seen last first. */
export async function listDevices(crew: Crew): Promise<DeviceRow[]> {
  const rows = await inShop(crew, (trx) =>
    trx
      .selectFrom('device')
      .innerJoin('crew', 'crew.id', 'device.crew_id')
      .selectAll('device')
      .select('crew.name as by')
      .orderBy('last_seen', 'desc')
      .limit(200)
      .execute(),
  )
  const sessions = rows.length > 0 ? await liveSessions(rows.map((row) => row.session_id)) : new Set()
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    kind: row.kind,
    by: row.by,
    lastSeen: row.last_seen,
    waiting: row.waiting,
    clockAheadMs: Number(row.clock_ahead_ms),
    signedIn: sessions.has(row.session_id),
  }))
}

/** Which of these sessions of the sign-in library have not ended. */
async function liveSessions(ids: readonly string[]): Promise<Set<string>> {
  const found = await accountsDatabase()
    .selectFrom('session')
    .select('id')
    .where('id', 'in', ids)
    .where('expiresAt', '>', new Date())
    .execute()
  return new Set(found.map((row) => row.id))
}

/** What every named device is called, for paper: an event says which device it was made on. */
export async function deviceNames(crew: Crew): Promise<Map<string, string>> {
  const rows = await inShop(crew, (trx) =>
    trx.selectFrom('device').select(['id', 'name']).where('name', '!=', '').execute(),
  )
  return new Map(rows.map((row) => [row.id, row.name]))
}

export const DeviceName = z
  .string()
  .trim()
  .min(1, 'Say what the crew calls this device.')
  .max(40, 'A device’s name has at most 40 characters.')

/** Leads and the owner name a device; two of one name could not be told apart. */
export async function nameDevice(crew: Crew, deviceId: string, name: string): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, 'look after devices')
  if (refusal) return refusal
  return inShop(crew, async (trx): Promise<{ status: 'done' } | Refused> => {
    // Held, so that two who name at once see each other.
    const all = await trx.selectFrom('device').select(['id', 'name']).orderBy('id').forUpdate().execute()
    if (!all.some(({ id }) => id === deviceId)) return { status: 'refused', sentence: REFUSALS.deviceGone }
    if (all.some((other) => other.id !== deviceId && other.name.toLowerCase() === name.toLowerCase()))
      return { status: 'refused', sentence: REFUSALS.deviceCalledSo(name) }
    await trx.updateTable('device').set({ name }).where('id', '=', deviceId).execute()
    return { status: 'done' }
  })
}

/** Ends the session a device is signed in by: a tablet that was left somewhere. What it keeps stays on it. */
export async function signOutDevice(crew: Crew, deviceId: string): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, 'look after devices')
  if (refusal) return refusal
  const device = await inShop(crew, (trx) =>
    trx.selectFrom('device').select(['session_id', 'name']).where('id', '=', deviceId).executeTakeFirst(),
  )
  if (!device) return { status: 'refused', sentence: REFUSALS.deviceGone }
  await accountsDatabase().deleteFrom('session').where('id', '=', device.session_id).execute()
  await inShop(crew, (trx) =>
    writeAccess(trx, crew.shopId, accessBy(crew, 'device signed out', { detail: device.name })),
  )
  return { status: 'done' }
}
