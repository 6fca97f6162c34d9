import 'server-only'
import { headers } from 'next/headers'
import { z } from 'zod'
import { REFUSALS } from '@/words/refusals'
import { accessBy, writeAccess } from './accessLog'
import { accountsDatabase } from './accountsDatabase'
import { auth } from './auth'
import { passwordIsRight, userOf } from './secrets'
import { inShop, type Crew, type Refused } from './whoAsks'

/** Six digits from an app on a phone, as RFC 6238 makes them. */
export const Code = z
  .string()
  .transform((text) => text.replace(/\s/g, ''))
  .pipe(z.string().regex(/^\d{6}$/, 'The code has six digits.'))

/** What a phone's app is given, and codes for the day the phone is gone; both are shown once. */
export type Begun = { status: 'begun'; address: string; backupCodes: string[] }

const no = (sentence: string): Refused => ({ status: 'refused', sentence })

/** Whether this person is asked for a code when they sign in; null for who can't choose it here. */
export async function asksForCode(crew: Crew): Promise<boolean | null> {
  const userId = await ownAccount(crew)
  if (!userId) return null
  const row = await accountsDatabase()
    .selectFrom('user')
    .select('twoFactorEnabled')
    .where('id', '=', userId)
    .executeTakeFirst()
  return row?.twoFactorEnabled === true
}

/** Begins: the secret is made and shown. Nothing is asked for at sign-in before a first code was right. */
export async function beginSecondFactor(crew: Crew, password: string): Promise<Begun | Refused> {
  const mine = await checkedAccount(crew, password)
  if (mine) return mine
  const made = await auth().api.enableTwoFactor({ body: { password, method: 'totp' }, headers: await headers() })
  if (made.method !== 'totp') throw new Error('the sign-in library made no secret')
  return { status: 'begun', address: made.totpURI, backupCodes: made.backupCodes }
}

/** The first code was right: from now on signing in asks for one. */
export async function confirmSecondFactor(crew: Crew, code: string): Promise<{ status: 'done' } | Refused> {
  if (!(await ownAccount(crew))) return no(REFUSALS.notYourPassword)
  try {
    await auth().api.verifyTOTP({ body: { code }, headers: await headers() })
  } catch {
    return no(REFUSALS.wrongCode)
  }
  await inShop(crew, (trx) => writeAccess(trx, crew.shopId, accessBy(crew, 'second factor on')))
  return { status: 'done' }
}

export async function endSecondFactor(crew: Crew, password: string): Promise<{ status: 'done' } | Refused> {
  const mine = await checkedAccount(crew, password)
  if (mine) return mine
  await auth().api.disableTwoFactor({ body: { password }, headers: await headers() })
  await inShop(crew, (trx) => writeAccess(trx, crew.shopId, accessBy(crew, 'second factor off')))
  return { status: 'done' }
}

/** Null when this is the account of who acts, and its password. */
async function checkedAccount(crew: Crew, password: string): Promise<Refused | null> {
  if (crew.isDemo) return no(REFUSALS.demoSecrets)
  const userId = await ownAccount(crew)
  return userId ? passwordIsRight(userId, password) : no(REFUSALS.notYourPassword)
}

/** The account that this device is signed in by, where its person is the one who acts. */
async function ownAccount(crew: Crew): Promise<string | null> {
  return crew.acting.id === crew.signedIn.id ? userOf(crew, crew.acting.id) : null
}
