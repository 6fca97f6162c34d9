import 'server-only'
import type { z } from 'zod'
import { same } from '@/core/procedure/edit'
import { HouseValues } from '@/core/shop/houseValues'
import { HouseWords } from '@/core/shop/houseWord'
import type { Act } from '@/core/shop/rights'
import { Stock } from '@/core/shop/stock'
import { Tool } from '@/core/shop/tool'
import { ShopRules } from '@/core/vehicle/rule'
import { isBuiltIn } from '@/core/vehicle/rulesInForce'
import { REFUSALS } from '@/words/refusals'
import { inShop, refusalOf, type Crew, type Refused } from './whoAsks'

/** What a shop adds of its own: its shape at every door, and the right it needs. The owner answers for safety. */
export const SHOP_PARTS = {
  house: { schema: HouseValues, act: 'change house values' },
  rules: { schema: ShopRules, act: 'change rules of safety' },
  tools: { schema: Tool.array().max(300), act: 'change tools' },
  words: { schema: HouseWords, act: 'change words' },
  stock: { schema: Stock, act: 'keep stock' },
} as const satisfies Record<string, { schema: z.ZodType; act: Act }>
export type ShopPart = keyof typeof SHOP_PARTS
export type ShopPartValue<P extends ShopPart> = z.infer<(typeof SHOP_PARTS)[P]['schema']>

/**
 * Changes what the shop adds of its own. `before`: what the form was filled from; where somebody else has changed it
 * meanwhile nothing is written over, and the form stays.
 */
export async function saveShopPart<P extends ShopPart>(
  crew: Crew,
  part: P,
  change: { value: ShopPartValue<P>; before: ShopPartValue<P> },
): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, SHOP_PARTS[part].act)
  if (refusal) return refusal
  if (part === 'rules') {
    const taken = (change.value as ShopRules).added.find((rule) => isBuiltIn(rule.id))
    if (taken) return { status: 'refused', sentence: REFUSALS.builtInRule(taken.id) }
  }
  return inShop(crew, async (trx): Promise<{ status: 'done' } | Refused> => {
    const row = await trx.selectFrom('shop').select(part).forUpdate().executeTakeFirstOrThrow()
    const now = SHOP_PARTS[part].schema.parse((row as Record<ShopPart, unknown>)[part])
    if (!same(now, change.before)) return { status: 'refused', sentence: REFUSALS.shopChanged }
    await trx
      .updateTable('shop')
      .set({ [part]: JSON.stringify(change.value) })
      .where('id', '=', crew.shopId)
      .execute()
    return { status: 'done' }
  })
}
