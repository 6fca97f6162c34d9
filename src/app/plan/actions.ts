'use server'
import { redirect } from 'next/navigation'
import { NewJob, openJob as openJobHere } from '@/server/openJob'
import { atDoor } from '@/server/door'
import { requireCrew } from '@/server/session'
import { planErrorSentence } from '@/words/problems'

export async function openJob(input: unknown): Promise<{ status: 'refused'; sentence: string } | undefined> {
  const crew = await requireCrew()
  const job = atDoor(NewJob, input)
  if (!job.success) return { status: 'refused', sentence: job.error.issues[0]!.message }
  const outcome = await openJobHere(crew, job.data)
  if (outcome.status === 'no plan')
    return { status: 'refused', sentence: planErrorSentence(outcome.document, outcome.error) }
  if (outcome.status === 'refused') return outcome
  redirect(`/jobs/${outcome.jobId}`)
}
