import 'server-only'
import { createHash, timingSafeEqual } from 'node:crypto'
import { z } from 'zod'
import { DEFAULT_HOUSE_VALUES, HouseValues } from '@/core/shop/houseValues'
import { asShop } from '../db/client'
import { Password, UserName } from './accountNames'
import { insertPerson, makeAccount, removeAccount } from './accounts'
import { database } from './database'
import { env } from './env'
import { Pin } from './pin'
import { beginTry } from './tries'
import { REFUSALS } from '@/words/refusals'

export const ShopSetup = z.object({
  shopName: z.string().trim().min(1, 'Say the name of the shop.').max(80),
  ownerName: z.string().trim().min(1, 'Say your name as the crew uses it.').max(60),
  username: UserName,
  password: Password,
  pin: Pin,
  timeZone: HouseValues.shape.timeZone.catch(''),
  /** What the start command printed, where this installation asks for it. */
  code: z.string().trim().max(60).default(''),
})
export type ShopSetup = z.infer<typeof ShopSetup>

/** Who sits at the machine itself may do anything there anyway. */
const AT_THE_MACHINE = ['127.0.0.1', '::1', 'unknown']

/** Why no shop may be set up from there; null when it may. Tries are counted by address, right or wrong. */
async function mayNotSetUp(code: string, address: string): Promise<string | null> {
  const { ISTRUZIONE_SETUP, ISTRUZIONE_SETUP_CODE } = env()
  if (ISTRUZIONE_SETUP === 'closed') return REFUSALS.setupClosed
  if (!AT_THE_MACHINE.includes(address)) {
    const waitS = await beginTry([{ kind: 'shops set up from an address', what: address }])
    if (waitS > 0) return REFUSALS.tooManyTries(waitS)
  }
  return ISTRUZIONE_SETUP === 'open' || isSame(code, ISTRUZIONE_SETUP_CODE) ? null : REFUSALS.setupCode
}

/** Whether two texts are the same, in a time that says nothing of where they differ. */
function isSame(a: string, b: string): boolean {
  const [first, second] = [a, b].map((text) => createHash('sha256').update(text).digest())
  return timingSafeEqual(first!, second!)
}

/**
 * Sets up a shop with its owner. `address`: who asks. The caller signs in afterwards with the user name and password.
 */
export async function setUpShop(
  setup: ShopSetup,
  address: string,
): Promise<{ status: 'done' } | { status: 'refused'; sentence: string }> {
  const no = await mayNotSetUp(setup.code, address)
  if (no) return { status: 'refused', sentence: no }
  const account = await makeAccount(setup.ownerName, setup)
  if (!account.ok) return { status: 'refused', sentence: account.sentence }
  const shopId = crypto.randomUUID()
  const written = asShop(database(), shopId, async (trx) => {
    await trx
      .insertInto('shop')
      .values({
        id: shopId,
        name: setup.shopName,
        house: JSON.stringify({ ...DEFAULT_HOUSE_VALUES, timeZone: setup.timeZone }),
      })
      .execute()
    await insertPerson(trx, shopId, { name: setup.ownerName, role: 'owner', pin: setup.pin, userId: account.userId })
  })
  await written.catch(async (error: unknown) => {
    // The user name would be taken for good by somebody who has no shop.
    await removeAccount(account.userId)
    throw error
  })
  return { status: 'done' }
}
