import { createServer, type AddressInfo } from 'node:net'
import { afterAll, expect, test } from '@jest/globals'
import { makePool } from '../db/client'
import { database } from './database'
import { lackBehind } from './outOfOrder'

afterAll(() => database().destroy())

const thrown = (asked: Promise<unknown>) => asked.then(() => null).catch((error: unknown) => error)

test('a database that is not there, and one that takes nothing, are known by what the driver really throws', async () => {
  const nowhere = makePool('postgres://nobody@127.0.0.1:1/none')
  expect(lackBehind(await thrown(nowhere.query('select 1')))).toBe('a database')
  const pool = makePool(process.env.DATABASE_URL)
  const client = await pool.connect()
  await client.query('begin read only')
  expect(lackBehind(await thrown(client.query(`select set_config('app.shop_id', '', true); create table x ()`)))).toBe(
    'a disk that takes something',
  )
  await client.query('rollback')
  client.release()
  await pool.end()
})

test('a connection that ends while it is lent is told to who holds it, and is no fault of the process’s', async () => {
  const pool = makePool(process.env.DATABASE_URL)
  const [client, other] = [await pool.connect(), await pool.connect()]
  try {
    const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid')
    const ended = new Promise<void>((gone) => void client.once('end', gone))
    const sleeping = thrown(client.query('select pg_sleep(20)'))
    await other.query('select pg_terminate_backend($1)', [rows[0]!.pid])
    expect(lackBehind(await sleeping)).toBe('a database')
    await ended
  } finally {
    client.release(true)
    other.release()
    await pool.end()
  }
})

test('a database that takes the call and never answers: nobody waits for it without end', async () => {
  const deaf = createServer(() => undefined)
  await new Promise<void>((listening) => deaf.listen(0, '127.0.0.1', listening))
  const { port } = deaf.address() as AddressInfo
  const pool = makePool(`postgres://nobody@127.0.0.1:${port}/none`, undefined, 200)
  expect(lackBehind(await thrown(pool.query('select 1')))).toBe('a database')
  deaf.close()
})

// Appendix A of PostgreSQL's manual and errno(3), from memory.
test.each([
  [{ code: '53100', message: 'could not extend file "base/1/2": No space left on device' }, 'room'],
  [{ code: 'XX000', message: 'could not write to file "pg_wal/xlogtemp.9": No space left on device' }, 'room'],
  [{ code: 'ENOSPC', message: 'write' }, 'room'],
  [{ code: 'EROFS', message: 'open' }, 'a disk that takes something'],
  [{ code: '58030', message: 'could not fsync file: Input/output error' }, 'a disk that takes something'],
  [{ code: '53300', message: 'sorry, too many clients already' }, 'connections'],
  [{ code: '57P03', message: 'the database system is in recovery mode' }, 'a database'],
  [{ message: 'timeout exceeded when trying to connect' }, 'a database'],
  [{ message: 'wrapped', cause: { code: '53300', message: '' } }, 'connections'],
  [{ message: 'all of them', errors: [{ code: 'EHOSTUNREACH' }, { code: 'ECONNREFUSED' }] }, 'a database'],
  // Faults of ours.
  [{ code: '23505', message: 'duplicate key value violates unique constraint' }, null],
  [{ code: '42703', message: 'column "x" does not exist' }, null],
  [{ message: 'undefined is not a function' }, null],
  ['53300', null],
  [null, null],
])('%j: %s', (error, lack) => expect(lackBehind(error)).toBe(lack))

test('an error that is its own cause ends', () => {
  const error = new Error('odd')
  error.cause = error
  expect(lackBehind(error)).toBeNull()
})
