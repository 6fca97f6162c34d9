import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { verifyPassword } from 'better-auth/crypto'
import { sql } from 'kysely'
import { addPerson, listCrew } from './crew'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'
import { changeActing } from './pin'
import { changePassword, changePin, NewPassword, NewPin, resetPassword, resetPin } from './secrets'
import { inShop } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'

const [owner, stranger] = [somebody('Marit', 'owner'), somebody('Aino', 'owner')]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const asOwner = { ...crewOf(shop, owner), sessionId: crypto.randomUUID() }
const asStranger = crewOf(other, stranger)
const OLD = 'correct horse battery'
let kim = somebody('Kim', 'installer')
let userId = ''
const asKim = () => ({ ...crewOf(shop, kim), sessionId: `kim-${shop}` })

beforeAll(async () => {
  await makeShop(shop, [owner])
  await makeShop(other, [stranger])
  const login = { username: `kim_${shop.slice(0, 8)}`, password: OLD }
  await addPerson(asOwner, { name: 'Kim', role: 'installer', pin: '1234', login })
  kim = { ...kim, id: (await listCrew(asOwner)).find(({ name }) => name === 'Kim')!.id }
  const row = await inShop(asOwner, (trx) =>
    trx.selectFrom('crew').select('user_id').where('id', '=', kim.id).executeTakeFirstOrThrow(),
  )
  userId = row.user_id!
})
afterAll(() => database().destroy())

const signIn = (id: string) =>
  sql`insert into auth.session (id, token, "userId", "expiresAt", "createdAt", "updatedAt")
    values (${id}, ${id}, ${userId}, now() + interval '1 hour', now(), now())`.execute(accountsDatabase())
const sessions = async () =>
  (
    await sql<{ id: string }>`select id from auth.session where "userId" = ${userId} order by id`.execute(
      accountsDatabase(),
    )
  ).rows.map(({ id }) => id)
const passwordIs = async (password: string) => {
  const { rows } = await sql<{
    password: string
  }>`select password from auth.account where "userId" = ${userId}`.execute(accountsDatabase())
  return verifyPassword({ hash: rows[0]!.password, password })
}

test('a PIN is changed by who knows the one of now; wrong ones count, here as everywhere', async () => {
  expect(await changePin(asKim(), NewPin.parse({ now: '9999', next: '4321' }))).toMatchObject({ status: 'refused' })
  expect(await changePin(asKim(), { now: '1234', next: '4321' })).toEqual({ status: 'done' })
  expect(await changeActing(asOwner, kim.id, '1234')).toMatchObject({ status: 'wrong' })
  expect(await changeActing(asOwner, kim.id, '4321')).toEqual({ status: 'done' })
  for (let i = 0; i < 4; i++) await changePin(asKim(), { now: '9999', next: '5555' })
  // The right one is no use while it is slowed, whichever form it is entered in.
  for (const outcome of [
    await changePin(asKim(), { now: '4321', next: '5555' }),
    await changeActing(asOwner, kim.id, '4321'),
  ])
    expect(outcome).toMatchObject({ sentence: expect.stringContaining('Too many tries') })
  for (const odd of ['12', '123456789', 'abcd']) expect(NewPin.safeParse({ now: '1', next: odd }).success).toBe(false)
})

test('the owner gives a new PIN, free of waits; nobody else does, and not to another shop’s', async () => {
  expect((await resetPin(asKim(), kim.id, '7777')).status).toBe('refused')
  expect((await resetPin(asStranger, kim.id, '7777')).status).toBe('refused')
  expect(await resetPin(asOwner, kim.id, '7777')).toEqual({ status: 'done' })
  expect(await changeActing(asOwner, kim.id, '7777')).toEqual({ status: 'done' })
})

test('a password is changed by who signed the device in, and ends their other sign-ins', async () => {
  const [here, there] = [`kim-${shop}`, `elsewhere-${shop}`]
  await Promise.all([signIn(here), signIn(there)])
  const next = NewPassword.parse({ now: OLD, next: 'a wholly new password' })
  expect(await changePassword({ ...asKim(), signedIn: owner }, next)).toMatchObject({ status: 'refused' })
  expect(await changePassword(asKim(), { ...next, now: 'not the password' })).toMatchObject({ status: 'refused' })
  expect([await passwordIs(OLD), await sessions()]).toEqual([true, [there, here]])
  expect(await changePassword(asKim(), next)).toEqual({ status: 'done' })
  expect([await passwordIs(OLD), await passwordIs(next.next), await sessions()]).toEqual([false, true, [here]])
})

test('guessing the password of now is slowed as a sign-in is', async () => {
  const guess = () => changePassword(asKim(), { now: 'not the password', next: 'a wholly new password' })
  for (let i = 0; i < 5; i++)
    expect(await guess()).toMatchObject({ sentence: expect.stringContaining('not your password') })
  expect(await guess()).toMatchObject({ sentence: expect.stringContaining('Too many tries') })
})

test('the owner gives a new password; every device of theirs is signed out; the demo’s are left alone', async () => {
  expect((await resetPassword(asKim(), kim.id, 'given by the owner')).status).toBe('refused')
  expect((await resetPassword(asStranger, kim.id, 'given by another')).status).toBe('refused')
  expect((await resetPassword({ ...asOwner, isDemo: true }, kim.id, 'given in a demo')).status).toBe('refused')
  expect((await resetPassword(asOwner, owner.id, 'has no sign-in')).status).toBe('refused')
  expect(await resetPassword(asOwner, kim.id, 'given by the owner')).toEqual({ status: 'done' })
  expect([await passwordIs('given by the owner'), await sessions()]).toEqual([true, []])
})
