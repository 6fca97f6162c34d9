import 'server-only'
import { sql } from 'kysely'
import { insertPerson, makeAccount, NewPerson, removeAccount } from './accounts'
import { accessBy, writeAccess } from './accessLog'
import { holdNames } from './lock'
import { inShop, refusalOf, type Crew, type Person, type Refused } from './whoAsks'
import { REFUSALS } from '@/words/refusals'

export type CrewRow = Person & { signsIn: boolean; active: boolean }

export async function listCrew(crew: Crew): Promise<CrewRow[]> {
  const rows = await inShop(crew, (trx) =>
    trx
      .selectFrom('crew')
      .select(['id', 'name', 'role', 'authorised', 'user_id', 'active'])
      .orderBy('active', 'desc')
      .orderBy('name')
      .execute(),
  )
  return rows.map(({ user_id, ...row }) => ({ ...row, signsIn: user_id !== null }))
}

/** Only the owner brings people in. */
export async function addPerson(crew: Crew, person: NewPerson): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, 'bring people in and let them go')
  if (refusal) return refusal
  return inShop(crew, async (trx): Promise<{ status: 'done' } | Refused> => {
    await holdNames(crew, trx, 'people')
    const same = await trx.selectFrom('crew').select('id').where('name', '=', person.name).executeTakeFirst()
    if (same) return { status: 'refused', sentence: REFUSALS.personCalledSo(person.name) }
    const account = person.login ? await makeAccount(person.name, person.login) : null
    if (account && !account.ok) return { status: 'refused', sentence: account.sentence }
    try {
      const of = await insertPerson(trx, crew.shopId, { ...person, userId: account?.userId ?? null })
      await writeAccess(trx, crew.shopId, accessBy(crew, 'brought in', { of, detail: person.role }))
    } catch (error) {
      // The user name would be taken for good by somebody who is not in the crew.
      if (account) await removeAccount(account.userId)
      throw error
    }
    return { status: 'done' }
  })
}

/** Who may work on what, by training and local rules. The owner answers for it. */
export async function setAuthorised(
  crew: Crew,
  crewId: string,
  authorised: readonly string[],
): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, 'say who is authorised')
  if (refusal) return refusal
  return inShop(crew, async (trx): Promise<{ status: 'done' } | Refused> => {
    const changed = await trx
      .updateTable('crew')
      .set({ authorised: [...authorised] })
      .where('id', '=', crewId)
      .where('active', '=', true)
      .executeTakeFirst()
    if (changed.numUpdatedRows === 0n) return { status: 'refused', sentence: REFUSALS.personGone }
    const detail = authorised.length > 0 ? authorised.join(', ') : 'nothing'
    await writeAccess(trx, crew.shopId, accessBy(crew, 'authorised', { of: crewId, detail }))
    return { status: 'done' }
  })
}

/** Somebody who left stays in the record of past jobs, and can no longer sign in or act. */
export async function retirePerson(crew: Crew, crewId: string): Promise<{ status: 'done' } | Refused> {
  const refusal = await refusalOf(crew, 'bring people in and let them go')
  if (refusal) return refusal
  if (crewId === crew.acting.id) return { status: 'refused', sentence: REFUSALS.notYourself }
  return inShop(crew, async (trx): Promise<{ status: 'done' } | Refused> => {
    const left = await trx
      .updateTable('crew')
      .set({ active: false })
      .where('id', '=', crewId)
      .where('active', '=', true)
      .executeTakeFirst()
    if (left.numUpdatedRows === 0n) return { status: 'refused', sentence: REFUSALS.personGone }
    // What they did on a tablet before may still be on its way: it is taken and marked, but they act no more.
    await trx.updateTable('acting').set({ current: false }).where('crew_id', '=', crewId).execute()
    await writeAccess(trx, crew.shopId, accessBy(crew, 'left', { of: crewId }))
    return { status: 'done' }
  })
}

/** Removes the demo shop and everything in it, in one act. Only inside the demo, and only for its lead or owner. */
export async function removeDemo(crew: Crew): Promise<{ status: 'done' } | Refused> {
  if (!crew.isDemo) return { status: 'refused', sentence: REFUSALS.ownShopStays }
  const refusal = await refusalOf(crew, 'remove the demo')
  if (refusal) return refusal
  await inShop(crew, (trx) => sql`select remove_demo_shop()`.execute(trx))
  return { status: 'done' }
}
