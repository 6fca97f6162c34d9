import 'server-only'
import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { z } from 'zod'
import { REFUSALS } from '@/words/refusals'
import type { AccessKind } from '@/core/shop/accessKind'
import { accessBy, writeAccess } from './accessLog'
import { Password } from './accountNames'
import { accountsDatabase } from './accountsDatabase'
import { hashPin, Pin, pinIsRight } from './pin'
import { inShop, refusalOf, type Crew, type Refused } from './whoAsks'
import { beginTry, succeeded, type Tried } from './tries'

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
    const wrong = await pinIsRight(crew, trx, person, now)
    if (wrong) return no(wrong.sentence)
    await trx
      .updateTable('crew')
      .set({ pin_hash: await hashPin(next) })
      .where('id', '=', crew.acting.id)
      .execute()
    await writeAccess(trx, crew.shopId, accessBy(crew, 'PIN changed'))
    return { status: 'done' }
  })
}

/** Changes the password of who signed this device in, who has to be the one that acts; other sign-ins of theirs end. */
export async function changePassword(crew: Crew, { now, next }: z.infer<typeof NewPassword>): Promise<Done> {
  if (crew.isDemo) return no(REFUSALS.demoSecrets)
  const userId = await userOf(crew, crew.acting.id)
  if (crew.acting.id !== crew.signedIn.id || !userId) return no(REFUSALS.notYourPassword)
  const wrong = await passwordIsRight(userId, now)
  if (wrong) return wrong
  await setPassword(userId, next, crew.sessionId)
  await tell(crew, 'password changed')
  return { status: 'done' }
}

/** Null when this is the password of the account, else why not. Wrong tries are counted and slowed, as at the door. */
export async function passwordIsRight(userId: string, password: string): Promise<Refused | null> {
  const tries: Tried[] = [{ kind: 'password', what: userId }]
  const waitS = await beginTry(tries)
  if (waitS > 0) return no(REFUSALS.tooManyTries(waitS))
  const kept = await credential(userId)
  if (!kept?.password || !(await verifyPassword({ hash: kept.password, password }))) return no(REFUSALS.wrongPassword)
  await succeeded(tries)
  return null
}

const credential = (userId: string) =>
  accountsDatabase()
    .selectFrom('account')
    .select('password')
    .where('userId', '=', userId)
    .where('providerId', '=', 'credential')
    .executeTakeFirst()

const tell = (crew: Crew, kind: AccessKind, of?: string) =>
  inShop(crew, (trx) => writeAccess(trx, crew.shopId, accessBy(crew, kind, { of })))

/** The owner gives somebody a new PIN, who has forgotten theirs; it is free of waits again. */
export async function resetPin(crew: Crew, crewId: string, next: string): Promise<Done> {
  const refusal = await refusalOf(crew, 'give new secrets')
  if (refusal) return refusal
  const hash = await hashPin(next)
  const changed = await inShop(crew, (trx) =>
    trx
      .updateTable('crew')
      .set({ pin_hash: hash, pin_failures: 0, pin_locked_until: null })
      .where('id', '=', crewId)
      .where('active', '=', true)
      .executeTakeFirst(),
  )
  if (changed.numUpdatedRows === 0n) return no(REFUSALS.personGone)
  await tell(crew, 'PIN given anew', crewId)
  return { status: 'done' }
}

/**
 * The owner gives somebody who signs devices in a new password; every device of theirs is signed out, and no code is
 * asked for until they want it again.
 */
export async function resetPassword(crew: Crew, crewId: string, next: string): Promise<Done> {
  const refusal = await refusalOf(crew, 'give new secrets')
  if (refusal) return refusal
  if (crew.isDemo) return no(REFUSALS.demoSecrets)
  const userId = await userOf(crew, crewId)
  if (!userId) return no(REFUSALS.signsNothingIn)
  await setPassword(userId, next, crewId === crew.signedIn.id ? crew.sessionId : null)
  await tell(crew, 'password given anew', crewId)
  return { status: 'done' }
}

/** The account of somebody of this shop; null for those who act by PIN alone. */
export async function userOf(crew: Crew, crewId: string): Promise<string | null> {
  const row = await inShop(crew, (trx) =>
    trx.selectFrom('crew').select('user_id').where('id', '=', crewId).where('active', '=', true).executeTakeFirst(),
  )
  return row?.user_id ?? null
}

/** Sets a password and ends every session of its account but one. */
async function setPassword(userId: string, password: string, keptSessionId: string | null): Promise<void> {
  const hash = await hashPassword(password)
  await accountsDatabase()
    .transaction()
    .execute(async (trx) => {
      await trx
        .updateTable('account')
        .set({ password: hash, updatedAt: new Date() })
        .where('userId', '=', userId)
        .where('providerId', '=', 'credential')
        .execute()
      if (keptSessionId === null) {
        // Who has lost the phone as well comes in again; who has not turns it on again.
        await trx.deleteFrom('twoFactor').where('userId', '=', userId).execute()
        await trx.updateTable('user').set({ twoFactorEnabled: false }).where('id', '=', userId).execute()
      }
      await trx
        .deleteFrom('session')
        .where('userId', '=', userId)
        .where('id', '!=', keptSessionId ?? '')
        .execute()
    })
}
