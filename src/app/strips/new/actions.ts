'use server'
import { NewStrip, newStrip } from '@/server/strips'
import { atDoor } from '@/server/door'
import { requireCrew } from '@/server/session'

export async function newStripAction(
  input: unknown,
): Promise<{ status: 'done'; jobId: string } | { status: 'refused'; sentence: string }> {
  const crew = await requireCrew()
  const strip = atDoor(NewStrip, input)
  if (!strip.success) return { status: 'refused', sentence: strip.error.issues[0]!.message }
  return newStrip(crew, strip.data)
}
