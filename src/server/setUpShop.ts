import 'server-only'
import { z } from 'zod'
import { DEFAULT_HOUSE_VALUES, HouseValues } from '@/core/shop/houseValues'
import { asShop } from '../db/client'
import { insertPerson, makeAccount, Password, removeAccount, UserName } from './accounts'
import { database } from './database'
import { Pin } from './pin'

export const ShopSetup = z.object({
  shopName: z.string().trim().min(1, 'Say the name of the shop.').max(80),
  ownerName: z.string().trim().min(1, 'Say your name as the crew uses it.').max(60),
  username: UserName,
  password: Password,
  pin: Pin,
  timeZone: HouseValues.shape.timeZone.catch(''),
})
export type ShopSetup = z.infer<typeof ShopSetup>

/** Sets up a shop with its owner. The caller signs in afterwards with the user name and password. */
export async function setUpShop(
  setup: ShopSetup,
): Promise<{ status: 'done' } | { status: 'refused'; sentence: string }> {
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
