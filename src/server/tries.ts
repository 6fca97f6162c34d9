import 'server-only'
import { createHash } from 'node:crypto'
import { sql } from 'kysely'
import { accountsDatabase } from './accountsDatabase'

/** How many failures are free, how long the next ones wait (twice as long each time), and what is the longest. */
type Patience = { freeTries: number; firstWaitS: number; longestWaitS: number }

/** What guessing is slowed by. An address is that of a whole shop's tablets, so it has more patience than a name. */
const PATIENCE = {
  'user name': { freeTries: 5, firstWaitS: 5, longestWaitS: 300 },
  password: { freeTries: 5, firstWaitS: 5, longestWaitS: 300 },
  'second factor': { freeTries: 5, firstWaitS: 5, longestWaitS: 300 },
  address: { freeTries: 40, firstWaitS: 5, longestWaitS: 300 },
  'shops set up from an address': { freeTries: 10, firstWaitS: 60, longestWaitS: 3600 },
} as const satisfies Record<string, Patience>

/** Something that can be guessed at: a name, an address, an account's password. */
export type Tried = { kind: keyof typeof PATIENCE; what: string }

/** After a day without a failure nothing is remembered. */
const FORGOTTEN_AFTER = sql<Date>`now() - interval '1 day'`

/**
 * Counts a try as failed before it is looked at, so that many at once don't slip through, and says how many seconds
 * are to be waited first: 0 when it may be tried. Kept in the database: neither a restart nor a second process
 * forgets. One indexed row a try; what is tried is kept as a digest.
 */
export async function beginTry(tried: readonly Tried[]): Promise<number> {
  const patience = new Map(tried.map(({ kind, what }) => [digest(kind, what), PATIENCE[kind]]))
  // In one order for everybody: two tries never wait for each other.
  const keys = [...patience.keys()].sort()
  return accountsDatabase()
    .transaction()
    .execute(async (trx) => {
      await trx.deleteFrom('try').where('what', 'in', keys).where('last', '<', FORGOTTEN_AFTER).execute()
      await trx
        .insertInto('try')
        .values(keys.map((what) => ({ what, failures: 0 })))
        .onConflict((conflict) => conflict.column('what').doNothing())
        .execute()
      const known = await trx
        .selectFrom('try')
        .select(['what', 'failures', sql<number>`extract(epoch from clock_timestamp() - last)`.as('agoS')])
        .where('what', 'in', keys)
        .orderBy('what')
        .forUpdate()
        .execute()
      const waits = known.map(({ what, failures, agoS }) => secondsLeft(failures, Number(agoS), patience.get(what)!))
      const longest = Math.ceil(Math.max(0, ...waits))
      if (longest === 0)
        await trx
          .updateTable('try')
          .set({ failures: sql`failures + 1`, last: sql`clock_timestamp()` })
          .where('what', 'in', keys)
          .execute()
      return longest
    })
}

/** It was right: its name is free again. The address it came from counts one less. */
export async function succeeded(tried: readonly Tried[]): Promise<void> {
  for (const { kind, what } of tried) {
    const mine = digest(kind, what)
    if (kind === 'address')
      await accountsDatabase()
        .updateTable('try')
        .set({ failures: sql`greatest(0, failures - 1)` })
        .where('what', '=', mine)
        .execute()
    else await accountsDatabase().deleteFrom('try').where('what', '=', mine).execute()
  }
  await accountsDatabase().deleteFrom('try').where('last', '<', FORGOTTEN_AFTER).execute()
}

/** How long is still to be waited after so many failures, the last of them so long ago, in seconds. */
export function secondsLeft(failures: number, agoS: number, patience: Patience): number {
  if (failures < patience.freeTries) return 0
  const wait = Math.min(patience.longestWaitS, patience.firstWaitS * 2 ** (failures - patience.freeTries))
  return Math.max(0, wait - agoS)
}

function digest(kind: string, what: string): string {
  return createHash('sha256').update(`${kind}\n${what}`).digest('hex')
}
