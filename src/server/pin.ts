import 'server-only'
import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { z } from 'zod'
import { asShop } from '../db/client'
import { database } from './database'
import type { Crew } from './session'
import { REFUSALS } from '@/words/refusals'

/** Four to eight digits: short enough for a greasy finger. */
export const Pin = z.string().regex(/^\d{4,8}$/, 'A PIN has four to eight digits.')

export async function hashPin(pin: string): Promise<string> {
  return hashPassword(pin)
}

const FREE_TRIES = 4
const WAIT_S = 30

export type ActingOutcome = { status: 'done' } | { status: 'wrong'; sentence: string }

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
    const waitS = person.pin_locked_until ? Math.ceil((person.pin_locked_until.getTime() - Date.now()) / 1000) : 0
    if (waitS > 0) return { status: 'wrong', sentence: REFUSALS.tooManyTries(waitS) }
    if (!(await verifyPassword({ hash: person.pin_hash, password: pin }))) {
      const failures = person.pin_failures + 1
      const locked = failures >= FREE_TRIES ? new Date(Date.now() + WAIT_S * 1000 * 2 ** (failures - FREE_TRIES)) : null
      await trx
        .updateTable('crew')
        .set({ pin_failures: Math.min(failures, 12), pin_locked_until: locked })
        .where('id', '=', crewId)
        .execute()
      return { status: 'wrong', sentence: REFUSALS.wrongPin }
    }
    await trx.updateTable('crew').set({ pin_failures: 0, pin_locked_until: null }).where('id', '=', crewId).execute()
    await trx.updateTable('acting').set({ current: false }).where('session_id', '=', crew.sessionId).execute()
    await trx
      .insertInto('acting')
      .values({ session_id: crew.sessionId, shop_id: crew.shopId, crew_id: crewId, current: true })
      .onConflict((conflict) =>
        conflict.columns(['session_id', 'crew_id']).doUpdateSet({ current: true, since: new Date() }),
      )
      .execute()
    return { status: 'done' }
  })
}
