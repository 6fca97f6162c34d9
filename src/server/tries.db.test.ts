import { afterAll, expect, test } from '@jest/globals'
import { accountsDatabase } from './accountsDatabase'
import { beginTry, secondsLeft, succeeded, type Tried } from './tries'

afterAll(() => accountsDatabase().destroy())
const someone = (): Tried => ({ kind: 'user name', what: crypto.randomUUID() })

test('the sixth try in a row waits, and each one after that twice as long, up to five minutes', () => {
  const patience = { freeTries: 5, firstWaitS: 5, longestWaitS: 300 }
  expect([4, 5, 6, 7, 40].map((failures) => secondsLeft(failures, 0, patience))).toEqual([0, 5, 10, 20, 300])
  expect(secondsLeft(6, 4, patience)).toBe(6)
  expect(secondsLeft(6, 11, patience)).toBe(0)
})

test('a name is slowed after five failures whatever the address, and is free again once it was right', async () => {
  const [tolu, ines] = [someone(), someone()]
  for (let i = 0; i < 5; i++) expect(await beginTry([tolu, { kind: 'address', what: `10.0.0.${i}` }])).toBe(0)
  expect(await beginTry([tolu])).toBeGreaterThan(0)
  expect(await beginTry([ines])).toBe(0)
  await succeeded([tolu])
  expect(await beginTry([tolu])).toBe(0)
})

test('a hundred tries at once are counted one by one: no more get through than one after the other', async () => {
  const tolu = someone()
  const waits = await Promise.all(Array.from({ length: 100 }, () => beginTry([tolu])))
  expect(waits.filter((wait) => wait === 0)).toHaveLength(5)
})

test('an address that tries many names is slowed as well', async () => {
  const address: Tried = { kind: 'address', what: crypto.randomUUID() }
  for (let i = 0; i < 40; i++) expect(await beginTry([someone(), address])).toBe(0)
  expect(await beginTry([someone(), address])).toBeGreaterThan(0)
})

test('neither a name nor an address is kept in words', async () => {
  const tolu = someone()
  await beginTry([tolu])
  const rows = await accountsDatabase().selectFrom('try').selectAll().execute()
  expect(rows.every(({ what }) => /^[0-9a-f]{64}$/.test(what))).toBe(true)
  expect(rows.length).toBeGreaterThan(0)
})
