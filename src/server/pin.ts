import 'server-only'
import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { z } from 'zod'
import { asShop, type ShopTransaction } from '../db/client'
import { database } from './database'
import { accessBy, writeAccess } from './accessLog'
import type { Crew } from './whoAsks'
import { REFUSALS } from '@/words/refusals'

/** Four to eight digits: short enough for a greasy finger. */
export const Pin = z.string().regex(/^\d{4,8}$/, 'A PIN has four to eight digits.')

export async function hashPin(pin: string): Promise<string> {
  return hashPassword(pin)
}

const FREE_TRIES = 4
const WAIT_S = 30
const MOST_COUNTED = 12
const waitAfterS = (failures: number) => WAIT_S * 2 ** (Math.min(failures, MOST_COUNTED) - FREE_TRIES)

export type ActingOutcome = { status: 'done' } | { status: 'wrong'; sentence: string }

type PinRow = { id: string; pin_hash: string; pin_failures: number; pin_locked_until: Date | null }

/**
 * Checks a PIN of somebody whose row is locked: null when it is right, else why not. Wrong tries are counted with the
 * person, wherever the PIN is asked for, and slowed.
 */
export async function pinIsRight(
  crew: Crew,
  trx: ShopTransaction,
  person: PinRow,
  pin: string,
): Promise<{ status: 'wrong'; sentence: string } | null> {
  const leftS = person.pin_locked_until ? Math.ceil((person.pin_locked_until.getTime() - Date.now()) / 1000) : 0
  // Never longer than it was to be: where the clock was set back, what is left by it is no measure.
  const waitS = Math.min(leftS, waitAfterS(person.pin_failures))
  if (waitS > 0) return { status: 'wrong', sentence: REFUSALS.tooManyTries(waitS) }
  const count = (pin_failures: number, pin_locked_until: Date | null) =>
    trx.updateTable('crew').set({ pin_failures, pin_locked_until }).where('id', '=', person.id).execute()
  if (await verifyPassword({ hash: person.pin_hash, password: pin })) {
    await count(0, null)
    return null
  }
  const failures = person.pin_failures + 1
  const isSlowed = failures >= FREE_TRIES
  await count(Math.min(failures, MOST_COUNTED), isSlowed ? new Date(Date.now() + 1000 * waitAfterS(failures)) : null)
  await writeAccess(trx, crew.shopId, accessBy(crew, 'wrong PIN', { of: person.id }))
  return { status: 'wrong', sentence: REFUSALS.wrongPin }
}

/**
 * Changes who acts on this tablet after the PIN was checked here. Wrong tries are counted with the person and slowed.
 */
export async function changeActing(crew: Crew, crewId: string, pin: string): Promise<ActingOutcome> {
  return asShop(database(), crew.shopId, async (trx) => {
    const person = await trx
      .selectFrom('crew')
      .selectAll()
      .where('id', '=', crewId)
      .where('active', '=', true)
      .forUpdate()
      .executeTakeFirst()
    if (!person) return { status: 'wrong', sentence: REFUSALS.personGone }
    const wrong = await pinIsRight(crew, trx, person, pin)
    if (wrong) return wrong
    await trx.updateTable('acting').set({ current: false }).where('session_id', '=', crew.sessionId).execute()
    await trx
      .insertInto('acting')
      .values({ session_id: crew.sessionId, shop_id: crew.shopId, crew_id: crewId, current: true })
      .onConflict((conflict) =>
        conflict.columns(['session_id', 'crew_id']).doUpdateSet({ current: true, since: new Date() }),
      )
      .execute()
    await writeAccess(trx, crew.shopId, { kind: 'acts', by: crewId, sessionId: crew.sessionId })
    return { status: 'done' }
  })
}
