import { afterAll, beforeAll, expect, jest, test } from '@jest/globals'
import { addPerson, retirePerson } from './crew'
import { accountsDatabase } from './accountsDatabase'
import { auth } from './auth'
import { database } from './database'
import { crewOfTablet, forgetCrews, thenForget } from './keptCrew'
import { changeActing } from './pin'
import { crewOf, makeShop, somebody } from './shop.testing'
import { inShop, prolongSession } from './whoAsks'

const owner = somebody('Marit', 'owner')
const shop = crypto.randomUUID()
const asOwner = crewOf(shop, owner)
const username = `kim_${crypto.randomUUID().slice(0, 8)}`
const login = { username, password: 'a long enough password' }
let cookie = ''

beforeAll(async () => {
  await makeShop(shop, [owner])
  await addPerson(asOwner, { name: 'Kim', role: 'lead', pin: '4711', login })
  await addPerson(asOwner, { name: 'Ola', role: 'installer', pin: '1234', login: null })
  const answer = await auth().api.signInUsername({ body: login, asResponse: true })
  cookie = answer.headers.get('set-cookie')!.split(';', 1)[0]!
})
afterAll(async () => {
  await database().destroy()
  await accountsDatabase().destroy()
})

test('who asks is kept for a moment, and known anew as soon as somebody else acts or it is signed out', async () => {
  const kim = (await crewOfTablet(cookie))!
  expect([kim.shopId, kim.acting.name]).toEqual([shop, 'Kim'])
  // From memory: the very same.
  expect(await crewOfTablet(cookie)).toBe(kim)
  expect(await crewOfTablet(`theme=bay; ${cookie}; other=1`)).toBe(kim)
  const ola = await crewIdOf('Ola')
  await thenForget(kim, changeActing(kim, ola, '1234'))
  expect((await crewOfTablet(cookie))!.acting.name).toBe('Ola')
  await thenForget(asOwner, retirePerson(asOwner, ola))
  expect((await crewOfTablet(cookie))!.acting.name).toBe('Kim')
  await accountsDatabase().deleteFrom('session').where('id', '=', kim.sessionId).execute()
  forgetCrews(shop)
  expect(await crewOfTablet(cookie)).toBeNull()
})

test('what was kept passes by the clock that nobody sets: a wall clock that went back keeps nobody', async () => {
  const answer = await auth().api.signInUsername({ body: login, asResponse: true })
  const mine = answer.headers.get('set-cookie')!.split(';', 1)[0]!
  const kim = (await crewOfTablet(mine))!
  const [wallMs, steadyMs] = [Date.now(), performance.now()]
  jest.spyOn(Date, 'now').mockReturnValue(wallMs - 24 * 60 * 60_000)
  jest.spyOn(performance, 'now').mockReturnValue(steadyMs + 6_000)
  const again = await crewOfTablet(mine)
  jest.restoreAllMocks()
  expect(again).not.toBe(kim)
  expect(again!.acting.name).toBe('Kim')
})

test('a poll prolongs nothing; a device that says it is there does, and is given the longer cookie', async () => {
  const answer = await auth().api.signInUsername({ body: login, asResponse: true })
  const mine = new Headers({ cookie: answer.headers.get('set-cookie')!.split(';', 1)[0]! })
  const kim = (await crewOfTablet(mine.get('cookie')!))!
  // An hour later.
  const soon = new Date(Date.now() + 11 * 60 * 60_000)
  const until = async () =>
    (
      await accountsDatabase()
        .selectFrom('session')
        .select('expiresAt')
        .where('id', '=', kim.sessionId)
        .executeTakeFirstOrThrow()
    ).expiresAt.getTime()
  await accountsDatabase().updateTable('session').set({ expiresAt: soon }).where('id', '=', kim.sessionId).execute()
  forgetCrews(shop)
  await crewOfTablet(mine.get('cookie')!)
  expect(await until()).toBe(soon.getTime())
  await prolongSession(mine)
  expect(await until()).toBeGreaterThan(soon.getTime() + 30 * 60_000)
})

test('what is forgotten while it is looked up is not kept as it was', async () => {
  const answer = await auth().api.signInUsername({ body: login, asResponse: true })
  const again = answer.headers.get('set-cookie')!.split(';', 1)[0]!
  const looking = crewOfTablet(again)
  forgetCrews(shop)
  const seen = await looking
  expect(await crewOfTablet(again)).not.toBe(seen)
})

test('no cookie, a foreign one, or half of one is nobody', async () => {
  for (const nobody of ['', 'istruzione.session_token=', 'istruzione.session_token=x.y', `x${cookie}`])
    expect(await crewOfTablet(nobody)).toBeNull()
})

async function crewIdOf(name: string): Promise<string> {
  const row = await inShop(asOwner, (trx) =>
    trx.selectFrom('crew').select('id').where('name', '=', name).executeTakeFirstOrThrow(),
  )
  return row.id
}
