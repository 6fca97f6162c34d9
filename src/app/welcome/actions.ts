'use server'
import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { accessBy, writeAccess } from '@/server/accessLog'
import { auth } from '@/server/auth'
import { addressOf } from '@/server/clientAddress'
import { lookAround } from '@/server/demoSignIn'
import { changeActing, type ActingOutcome } from '@/server/pin'
import { atDoor } from '@/server/door'
import { forgetCrews, thenForget } from '@/server/keptCrew'
import { currentCrew, requireCrew } from '@/server/session'
import { inShop } from '@/server/whoAsks'
import { setUpShop, ShopSetup } from '@/server/setUpShop'
import { REFUSALS } from '@/words/refusals'

export type FormAnswer = { fields: Record<string, string>; sentence: string } | null

export async function lookAroundAs(role: 'installer' | 'lead'): Promise<FormAnswer> {
  const wish = atDoor(z.enum(['installer', 'lead']), role)
  const done = wish.success && (await lookAround(wish.data))
  if (done) redirect('/today')
  return {
    fields: {},
    sentence: REFUSALS.demoGone,
  }
}

/** Makes the shop and its owner. What was typed stays in the form when something is wrong. */
export async function setUpMyShop(input: unknown): Promise<FormAnswer> {
  const setup = atDoor(ShopSetup, input)
  if (!setup.success)
    return {
      fields: Object.fromEntries(setup.error.issues.map((issue) => [issue.path.join('.'), issue.message])),
      sentence: REFUSALS.fieldsNeedALook,
    }
  const outcome = await setUpShop(setup.data, addressOf(await headers()))
  if (outcome.status === 'refused')
    return {
      fields: outcome.sentence === REFUSALS.userNameTaken(setup.data.username) ? { username: outcome.sentence } : {},
      sentence: outcome.sentence,
    }
  await auth().api.signInUsername({
    body: { username: setup.data.username, password: setup.data.password },
    headers: await headers(),
  })
  redirect('/today')
}

export async function signOut(): Promise<void> {
  const crew = await currentCrew()
  await auth().api.signOut({ headers: await headers() })
  if (crew) {
    forgetCrews(crew.shopId)
    await inShop(crew, (trx) => writeAccess(trx, crew.shopId, accessBy(crew, 'signed out')))
  }
  redirect('/welcome')
}

const Acting = z.object({ crewId: z.uuid(), pin: z.string().max(12) })

export async function changeWhoActs(input: unknown): Promise<ActingOutcome> {
  const crew = await requireCrew()
  const wish = atDoor(Acting, input)
  if (!wish.success) return { status: 'wrong', sentence: REFUSALS.chooseNameAndPin }
  return thenForget(crew, changeActing(crew, wish.data.crewId, wish.data.pin))
}
