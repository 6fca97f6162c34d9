import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { ShopRules } from '@/core/vehicle/rule'
import { inShop, type Crew, type Person } from './whoAsks'

/** Somebody who acts in a shop, for tests on a real PostgreSQL (bin/test unit starts one and migrates it). */
export function crewOf(shopId: string, person: Person): Crew {
  return {
    shopId,
    shopName: 'Shop',
    isDemo: false,
    house: DEFAULT_HOUSE_VALUES,
    rules: ShopRules.parse({}),
    tools: [],
    words: [],
    stock: [],
    sessionId: 'none',
    signedIn: person,
    acting: person,
  }
}

export function somebody(name: string, role: Person['role']): Person {
  return { id: crypto.randomUUID(), name, role, authorised: [] }
}

/** A shop with these people in it. */
export async function makeShop(shopId: string, people: readonly Person[]): Promise<void> {
  await inShop(crewOf(shopId, people[0]!), async (trx) => {
    const house = JSON.stringify(DEFAULT_HOUSE_VALUES)
    await trx.insertInto('shop').values({ id: shopId, name: 'Shop', house }).execute()
    const row = { shop_id: shopId, pin_hash: 'x', user_id: null, pin_locked_until: null }
    for (const { id, name, role } of people)
      await trx
        .insertInto('crew')
        .values({ ...row, id, name, role })
        .execute()
  })
}
