import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { listAccess, writeAccess } from './accessLog'
import { accountsDatabase } from './accountsDatabase'
import { auth } from './auth'
import { addPerson, retirePerson, setAuthorised } from './crew'
import { database } from './database'
import { changeActing } from './pin'
import { resetPin } from './secrets'
import { inShop } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'
import { accessWords } from '@/words/accessWords'

const [owner, lead, stranger] = [somebody('Marit', 'owner'), somebody('Tolu', 'lead'), somebody('Aino', 'owner')]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const [asOwner, asLead] = [crewOf(shop, owner), crewOf(shop, lead)]
const lines = async (of = asOwner) => (await inShop(of, (trx) => listAccess(trx, null))).map(accessWords)

beforeAll(async () => {
  await makeShop(shop, [owner, lead])
  await makeShop(other, [stranger])
})
afterAll(async () => {
  await database().destroy()
  await accountsDatabase().destroy()
})

test('whoever comes in, changes who may what, or is refused is written down for the owner, and for no other shop', async () => {
  const username = `kim_${crypto.randomUUID().slice(0, 8)}`
  const login = { username, password: 'a long enough password' }
  await addPerson(asOwner, { name: 'Kim', role: 'lead', pin: '4711', login })
  const kim = await inShop(asOwner, (trx) =>
    trx.selectFrom('crew').select('id').where('name', '=', 'Kim').executeTakeFirstOrThrow(),
  )
  await addPerson(asLead, { name: 'Nobody', role: 'owner', pin: '4711', login: null })
  await setAuthorised(asOwner, kim.id, ['airbag circuits'])
  const wrong = { username, password: 'not this one, surely' }
  await expect(auth().api.signInUsername({ body: wrong })).rejects.toThrow()
  await auth().api.signInUsername({ body: login })
  await changeActing(asLead, kim.id, '0000')
  await changeActing(asLead, kim.id, '4711')
  await resetPin(asOwner, kim.id, '2222')
  await retirePerson(asOwner, kim.id)
  expect(await lines()).toEqual([
    'Marit wrote down that Kim has left',
    'Marit gave Kim a new PIN',
    'Kim acts, by PIN',
    'A wrong PIN was tried for Kim, while Tolu acted',
    'Kim signed a device in',
    'A wrong password was tried for Kim',
    'Marit authorised Kim for airbag circuits',
    'Tolu tried to change the crew and may not',
    'Marit brought Kim in as a lead',
  ])
  expect(await lines(crewOf(other, stranger))).toEqual([])
  // What is refused because nobody is there is not written down as done.
  expect(await retirePerson(asOwner, stranger.id)).toMatchObject({ status: 'refused' })
  expect(await setAuthorised(asOwner, stranger.id, [])).toMatchObject({ status: 'refused' })
  expect(await lines()).toHaveLength(9)
})

test('a name that nobody can have is answered as one that nobody has', async () => {
  const answer = async (username: string) =>
    auth()
      .api.signInUsername({ body: { username, password: 'whatever it may be' } })
      .then(
        () => 'in',
        (error: { statusCode?: number; message: string }) => `${error.statusCode} ${error.message}`,
      )
  const unknown = await answer(`nobody${crypto.randomUUID().slice(0, 8)}`)
  expect(unknown).toMatch(/^401 /)
  expect(await answer('a b')).toBe(unknown)
  expect(await answer('x')).toBe(unknown)
  expect(await answer('x'.repeat(500))).toBe(unknown)
})

test('the list is read page by page', async () => {
  for (let i = 0; i < 130; i++)
    await inShop(asLead, (trx) => writeAccess(trx, shop, { kind: 'acts', by: lead.id, sessionId: null }))
  const first = await inShop(asOwner, (trx) => listAccess(trx, null))
  const second = await inShop(asOwner, (trx) => listAccess(trx, first.at(-1)!.seq))
  expect([first.length, second.length]).toEqual([100, 39])
  expect(new Set([...first, ...second].map(({ seq }) => seq)).size).toBe(139)
})
