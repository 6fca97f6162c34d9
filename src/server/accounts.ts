import 'server-only'
import { z } from 'zod'
import type { ShopTransaction } from '../db/client'
import type { Role } from '@/core/shop/rights'
import { auth } from './auth'
import { Password, UserName } from './accountNames'
import { accountsDatabase } from './accountsDatabase'
import { hashPin, Pin } from './pin'
import { REFUSALS } from '@/words/refusals'

export const NewPerson = z.object({
  name: z.string().trim().min(1, 'Say the name the crew uses.').max(60),
  role: z.enum(['installer', 'lead', 'owner']),
  pin: Pin,
  /** Only those who sign tablets in need a user name; everybody else acts by name and PIN. */
  login: z.object({ username: UserName, password: Password }).nullable(),
})
export type NewPerson = z.infer<typeof NewPerson>

/** Makes the account of somebody who signs in; returns its id, or a sentence when the user name is taken. */
export async function makeAccount(
  name: string,
  login: { username: string; password: string },
): Promise<{ ok: true; userId: string } | { ok: false; sentence: string }> {
  try {
    // The library wants an address; nothing is ever sent, so it is one that can't exist.
    const made = await auth().api.signUpEmail({
      body: {
        name,
        email: `${login.username.toLowerCase()}@shop.invalid`,
        username: login.username,
        password: login.password,
      },
    })
    return { ok: true, userId: made.user.id }
  } catch (error) {
    const text = error instanceof Error ? error.message : ''
    if (/exist|taken/i.test(text)) return { ok: false, sentence: REFUSALS.userNameTaken(login.username) }
    throw error
  }
}

/** Leaves nothing of an account whose person was not brought in after all. */
export async function removeAccount(userId: string): Promise<void> {
  await accountsDatabase().deleteFrom('account').where('userId', '=', userId).execute()
  await accountsDatabase().deleteFrom('user').where('id', '=', userId).execute()
}

export async function insertPerson(
  trx: ShopTransaction,
  shopId: string,
  person: { name: string; role: Role; pin: string; userId: string | null },
): Promise<string> {
  const id = crypto.randomUUID()
  await trx
    .insertInto('crew')
    .values({
      id,
      shop_id: shopId,
      name: person.name,
      role: person.role,
      pin_hash: await hashPin(person.pin),
      user_id: person.userId,
      pin_locked_until: null,
    })
    .execute()
  return id
}
