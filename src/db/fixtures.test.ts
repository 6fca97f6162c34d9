import { expect, test } from '@jest/globals'
import { readdirSync } from 'node:fs'
import { MIGRATIONS } from './migrations/all'

test('the newest migration has a dump, which bin/test brings up to date and opens for as long as there is one after it', () => {
  const dumped = readdirSync('src/db/fixtures').map((name) => name.replace('.sql.gz', ''))
  const names = Object.keys(MIGRATIONS)
  // Missing? Run bin/lib/dumpFixture.sh.
  expect(dumped).toContain(names.at(-1))
  expect(dumped.filter((name) => !names.includes(name))).toEqual([])
})
