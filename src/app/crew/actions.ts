'use server'
import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { NewPerson } from '@/server/accounts'
import { addPerson, removeDemo, retirePerson } from '@/server/crew'
import { atDoor } from '@/server/door'
import { requireCrew } from '@/server/session'
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
  const outcome = await retirePerson(crew, id.data)
  if (outcome.status === 'done') revalidatePath('/crew')
  return outcome
}

export async function removeDemoAction(): Promise<CrewAnswer> {
  const outcome = await removeDemo(await requireCrew())
  if (outcome.status === 'refused') return outcome
  redirect('/welcome')
}
