import { afterAll, afterEach, expect, test } from '@jest/globals'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { OUT_OF_ORDER } from '@/words/refusals'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'
import { diskOfData, rootOf } from './diskOfData'
import { reasonsNotReady } from './health'

const folder = mkdtempSync(join(tmpdir(), 'health-'))
afterEach(() => {
  delete process.env.ISTRUZIONE_DATA_FOLDER
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await database().destroy()
  await accountsDatabase().destroy()
})

test('ready where both databases answer and the disk takes something, or nobody said where the data lies', async () => {
  expect(await reasonsNotReady()).toEqual([])
  process.env.ISTRUZIONE_DATA_FOLDER = folder
  expect((await diskOfData()).lack).toBeNull()
  expect(await rootOf('a database')).toBe('a database')
})

test('a disk that takes nothing is said first, and is why the database does not answer', async () => {
  // A file where the folder should be: nothing can be written into it.
  process.env.ISTRUZIONE_DATA_FOLDER = join(folder, '.last-written')
  expect(await reasonsNotReady()).toEqual([OUT_OF_ORDER['a disk that takes something']])
  expect(await rootOf('a database')).toBe('a disk that takes something')
  expect(await rootOf('connections')).toBe('connections')
})
