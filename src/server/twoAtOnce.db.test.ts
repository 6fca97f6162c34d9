import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { sql } from 'kysely'
import { Kit } from '@/core/shop/kit'
import { addPerson, listCrew } from './crew'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'
import { listKits, saveKit } from './kits'
import { setUpShop, ShopSetup } from './setUpShop'
import { crewOf, makeShop, somebody } from './shop.testing'
import { newStrip, NewStrip } from './strips'
import { addVehicle, listVehicles, NewVehicle } from './vehicles'

/** Whoever looks whether a name is free, and takes it, does so beside somebody who does the same. */
const [owner, stranger] = [somebody('Marit', 'owner'), somebody('Aino', 'owner')]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const asOwner = crewOf(shop, owner)
const ROUNDS = 4
const rounds = Array.from({ length: ROUNDS }, (_, i) => i)

beforeAll(async () => {
  await makeShop(shop, [owner])
  await makeShop(other, [stranger])
})
afterAll(() => database().destroy())

test.each(rounds)('the same vehicle, added twice at once, is there once, and one is told (%i)', async (i) => {
  const vehicle = NewVehicle.parse({ label: `Van ${i}`, procedureId: null })
  const outcomes = await Promise.all([addVehicle(asOwner, vehicle), addVehicle(asOwner, vehicle)])
  expect(outcomes.map(({ status }) => status).sort()).toEqual(['done', 'refused'])
  expect((await listVehicles(asOwner)).filter(({ label }) => label === vehicle.label)).toHaveLength(1)
})
test.each(rounds)(
  'two strips of a vehicle nobody knew, begun at once, are of one vehicle and one record (%i)',
  async (i) => {
    const strip = NewStrip.parse({ label: `Gritter ${i}` })
    const outcomes = await Promise.all([newStrip(asOwner, strip), newStrip(asOwner, strip)])
    expect(outcomes.map(({ status }) => status)).toEqual(['done', 'done'])
    const vehicles = (await listVehicles(asOwner)).filter(({ label }) => label === strip.label)
    expect(vehicles).toMatchObject([{ jobs: 2 }])
  },
)
test.each(rounds)(
  'the same name, brought in twice at once, is one person, and no account is left over (%i)',
  async (i) => {
    const login = (n: number) => ({ username: `u${i}${n}${shop.slice(0, 8)}`, password: 'correct horse battery' })
    const person = (n: number) => ({ name: `Kim ${i}`, role: 'installer' as const, pin: '1234', login: login(n) })
    const outcomes = await Promise.all([addPerson(asOwner, person(1)), addPerson(asOwner, person(2))])
    expect(outcomes.map(({ status }) => status).sort()).toEqual(['done', 'refused'])
    expect((await listCrew(asOwner)).filter(({ name }) => name === `Kim ${i}`)).toHaveLength(1)
    const names = [login(1).username, login(2).username]
    const accounts = await sql`select username from auth."user" where username in (${sql.join(names)})`.execute(
      accountsDatabase(),
    )
    expect(accounts.rows).toHaveLength(1)
  },
)
test.each(rounds)('two kits of one name, saved at once: one is told (%i)', async (i) => {
  const kit = () => Kit.parse({ id: crypto.randomUUID(), name: `Tracker ${i}` })
  const outcomes = await Promise.all([kit(), kit()].map((one) => saveKit(asOwner, { kit: one, version: 0 })))
  expect(outcomes.map(({ status }) => status).sort()).toEqual(['done', 'refused'])
})
test('a kit under the id of another shop’s is refused with a sentence, and theirs stays as it is', async () => {
  const theirs = Kit.parse({ id: crypto.randomUUID(), name: 'Theirs' })
  await saveKit(crewOf(other, stranger), { kit: theirs, version: 0 })
  expect(await saveKit(asOwner, { kit: { ...theirs, name: 'Ours' }, version: 0 })).toMatchObject({ status: 'refused' })
  expect(await listKits(crewOf(other, stranger))).toMatchObject([{ kit: { name: 'Theirs' }, version: 1 }])
})
test('a shop that could not be set up leaves no user name taken', async () => {
  const setup = ShopSetup.parse({
    ...{ shopName: 'Half Way', ownerName: 'Ada', pin: '2468', password: 'a long enough password', timeZone: '' },
    username: `half_${shop.slice(0, 8)}`,
  })
  // What the form would have refused, the database does.
  await expect(setUpShop({ ...setup, shopName: 'x'.repeat(200) }, '127.0.0.1')).rejects.toThrow()
  expect(await setUpShop(setup, '127.0.0.1')).toEqual({ status: 'done' })
})
