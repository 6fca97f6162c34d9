'use server'
import { AIRBAG_CIRCUITS } from '@/core/shop/rights'
import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { setAuthorised } from '@/server/crew'
import { KitInput, removeKit, saveKit } from '@/server/kits'
import { atDoor } from '@/server/door'
import { thenForget } from '@/server/keptCrew'
import { requireCrew } from '@/server/session'
import type { Refused } from '@/server/whoAsks'
import { saveShopPart, SHOP_PARTS, type ShopPart, type ShopPartValue } from '@/server/shopValues'
import { REFUSALS } from '@/words/refusals'

type Answer = { status: 'done' } | Refused

async function savePart<P extends ShopPart>(part: P, value: unknown, before: unknown): Promise<Answer> {
  const crew = await requireCrew()
  const { schema } = SHOP_PARTS[part]
  const parsed = atDoor(z.object({ value: schema, before: schema }), { value, before })
  if (!parsed.success) return { status: 'refused', sentence: parsed.error.issues[0]!.message }
  const answer = await thenForget(
    crew,
    saveShopPart(crew, part, parsed.data as { value: ShopPartValue<P>; before: ShopPartValue<P> }),
  )
  if (answer.status === 'done') revalidatePath('/', 'layout')
  return answer
}

export async function saveHouseAction(value: unknown, before: unknown): Promise<Answer> {
  return savePart('house', value, before)
}

export async function saveRulesAction(value: unknown, before: unknown): Promise<Answer> {
  return savePart('rules', value, before)
}

export async function saveToolsAction(value: unknown, before: unknown): Promise<Answer> {
  return savePart('tools', value, before)
}

export async function saveStockAction(value: unknown, before: unknown): Promise<Answer> {
  return savePart('stock', value, before)
}

export async function saveWordsAction(value: unknown, before: unknown): Promise<Answer> {
  return savePart('words', value, before)
}

export async function saveKitAction(input: unknown): Promise<{ status: 'done'; version: number } | Refused> {
  const crew = await requireCrew()
  const parsed = atDoor(KitInput, input)
  if (!parsed.success) return { status: 'refused', sentence: parsed.error.issues[0]!.message }
  const answer = await saveKit(crew, parsed.data)
  if (answer.status === 'done') revalidatePath('/shop/kits')
  return answer
}

export async function removeKitAction(kitId: unknown): Promise<Answer> {
  const crew = await requireCrew()
  const id = atDoor(z.uuid(), kitId)
  if (!id.success) return { status: 'refused', sentence: REFUSALS.chooseKit }
  const answer = await removeKit(crew, id.data)
  if (answer.status === 'refused') return answer
  redirect('/shop/kits')
}

export async function setAuthorisedAction(crewId: unknown, authorised: unknown): Promise<Answer> {
  const crew = await requireCrew()
  const parsed = atDoor(z.object({ id: z.uuid(), what: z.array(z.enum([AIRBAG_CIRCUITS])) }), {
    id: crewId,
    what: authorised,
  })
  if (!parsed.success) return { status: 'refused', sentence: REFUSALS.choosePerson }
  const answer = await thenForget(crew, setAuthorised(crew, parsed.data.id, parsed.data.what))
  if (answer.status === 'done') revalidatePath('/crew')
  return answer
}
