import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { sql } from 'kysely'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'
import { Beat, deviceNames, keepBeat, listDevices, nameDevice, signOutDevice } from './devices'
import { crewOf, makeShop, somebody } from './shop.testing'
import { inShop } from './whoAsks'

const [lead, installer, stranger] = [
  somebody('Marit', 'lead'),
  somebody('Tolu', 'installer'),
  somebody('Aino', 'owner'),
]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const [tablet, desk] = [crypto.randomUUID(), crypto.randomUUID()]
const session = crypto.randomUUID()
const asLead = { ...crewOf(shop, lead), sessionId: session }
const asInstaller = crewOf(shop, installer)
const beat = (deviceId: string, more: Partial<Beat> = {}) =>
  Beat.parse({ deviceId, kind: 'tablet', waiting: 0, clockMs: Date.now(), ...more })
const rowOf = async (id: string) => (await listDevices(asLead)).find((row) => row.id === id)

beforeAll(async () => {
  await makeShop(shop, [lead, installer])
  await makeShop(other, [stranger])
  const user = `user-${session}`
  await sql`insert into auth."user" (id, name, email, "emailVerified", "createdAt", "updatedAt")
    values (${user}, 'Marit', ${`${user}@shop.invalid`}, false, now(), now())`.execute(accountsDatabase())
  await sql`insert into auth.session (id, token, "userId", "expiresAt", "createdAt", "updatedAt")
    values (${session}, ${session}, ${user}, now() + interval '1 hour', now(), now())`.execute(accountsDatabase())
})
afterAll(() => database().destroy())

test('a device is there once it has said so, and is as it last said', async () => {
  expect(await keepBeat(asLead, beat(tablet, { waiting: 3, clockMs: Date.now() + 3_600_000 }))).toEqual({ name: '' })
  const first = (await rowOf(tablet))!
  expect(first).toMatchObject({ kind: 'tablet', by: 'Marit', waiting: 3, signedIn: true })
  expect(Math.round(first.clockAheadMs / 60_000)).toBe(60)
  await keepBeat(asLead, beat(tablet))
  expect(await rowOf(tablet)).toMatchObject({ waiting: 0 })
  expect((await listDevices(asLead)).filter(({ id }) => id === tablet)).toHaveLength(1)
  expect(await listDevices(crewOf(other, stranger))).toEqual([])
})

test('a lead names it, an installer does not; two are never called the same', async () => {
  await keepBeat(asInstaller, beat(desk, { kind: 'computer' }))
  expect(await nameDevice(asInstaller, tablet, 'Bay 2 tablet')).toMatchObject({ status: 'refused' })
  expect(await nameDevice(asLead, tablet, 'Bay 2 tablet')).toEqual({ status: 'done' })
  expect(await nameDevice(asLead, desk, 'bay 2 TABLET')).toMatchObject({
    status: 'refused',
    sentence: expect.stringContaining('bay 2 TABLET'),
  })
  expect(await keepBeat(asLead, beat(tablet))).toEqual({ name: 'Bay 2 tablet' })
  expect([...(await deviceNames(asLead))]).toEqual([[tablet, 'Bay 2 tablet']])
  expect(await nameDevice(crewOf(other, stranger), tablet, 'Stolen')).toMatchObject({ status: 'refused' })
})

test('two leads who give two devices the same name at once: one of them is told', async () => {
  const outcomes = await Promise.all([nameDevice(asLead, tablet, 'Pit'), nameDevice(asLead, desk, 'Pit')])
  expect(outcomes.map(({ status }) => status).sort()).toEqual(['done', 'refused'])
})

test('signing it out ends its session, and no other shop can', async () => {
  expect(await signOutDevice(crewOf(other, stranger), tablet)).toMatchObject({ status: 'refused' })
  expect(await signOutDevice(asInstaller, tablet)).toMatchObject({ status: 'refused' })
  expect(await rowOf(tablet)).toMatchObject({ signedIn: true })
  expect(await signOutDevice(asLead, tablet)).toEqual({ status: 'done' })
  expect(await rowOf(tablet)).toMatchObject({ signedIn: false })
})

test('who says another id each time fills no list', async () => {
  const asAino = crewOf(other, stranger)
  const row = { shop_id: other, kind: 'tablet' as const, crew_id: stranger.id, session_id: 'none' }
  const many = Array.from({ length: 499 }, () => ({ ...row, id: crypto.randomUUID() }))
  await inShop(asAino, (trx) => trx.insertInto('device').values(many).execute())
  for (let i = 0; i < 3; i++) await keepBeat(asAino, beat(crypto.randomUUID()))
  const { n } = await inShop(asAino, (trx) =>
    trx
      .selectFrom('device')
      .select((eb) => eb.fn.countAll<string>().as('n'))
      .executeTakeFirstOrThrow(),
  )
  expect(Number(n)).toBe(500)
  // One that is known is still heard.
  expect(await keepBeat(asAino, beat(many[0]!.id, { waiting: 7 }))).toEqual({ name: '' })
})

test('what no device says is no beat', () => {
  for (const odd of [{ waiting: -1 }, { waiting: 1.5 }, { clockMs: 1e20 }, { kind: 'fridge' }, { deviceId: 'x' }])
    expect(Beat.safeParse({ ...beat(tablet), ...odd }).success).toBe(false)
})
