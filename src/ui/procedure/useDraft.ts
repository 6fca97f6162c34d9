'use client'
import { useCallback, useState } from 'react'
import type { Id } from '@/core/base/id'
import type { Evidence } from '@/core/job/evidence'
import type { EditOutcome } from '@/core/job/savedDraft'
import type { Problem } from '@/core/plan/check/problem'
import type { ProcedureDocument } from '@/core/procedure/document'
import { NOT_SAID, type Source } from '@/core/procedure/source'
import { inverseOf, settledBy, type Conflict, type Edit } from '@/core/procedure/edit'

export type EditDraft = (procedureId: string, edits: Edit[], source: Source) => Promise<EditOutcome>

export type Draft = {
  document: ProcedureDocument
  problems: Problem[]
  /** Who stated each thing, and who bore it out. */
  evidence: ReadonlyMap<Id, Evidence>
  /** Where what is entered comes from; kept with everything that is saved from now on. */
  source: Source
  setSource: (source: Source) => void
  saving: boolean
  changed: boolean
  conflicts: Conflict[]
  canUndo: boolean
  /** Sends edits; null when saved, else a sentence, with nothing lost in the form that called. */
  save: (edits: Edit[]) => Promise<string | null>
  undo: () => Promise<string | null>
  /** Settles one conflict: mine is sent again over theirs, or theirs stays. */
  settle: (conflict: Conflict, keep: 'mine' | 'theirs') => Promise<string | null>
}

/** The draft as this person sees it: edits go out field by field and come back merged with everybody else's. */
export function useDraft(
  procedureId: string,
  initial: { document: ProcedureDocument; problems: Problem[]; evidence: ReadonlyMap<Id, Evidence> },
  editDraft: EditDraft,
): Draft {
  const [now, setNow] = useState({ ...initial, changed: false, conflicts: [] as Conflict[] })
  const [source, setSource] = useState<Source>(NOT_SAID)
  const [saving, setSaving] = useState(false)
  const [done, setDone] = useState<Edit[][]>([])
  const { document } = now

  const send = useCallback(
    async (edits: Edit[]): Promise<{ sentence: string | null; applied: Edit[] }> => {
      if (edits.length === 0) return { sentence: null, applied: [] }
      setSaving(true)
      try {
        const outcome = await editDraft(procedureId, edits, source)
        if (outcome.status === 'refused') return { sentence: outcome.sentence, applied: [] }
        const { document, problems, evidence } = outcome
        setNow(({ conflicts }) => ({
          document,
          problems,
          evidence,
          changed: true,
          conflicts: [...conflicts, ...outcome.conflicts],
        }))
        return { sentence: null, applied: applied(edits, outcome.conflicts) }
      } catch {
        return { sentence: OUT_OF_REACH, applied: [] }
      } finally {
        setSaving(false)
      }
    },
    [editDraft, procedureId, source],
  )
  const save = useCallback(
    async (edits: Edit[]) => {
      const { sentence, applied } = await send(edits)
      if (applied.length > 0) setDone((now) => [...now.slice(-49), inverseOf(applied, document)])
      return sentence
    },
    [document, send],
  )
  const undo = useCallback(async () => {
    const last = done.at(-1)
    if (!last) return null
    const { sentence } = await send(last)
    if (!sentence) setDone((now) => now.slice(0, -1))
    return sentence
  }, [done, send])
  const settle = useCallback(
    async (conflict: Conflict, keep: 'mine' | 'theirs') => {
      const sentence = await save(settledBy(conflict, keep))
      if (!sentence)
        setNow(({ conflicts, ...rest }) => ({ ...rest, conflicts: conflicts.filter((item) => item !== conflict) }))
      return sentence
    },
    [save],
  )
  return { ...now, source, setSource, saving, canUndo: done.length > 0, save, undo, settle }
}

const OUT_OF_REACH = 'The shop can’t be reached. What you typed is still here; try again when it can.'

/** Of these edits, those that met nothing newer. */
function applied(edits: readonly Edit[], conflicts: readonly Conflict[]): Edit[] {
  const left = new Set(conflicts.map((conflict) => JSON.stringify(conflict.edit)))
  return edits.filter((edit) => !left.has(JSON.stringify(edit)))
}
