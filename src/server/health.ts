import 'server-only'
import { statfs } from 'node:fs/promises'
import { sql } from 'kysely'
import { ping } from '../db/client'
import { REFUSALS } from '@/words/refusals'
import { accountsDatabase } from './accountsDatabase'
import { database } from './database'

/** What does not answer by then does not answer. */
const PATIENCE_MS = 3_000
/** Below so much free disk the database soon can't write: said before it happens. */
const LEAST_FREE_BYTES = 200_000_000

/** Whether this process can do its work: why not, each as a sentence that says where to look. */
export async function reasonsNotReady(): Promise<string[]> {
  const answers = (asked: Promise<unknown>) =>
    Promise.race([
      asked.then(() => true),
      new Promise<boolean>((no) => setTimeout(() => no(false), PATIENCE_MS)),
    ]).catch(() => false)
  const [records, accounts, room] = await Promise.all([
    answers(ping(database())),
    answers(sql`select 1`.execute(accountsDatabase())),
    roomLeft(),
  ])
  return [
    ...(records && accounts ? [] : [REFUSALS.databaseSilent]),
    ...(room === null || room >= LEAST_FREE_BYTES ? [] : [REFUSALS.diskFull(Math.round(room / 1e6))]),
  ]
}

/** Bytes free where the data lies; null where nobody said where that is. */
async function roomLeft(): Promise<number | null> {
  const folder = process.env.ISTRUZIONE_DATA_FOLDER
  if (!folder) return null
  const { bavail, bsize } = await statfs(folder)
  return bavail * bsize
}
