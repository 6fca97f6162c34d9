import 'server-only'
import type { Happening } from '@/core/job/event'
import { REFUSALS } from '@/words/refusals'
import { appendJobEvents } from './appendEvents'
import { eventHere } from './jobEvents'
import { readJob } from './jobs'
import type { Crew } from './whoAsks'

/**
 * Adds an event at the desk, by who acts there: a note worked in, a contradiction declined. Null when it is done, else
 * why not.
 */
export async function addFromDesk(crew: Crew, jobId: string, what: Happening): Promise<string | null> {
  const job = await readJob(crew, jobId)
  if (!job) return REFUSALS.jobGone
  const outcome = await appendJobEvents(crew, jobId, [eventHere(crew, jobId, job.events, what)])
  if (outcome.status === 'unknown job') return REFUSALS.jobGone
  return outcome.refused[0]?.sentence ?? null
}
