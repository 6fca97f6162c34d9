'use server'
import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { Password } from '@/server/accountNames'
import { NewPerson } from '@/server/accounts'
import { addPerson, removeDemo, retirePerson } from '@/server/crew'
import { atDoor } from '@/server/door'
import { thenForget } from '@/server/keptCrew'
import { Pin } from '@/server/pin'
import { changePassword, changePin, NewPassword, NewPin, resetPassword, resetPin } from '@/server/secrets'
import { beginSecondFactor, Code, confirmSecondFactor, endSecondFactor, type Begun } from '@/server/secondFactor'
import { requireCrew } from '@/server/session'
import type { Refused } from '@/server/whoAsks'
import { REFUSALS } from '@/words/refusals'

export type CrewAnswer = { status: 'done' } | { status: 'refused'; sentence: string; fields?: Record<string, string> }

export async function addPersonAction(input: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const person = atDoor(NewPerson, input)
  if (!person.success)
    return {
      status: 'refused',
      sentence: REFUSALS.fieldsNeedALook,
      fields: Object.fromEntries(
        person.error.issues.map((issue) => [issue.path.at(-1)?.toString() ?? '', issue.message]),
      ),
    }
  const outcome = await addPerson(crew, person.data)
  if (outcome.status === 'done') revalidatePath('/crew')
  return outcome
}

export async function retireAction(crewId: string): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const id = atDoor(z.uuid(), crewId)
  if (!id.success) return { status: 'refused', sentence: REFUSALS.choosePerson }
  const outcome = await thenForget(crew, retirePerson(crew, id.data))
  if (outcome.status === 'done') revalidatePath('/crew')
  return outcome
}

export async function removeDemoAction(): Promise<CrewAnswer> {
  const outcome = await removeDemo(await requireCrew())
  if (outcome.status === 'refused') return outcome
  redirect('/welcome')
}

export async function changePinAction(input: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const wish = atDoor(NewPin, input)
  return wish.success ? changePin(crew, wish.data) : refusedFor(wish.error)
}

export async function changePasswordAction(input: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const wish = atDoor(NewPassword, input)
  return wish.success ? thenForget(crew, changePassword(crew, wish.data)) : refusedFor(wish.error)
}

export async function resetPinAction(crewId: unknown, next: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const wish = atDoor(z.object({ crewId: z.uuid(), next: Pin }), { crewId, next })
  return wish.success ? thenForget(crew, resetPin(crew, wish.data.crewId, wish.data.next)) : refusedFor(wish.error)
}

export async function resetPasswordAction(crewId: unknown, next: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const wish = atDoor(z.object({ crewId: z.uuid(), next: Password }), { crewId, next })
  return wish.success ? thenForget(crew, resetPassword(crew, wish.data.crewId, wish.data.next)) : refusedFor(wish.error)
}

export async function beginSecondFactorAction(password: unknown): Promise<Begun | Refused> {
  const crew = await requireCrew()
  const wish = atDoor(z.string().max(128), password)
  return wish.success ? beginSecondFactor(crew, wish.data) : { status: 'refused', sentence: REFUSALS.wrongPassword }
}

export async function confirmSecondFactorAction(code: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const wish = atDoor(Code, code)
  if (!wish.success) return refusedFor(wish.error)
  const answer = await thenForget(crew, confirmSecondFactor(crew, wish.data))
  if (answer.status === 'refused') return answer
  // The sign-in library has made a new session: the page is drawn with that one.
  redirect('/crew')
}

export async function endSecondFactorAction(password: unknown): Promise<CrewAnswer> {
  const crew = await requireCrew()
  const wish = atDoor(z.string().max(128), password)
  if (!wish.success) return { status: 'refused', sentence: REFUSALS.wrongPassword }
  const answer = await thenForget(crew, endSecondFactor(crew, wish.data))
  if (answer.status === 'refused') return answer
  redirect('/crew')
}

function refusedFor(error: z.ZodError): CrewAnswer {
  return { status: 'refused', sentence: error.issues[0]!.message }
}
