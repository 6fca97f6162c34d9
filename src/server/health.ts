import 'server-only'
import { sql } from 'kysely'
import { ping } from '../db/client'
import { aboutWords } from '@/words/dates'
import { OUT_OF_ORDER, REFUSALS } from '@/words/refusals'
import { accountsDatabase } from './accountsDatabase'
import { wentBackMs } from './clockHere'
import { database } from './database'
import { diskOfData } from './diskOfData'
import { lackBehind, type Lack } from './outOfOrder'

/** What does not answer by then does not answer. */
const PATIENCE_MS = 3_000
/** Below so much free disk the database soon can't write: said before it happens. */
const LEAST_FREE_BYTES = 200_000_000
/** A clock that is set right by so much is nobody's trouble. */
const WORTH_SAYING_MS = 5 * 60_000

/** Whether this process can do its work: why not, each as a sentence that says where to look. */
export async function reasonsNotReady(): Promise<string[]> {
  const [records, accounts, disk] = await Promise.all([
    answers(ping(database())),
    answers(sql`select 1`.execute(accountsDatabase())),
    diskOfData(),
  ])
  const lacks = new Set([disk.lack, records, accounts].filter((lack) => lack !== null))
  const backMs = wentBackMs()
  return [
    ...[...lacks].map((lack) => OUT_OF_ORDER[lack]),
    ...(disk.freeBytes === null || disk.freeBytes >= LEAST_FREE_BYTES || disk.lack === 'room'
      ? []
      : [REFUSALS.diskFull(Math.round(disk.freeBytes / 1e6))]),
    ...(backMs < WORTH_SAYING_MS ? [] : [REFUSALS.clockWentBack(aboutWords(backMs / 1000))]),
  ]
}

/** What lacks where something does not answer; null when it does. */
function answers(asked: Promise<unknown>): Promise<Lack | null> {
  return Promise.race([
    asked.then(() => null),
    new Promise<Lack>((no) => setTimeout(() => no('a database'), PATIENCE_MS).unref()),
  ]).catch((error: unknown) => lackBehind(error) ?? 'a database')
}
