'use server'
import { z } from 'zod'
import { handOver as handOverJob } from '@/server/handOver'
import { atDoor } from '@/server/door'
import { requireCrew } from '@/server/session'
import { blockSentence } from '@/words/balanceWords'
import { REFUSALS } from '@/words/refusals'

/** Hands the vehicle over when the shop's own record closes every account. The event is made here, by who acts. */
export async function handOver(
  jobId: string,
): Promise<{ status: 'done' } | { status: 'refused'; sentences: string[] }> {
  const crew = await requireCrew()
  const id = atDoor(z.uuid(), jobId)
  const outcome = id.success ? await handOverJob(crew, id.data) : ({ status: 'unknown job' } as const)
  if (outcome.status === 'done') return outcome
  if (outcome.status === 'unknown job') return { status: 'refused', sentences: [REFUSALS.noSuchJob] }
  return { status: 'refused', sentences: outcome.blocks.map((block) => blockSentence(outcome.document, block)) }
}
