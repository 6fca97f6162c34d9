import { sql } from 'kysely'
import type { ShopTransaction } from '../db/client'

/**
 * The clock of this machine can be set back while it runs. What only has to pass, passes by the clock that nobody sets
 * (`performance.now`); this says how far the other one went back since the process began.
 */
const shared = globalThis as { istruzioneBegan?: { wallMs: number; steadyMs: number } }
const began = (shared.istruzioneBegan ??= { wallMs: Date.now(), steadyMs: performance.now() })

/** By how many milliseconds the wall clock is behind what it would show had nobody set it; 0 when it is not. */
export function wentBackMs(): number {
  const wouldBe = began.wallMs + (performance.now() - began.steadyMs)
  return Math.max(0, Math.round(wouldBe - Date.now()))
}

/**
 * The latest it can be said to be: the clock, what it would show had nobody set it back, and the times that the shop
 * has written down already, of this job and of who came in. In milliseconds since 1970; two indexed look-ups.
 */
export async function latestKnownMs(trx: ShopTransaction, jobId: string): Promise<number> {
  const found = await sql<{ at: Date | null }>`select greatest(
    (select max(received_at) from job_event where job_id = ${jobId}),
    (select max(at) from (select at from access_entry order by seq desc limit 200) as lately)) as at`.execute(trx)
  return Math.max(Date.now() + wentBackMs(), found.rows[0]?.at?.getTime() ?? 0)
}
