'use server'
import { z } from 'zod'
import { nextStamp } from '@/core/base/clock'
import { JobEvent } from '@/core/job/event'
import { handOver as handOverJob } from '@/server/jobEvents'
import { readJob } from '@/server/jobs'
import { requireCrew } from '@/server/session'
import { blockSentence } from '@/words/balanceWords'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { REFUSALS } from '@/words/refusals'

/** Hands the vehicle over when the shop's own record closes every account. The event is made here, by who acts. */
export async function handOver(
  jobId: string,
): Promise<{ status: 'done' } | { status: 'refused'; sentences: string[] }> {
  const crew = await requireCrew()
  const id = z.uuid().safeParse(jobId)
  const job = id.success ? await readJob(crew, id.data) : null
  if (!job) return { status: 'refused', sentences: [REFUSALS.noSuchJob] }
  const last = job.events.reduce<string | null>(
    (latest, event) => (latest === null || event.at > latest ? event.at : latest),
    null,
  )
  const event = JobEvent.parse({
    id: crypto.randomUUID(),
    jobId: job.id,
    v: EVENT_VERSION,
    deviceId: crypto.randomUUID(),
    seq: 0,
    at: nextStamp(last, Date.now()),
    personId: crew.acting.id,
    what: { kind: 'handed over' },
  })
  const outcome = await handOverJob(crew, job.id, event)
  if (outcome.status === 'done') return outcome
  if (outcome.status === 'unknown job') return { status: 'refused', sentences: [REFUSALS.noSuchJob] }
  return { status: 'refused', sentences: outcome.blocks.map((block) => blockSentence(job.document, block)) }
}
