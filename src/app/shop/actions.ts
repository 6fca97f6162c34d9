'use server'
import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { HouseValues } from '@/core/shop/houseValues'
import { HouseWords } from '@/core/shop/houseWord'
import { Tool } from '@/core/shop/tool'
import { ShopRules } from '@/core/vehicle/rule'
import { setAuthorised } from '@/server/crew'
import { KitInput, removeKit, saveKit } from '@/server/kits'
import { atDoor } from '@/server/door'
import { requireCrew, type Refused } from '@/server/session'
import { saveShopPart, type ShopPart } from '@/server/shopValues'
import { REFUSALS } from '@/words/refusals'

type Answer = { status: 'done' } | Refused

async function savePart<T>(part: ShopPart['part'], schema: z.ZodType<T>, input: unknown): Promise<Answer> {
  const crew = await requireCrew()
  const parsed = atDoor(schema, input)
  if (!parsed.success) return { status: 'refused', sentence: parsed.error.issues[0]!.message }
  const answer = await saveShopPart(crew, { part, value: parsed.data } as ShopPart)
  if (answer.status === 'done') revalidatePath('/', 'layout')
  return answer
}

export async function saveHouseAction(input: unknown): Promise<Answer> {
  return savePart('house', HouseValues, input)
}

export async function saveRulesAction(input: unknown): Promise<Answer> {
  return savePart('rules', ShopRules, input)
}

export async function saveToolsAction(input: unknown): Promise<Answer> {
  return savePart('tools', Tool.array().max(300), input)
}

export async function saveWordsAction(input: unknown): Promise<Answer> {
  return savePart('words', HouseWords, input)
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
  const parsed = atDoor(z.object({ id: z.uuid(), what: z.array(z.enum(['airbag circuits'])) }), {
    id: crewId,
    what: authorised,
  })
  if (!parsed.success) return { status: 'refused', sentence: REFUSALS.choosePerson }
  const answer = await setAuthorised(crew, parsed.data.id, parsed.data.what)
  if (answer.status === 'done') revalidatePath('/crew')
  return answer
}
