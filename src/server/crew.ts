import 'server-only'
import { sql } from 'kysely'
import { insertPerson, makeAccount, NewPerson, removeAccount } from './accounts'
import { holdNames } from './lock'
import { inShop, mayAct, refused, type Crew, type Person, type Refused } from './session'
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
  if (!mayAct(crew, 'owner')) return refused('owner')
  return inShop(crew, async (trx): Promise<{ status: 'done' } | Refused> => {
    await holdNames(crew, trx, 'people')
    const same = await trx.selectFrom('crew').select('id').where('name', '=', person.name).executeTakeFirst()
    if (same) return { status: 'refused', sentence: REFUSALS.personCalledSo(person.name) }
    const account = person.login ? await makeAccount(person.name, person.login) : null
    if (account && !account.ok) return { status: 'refused', sentence: account.sentence }
    try {
      await insertPerson(trx, crew.shopId, { ...person, userId: account?.userId ?? null })
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
  if (!mayAct(crew, 'owner')) return refused('owner')
  await inShop(crew, (trx) =>
    trx
      .updateTable('crew')
      .set({ authorised: [...authorised] })
      .where('id', '=', crewId)
      .execute(),
  )
  return { status: 'done' }
}

/** Somebody who left stays in the record of past jobs, and can no longer sign in or act. */
export async function retirePerson(crew: Crew, crewId: string): Promise<{ status: 'done' } | Refused> {
  if (!mayAct(crew, 'owner')) return refused('owner')
  if (crewId === crew.acting.id) return { status: 'refused', sentence: REFUSALS.notYourself }
  await inShop(crew, async (trx) => {
    await trx.updateTable('crew').set({ active: false }).where('id', '=', crewId).execute()
    // What they did on a tablet before may still be on its way: it is taken, but they act no more.
    await trx.updateTable('acting').set({ current: false }).where('crew_id', '=', crewId).execute()
  })
  return { status: 'done' }
}

/** Removes the demo shop and everything in it, in one act. Only inside the demo, and only for its lead or owner. */
export async function removeDemo(crew: Crew): Promise<{ status: 'done' } | Refused> {
  if (!crew.isDemo) return { status: 'refused', sentence: REFUSALS.ownShopStays }
  if (!mayAct(crew, 'lead')) return refused('lead')
  await inShop(crew, (trx) => sql`select remove_demo_shop()`.execute(trx))
  return { status: 'done' }
}
