'use server'
import { revalidatePath } from 'next/cache'
import { z } from 'zod'
import { DeviceName, nameDevice, signOutDevice } from '@/server/devices'
import { atDoor } from '@/server/door'
import { thenForget } from '@/server/keptCrew'
import { requireCrew } from '@/server/session'
import type { Refused } from '@/server/whoAsks'
import { REFUSALS } from '@/words/refusals'

type Answer = { status: 'done' } | Refused

export async function nameDeviceAction(deviceId: unknown, name: unknown): Promise<Answer> {
  const crew = await requireCrew()
  const [id, said] = [atDoor(z.uuid(), deviceId), atDoor(DeviceName, name)]
  if (!id.success) return { status: 'refused', sentence: REFUSALS.deviceGone }
  if (!said.success) return { status: 'refused', sentence: said.error.issues[0]!.message }
  const answer = await nameDevice(crew, id.data, said.data)
  if (answer.status === 'done') revalidatePath('/shop/devices')
  return answer
}

export async function signOutDeviceAction(deviceId: unknown): Promise<Answer> {
  const crew = await requireCrew()
  const id = atDoor(z.uuid(), deviceId)
  if (!id.success) return { status: 'refused', sentence: REFUSALS.deviceGone }
  const answer = await thenForget(crew, signOutDevice(crew, id.data))
  if (answer.status === 'done') revalidatePath('/shop/devices')
  return answer
}
