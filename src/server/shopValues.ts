import 'server-only'
import { HouseValues } from '@/core/shop/houseValues'
import type { HouseWord } from '@/core/shop/houseWord'
import { Tool } from '@/core/shop/tool'
import { ShopRules } from '@/core/vehicle/rule'
import { isBuiltIn } from '@/core/vehicle/rulesInForce'
import { inShop, mayAct, refused, type Crew, type Refused } from './session'
import { REFUSALS } from '@/words/refusals'

export type ShopPart =
  | { part: 'house'; value: HouseValues }
  | { part: 'rules'; value: ShopRules }
  | { part: 'tools'; value: Tool[] }
  | { part: 'words'; value: HouseWord[] }

/**
 * Changes what the shop adds of its own. House values, tools and words: a lead; rules of safety: the owner, who answers
 * for them.
 */
export async function saveShopPart(crew: Crew, change: ShopPart): Promise<{ status: 'done' } | Refused> {
  const needed = change.part === 'rules' ? 'owner' : 'lead'
  if (!mayAct(crew, needed)) return refused(needed)
  if (change.part === 'rules') {
    const taken = change.value.added.find((rule) => isBuiltIn(rule.id))
    if (taken) return { status: 'refused', sentence: REFUSALS.builtInRule(taken.id) }
  }
  await inShop(crew, (trx) =>
    trx
      .updateTable('shop')
      .set({ [change.part]: JSON.stringify(change.value) })
      .where('id', '=', crew.shopId)
      .execute(),
  )
  return { status: 'done' }
}
