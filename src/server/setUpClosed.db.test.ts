import { afterAll, expect, test } from '@jest/globals'
import { REFUSALS } from '@/words/refusals'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'
import { setUpShop, ShopSetup } from './setUpShop'

// Read once by a process: this file is one of its own.
process.env.ISTRUZIONE_SETUP = 'closed'
process.env.ISTRUZIONE_SETUP_CODE = 'the code'

afterAll(async () => {
  await database().destroy()
  await accountsDatabase().destroy()
})

test('where the installation is closed nobody sets up a shop, from anywhere, with any code, and nothing is left behind', async () => {
  const username = `ada_${crypto.randomUUID().slice(0, 8)}`
  const asked = { shopName: 'Workshop', ownerName: 'Ada', username, password: 'a long enough password', pin: '2468' }
  for (const address of ['127.0.0.1', '192.0.2.7'])
    for (const code of ['', 'the code'])
      expect(await setUpShop(ShopSetup.parse({ ...asked, code }), address)).toEqual({
        status: 'refused',
        sentence: REFUSALS.setupClosed,
      })
  const { n } = await accountsDatabase()
    .selectFrom('user')
    .select((eb) => eb.fn.countAll<string>().as('n'))
    .where('username', '=', username)
    .executeTakeFirstOrThrow()
  expect(Number(n)).toBe(0)
})
