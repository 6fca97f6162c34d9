'use server'
import { redirect } from 'next/navigation'
import { NewStrip, newStrip } from '@/server/strips'
import { requireCrew } from '@/server/session'

export async function newStripAction(input: unknown): Promise<{ sentence: string }> {
  const crew = await requireCrew()
  const strip = NewStrip.safeParse(input)
  if (!strip.success) return { sentence: strip.error.issues[0]!.message }
  const outcome = await newStrip(crew, strip.data)
  if (outcome.status === 'refused') return { sentence: outcome.sentence }
  redirect(`/jobs/${outcome.jobId}/record`)
}
