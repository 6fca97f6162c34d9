import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { addPerson, listCrew, removeDemo, retirePerson, setAuthorised } from './crew'
import { database } from './database'
import { changeActing } from './pin'
import { inShop } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'

const [owner, lead] = [somebody('Marit', 'owner'), somebody('Tolu', 'lead')]
const shop = crypto.randomUUID()
const other = crypto.randomUUID()
const stranger = somebody('Aino', 'owner')
const sessionId = crypto.randomUUID()
const asOwner = { ...crewOf(shop, owner), sessionId }
const asLead = crewOf(shop, lead)
const crewNow = () => listCrew(asOwner)
const named = async (name: string) => (await crewNow()).find((person) => person.name === name)

beforeAll(async () => {
  await makeShop(shop, [owner, lead])
  await makeShop(other, [stranger])
})
afterAll(() => database().destroy())

test('only the owner brings somebody in, and a name is there once', async () => {
  const person = { name: 'Ola', role: 'installer' as const, pin: '4711', login: null }
  expect((await addPerson(asLead, person)).status).toBe('refused')
  expect(await named('Ola')).toBeUndefined()
  expect(await addPerson(asOwner, person)).toEqual({ status: 'done' })
  expect(await named('Ola')).toMatchObject({ role: 'installer', signsIn: false, active: true })
  const again = await addPerson(asOwner, person)
  expect(again).toMatchObject({ status: 'refused', sentence: expect.stringContaining('Ola') })
  expect((await crewNow()).filter(({ name }) => name === 'Ola')).toHaveLength(1)
})

test('a taken user name refuses the person as well: nobody is left half in', async () => {
  const username = `u${crypto.randomUUID().slice(0, 8)}`
  const login = { username, password: 'correct horse battery' }
  expect((await addPerson(asOwner, { name: 'Kim', role: 'installer', pin: '1234', login })).status).toBe('done')
  const second = await addPerson(asOwner, { name: 'Kim Two', role: 'installer', pin: '1234', login })
  expect(second).toMatchObject({ status: 'refused', sentence: expect.stringContaining(username) })
  expect(await named('Kim')).toMatchObject({ signsIn: true })
  expect(await named('Kim Two')).toBeUndefined()
})

test('who may work on airbag circuits is the owner’s to say, of the own crew only', async () => {
  expect((await setAuthorised(asLead, lead.id, ['airbag circuits'])).status).toBe('refused')
  await setAuthorised(asOwner, lead.id, ['airbag circuits'])
  await setAuthorised(asOwner, stranger.id, ['airbag circuits'])
  expect((await named('Tolu'))!.authorised).toEqual(['airbag circuits'])
  expect((await listCrew(crewOf(other, stranger)))[0]!.authorised).toEqual([])
})

test('a PIN opens the tablet to its person; wrong ones are counted and slowed', async () => {
  const ola = (await named('Ola'))!
  const acting = () =>
    inShop(asOwner, (trx) =>
      trx
        .selectFrom('acting')
        .select(['crew_id', 'current'])
        .where('session_id', '=', sessionId)
        .where('current', '=', true)
        .execute(),
    )
  for (let i = 0; i < 3; i++) expect(await changeActing(asOwner, ola.id, '0000')).toMatchObject({ status: 'wrong' })
  expect(await changeActing(asOwner, ola.id, '4711')).toEqual({ status: 'done' })
  expect(await acting()).toEqual([{ crew_id: ola.id, current: true }])
  for (let i = 0; i < 4; i++) await changeActing(asOwner, ola.id, '0000')
  // The right one is no use while it is slowed: who tries all of them learns nothing.
  expect(await changeActing(asOwner, ola.id, '4711')).toMatchObject({
    status: 'wrong',
    sentence: expect.stringContaining('Too many tries'),
  })
  expect(await changeActing(asOwner, stranger.id, 'x')).toMatchObject({ status: 'wrong' })
})

test('who left acts no more, and stays in the record', async () => {
  const ola = (await named('Ola'))!
  expect((await retirePerson(asLead, ola.id)).status).toBe('refused')
  expect((await retirePerson(asOwner, owner.id)).status).toBe('refused')
  expect((await retirePerson(asOwner, ola.id)).status).toBe('done')
  expect(await named('Ola')).toMatchObject({ active: false })
  const acting = await inShop(asOwner, (trx) =>
    trx.selectFrom('acting').select('current').where('crew_id', '=', ola.id).execute(),
  )
  expect(acting).toEqual([{ current: false }])
  expect(await changeActing(asOwner, ola.id, '4711')).toMatchObject({ status: 'wrong' })
  expect(await named('Marit')).toMatchObject({ active: true })
})

test('a shop of its own is not taken for the demo', async () => {
  expect((await removeDemo(asOwner)).status).toBe('refused')
  expect(await crewNow()).not.toEqual([])
})
