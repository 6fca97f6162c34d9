import 'server-only'
import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { sql } from 'kysely'
import { z } from 'zod'
import { REFUSALS } from '@/words/refusals'
import { Password } from './accounts'
import { database } from './database'
import { hashPin, Pin, pinIsRight } from './pin'
import { inShop, mayAct, refused, type Crew, type Refused } from './session'
import { slowDown } from './slowDown'

type Done = { status: 'done' } | Refused
const no = (sentence: string): Refused => ({ status: 'refused', sentence })

/** What somebody enters to change their own. */
export const NewPin = z.object({ now: z.string().max(12), next: Pin })
export const NewPassword = z.object({ now: z.string().max(128), next: Password })

/** Changes the PIN of who acts. The one of now is checked as at every other place, and as slowly. */
export async function changePin(crew: Crew, { now, next }: z.infer<typeof NewPin>): Promise<Done> {
  return inShop(crew, async (trx): Promise<Done> => {
    const person = await trx
      .selectFrom('crew')
      .selectAll()
      .where('id', '=', crew.acting.id)
      .forUpdate()
      .executeTakeFirstOrThrow()
    const wrong = await pinIsRight(trx, person, now)
    if (wrong) return no(wrong.sentence)
    await trx
      .updateTable('crew')
      .set({ pin_hash: await hashPin(next) })
      .where('id', '=', crew.acting.id)
      .execute()
    return { status: 'done' }
  })
}

/** Changes the password of who signed this device in, who has to be the one that acts; other sign-ins of theirs end. */
export async function changePassword(crew: Crew, { now, next }: z.infer<typeof NewPassword>): Promise<Done> {
  if (crew.isDemo) return no(REFUSALS.demoSecrets)
  const userId = await userOf(crew, crew.acting.id)
  if (crew.acting.id !== crew.signedIn.id || !userId) return no(REFUSALS.notYourPassword)
  const tries = `password of ${userId}`
  const waitS = slowDown.secondsToWait(tries, Date.now())
  if (waitS > 0) return no(REFUSALS.tooManyTries(waitS))
  slowDown.failed(tries, Date.now())
  const kept = await sql<{ password: string }>`select password from auth.account
    where "userId" = ${userId} and "providerId" = 'credential'`.execute(database())
  const hash = kept.rows[0]?.password
  if (!hash || !(await verifyPassword({ hash, password: now }))) return no(REFUSALS.wrongPassword)
  slowDown.succeeded(tries)
  await setPassword(userId, next, crew.sessionId)
  return { status: 'done' }
}

/** The owner gives somebody a new PIN, who has forgotten theirs; it is free of waits again. */
export async function resetPin(crew: Crew, crewId: string, next: string): Promise<Done> {
  if (!mayAct(crew, 'owner')) return refused('owner')
  const hash = await hashPin(next)
  const changed = await inShop(crew, (trx) =>
    trx
      .updateTable('crew')
      .set({ pin_hash: hash, pin_failures: 0, pin_locked_until: null })
      .where('id', '=', crewId)
      .where('active', '=', true)
      .executeTakeFirst(),
  )
  return changed.numUpdatedRows > 0n ? { status: 'done' } : no(REFUSALS.personGone)
}

/** The owner gives somebody who signs devices in a new password; every device of theirs is signed out. */
export async function resetPassword(crew: Crew, crewId: string, next: string): Promise<Done> {
  if (!mayAct(crew, 'owner')) return refused('owner')
  if (crew.isDemo) return no(REFUSALS.demoSecrets)
  const userId = await userOf(crew, crewId)
  if (!userId) return no(REFUSALS.signsNothingIn)
  await setPassword(userId, next, crewId === crew.signedIn.id ? crew.sessionId : null)
  return { status: 'done' }
}

/** The account of somebody of this shop; null for those who act by PIN alone. */
async function userOf(crew: Crew, crewId: string): Promise<string | null> {
  const row = await inShop(crew, (trx) =>
    trx.selectFrom('crew').select('user_id').where('id', '=', crewId).where('active', '=', true).executeTakeFirst(),
  )
  return row?.user_id ?? null
}

/** Sets a password and ends every session of its account but one. */
async function setPassword(userId: string, password: string, keptSessionId: string | null): Promise<void> {
  const hash = await hashPassword(password)
  await database()
    .transaction()
    .execute(async (trx) => {
      await sql`update auth.account set password = ${hash}, "updatedAt" = now()
        where "userId" = ${userId} and "providerId" = 'credential'`.execute(trx)
      await sql`delete from auth.session where "userId" = ${userId} and id <> ${keptSessionId ?? ''}`.execute(trx)
    })
}
