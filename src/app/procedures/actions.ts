'use server'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { Edit } from '@/core/procedure/edit'
import { Source } from '@/core/procedure/source'
import { addFromDesk } from '@/server/addFromDesk'
import type { EditOutcome } from '@/core/job/savedDraft'
import { editDraft, importProcedure, newProcedure, publishDraft } from '@/server/draftEdits'
import { atDoor } from '@/server/door'
import { requireCrew } from '@/server/session'
import type { Refused } from '@/server/whoAsks'
import { documentErrorSentences } from '@/words/problems'
import { Happening } from '@/core/job/event'
import { REFUSALS } from '@/words/refusals'

export async function createProcedureAction(
  name: unknown,
  like: unknown,
  mirrored: unknown,
): Promise<{ sentence: string }> {
  const crew = await requireCrew()
  const parsed = atDoor(z.string().trim().min(1).max(80), name)
  if (!parsed.success) return { sentence: REFUSALS.nameTheModel }
  const likeId = atDoor(z.union([z.literal('').transform(() => null), z.uuid()]), like)
  const id = likeId.success ? await newProcedure(crew, parsed.data, likeId.data, mirrored === true) : null
  if (id === null) return { sentence: REFUSALS.beginsWithUnknownModel }
  redirect(`/procedures/${id}`)
}

export async function importProcedureAction(text: unknown): Promise<{ sentences: string[] }> {
  const crew = await requireCrew()
  const parsed = atDoor(z.string().max(3_000_000), text)
  if (!parsed.success) return { sentences: [REFUSALS.fileTooLarge] }
  const outcome = await importProcedure(crew, parsed.data)
  if (outcome.status === 'bad file') return { sentences: documentErrorSentences(outcome.error) }
  redirect(`/procedures/${outcome.procedureId}`)
}

const Edits = z.object({ procedureId: z.uuid(), edits: z.array(Edit).min(1).max(500), source: Source })

export async function editDraftAction(procedureId: string, edits: Edit[], source: Source): Promise<EditOutcome> {
  const crew = await requireCrew()
  const parsed = atDoor(Edits, { procedureId, edits, source })
  if (!parsed.success) return { status: 'refused', sentence: REFUSALS.changeUnread(parsed.error.issues[0]!.message) }
  return editDraft(crew, parsed.data.procedureId, parsed.data.edits, parsed.data.source)
}

export async function publishAction(
  procedureId: string,
  note: string,
): Promise<{ status: 'done'; number: number } | Refused> {
  const crew = await requireCrew()
  const parsed = atDoor(z.object({ procedureId: z.uuid(), note: z.string().max(300) }), { procedureId, note })
  if (!parsed.success) return { status: 'refused', sentence: REFUSALS.notYourProcedure }
  return publishDraft(crew, parsed.data.procedureId, parsed.data.note)
}

/** A note has been worked into the record, or says nothing for it. Null when done, else a sentence. */
export async function settleNoteAction(jobId: string, noteId: string): Promise<string | null> {
  const crew = await requireCrew()
  const parsed = atDoor(z.object({ jobId: z.uuid(), noteId: z.uuid() }), { jobId, noteId })
  return parsed.success
    ? addFromDesk(crew, parsed.data.jobId, { kind: 'note settled', noteId: parsed.data.noteId })
    : REFUSALS.noteGone
}

/** The record stays as it is, whatever a strip found. Who may decide it is the log's own rule. */
export async function declineAction(jobId: string, what: unknown): Promise<string | null> {
  const crew = await requireCrew()
  const job = atDoor(z.uuid(), jobId)
  const parsed = atDoor(Happening, { ...(typeof what === 'object' ? what : {}), kind: 'proposal declined' })
  return job.success && parsed.success ? addFromDesk(crew, job.data, parsed.data) : REFUSALS.thingGone
}
