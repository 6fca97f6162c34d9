import type { Stamp } from '../base/stamp'
import { compareText } from '../base/compareText'
import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import { fieldEdits, type Edit } from '../procedure/edit'
import { driveOf, headOf, headsOf } from '../procedure/heads'
import type { Holder } from '../procedure/holder'
import type { JobEvent } from './event'
import { foldJob } from './fold'

/** Where something was found different: whose job, and by whom. */
export type Finding = { jobId: string; eventId: string; label: string; personId: Id; at: Stamp }

/**
 * One change to the record that jobs propose, with its evidence. `edits` empty: it is no field, a person works it in by
 * hand.
 */
export type Proposal = { key: string; itemId: Id; field: string; value: string; evidence: Finding[]; edits: Edit[] }

/**
 * What jobs found different from the record and nobody has decided about: the same finding on several vehicles is one
 * proposal. What the draft has already is no proposal. Cost: a fold of each job.
 */
export function proposalsOf(
  document: ProcedureDocument,
  jobs: readonly { id: string; label: string; events: readonly JobEvent[] }[],
): Proposal[] {
  const found = new Map<string, Proposal>()
  for (const job of jobs) {
    const state = foldJob(document, job.events)
    const findings = [
      ...state.deviations.map(({ itemId, field, value, ...rest }) => ({ itemId, field, value, ...rest })),
      ...state.troubles.map(({ functionId, symptom, cause, cure, ...rest }) => ({
        itemId: functionId,
        field: 'trouble',
        value: JSON.stringify({ symptom, cause, cure }),
        ...rest,
      })),
    ]
    for (const { itemId, field, value, eventId, personId, at } of findings) {
      if (state.settledNotes.has(eventId)) continue
      const key = `${itemId} ${field} ${value}`
      const edits = editsFor(document, itemId, field, value)
      if (edits === null) continue
      const proposal = found.get(key) ?? { key, itemId, field, value, evidence: [], edits }
      proposal.evidence.push({ jobId: job.id, eventId, label: job.label, personId, at })
      found.set(key, proposal)
    }
  }
  return [...found.values()].sort((a, b) => b.evidence.length - a.evidence.length || compareText(a.key, b.key))
}

/**
 * The edits that take a finding over; empty where it has no field; null where the record says so already or has no such
 * thing any more.
 */
function editsFor(document: ProcedureDocument, itemId: Id, field: string, value: string): Edit[] | null {
  const holder = document.holders.find((item) => item.id === itemId)
  if (holder && field === 'count')
    return Number(value) === holder.count
      ? null
      : fieldEdits('holders', holder, { ...holder, count: Number(value) } as Holder)
  if (holder && field === 'head') return headOf(holder) === value ? null : headEdits(holder, value)
  if (field === 'trouble') {
    const item = document.functions.find((other) => other.id === itemId)
    const { symptom, cause, cure } = JSON.parse(value) as { symptom: string; cause: string; cure: string }
    if (!item || item.troubles.some((trouble) => trouble.cause === cause)) return null
    return fieldEdits('functions', item, {
      ...item,
      troubles: [...item.troubles, { symptom, check: '', cause, cure }],
    } as typeof item)
  }
  for (const name of ['parts', 'holders', 'tethers', 'settings', 'cavities', 'waypoints', 'ways'] as const) {
    const item = (document[name] as { id: Id; note: string }[]).find((other) => other.id === itemId)
    if (!item) continue
    if (item.note.includes(value)) return null
    return fieldEdits(name, item, { ...item, note: [item.note, value].filter(Boolean).join('; ') } as { id: Id })
  }
  return [...document.functions, ...document.facets].some((item) => item.id === itemId) ? [] : null
}

/** Whether the record has by now what a job found. */
export function saysAlready(document: ProcedureDocument, itemId: Id, field: string, value: string): boolean {
  const holder = document.holders.find((item) => item.id === itemId)
  return holder && field === 'head'
    ? headsOf(holder).includes(value)
    : editsFor(document, itemId, field, value) === null
}

/** A head seen: one more of its kind, or a new one beside those that are known. */
function headEdits(holder: Holder, head: string): Edit[] {
  const drive = driveOf(head)
  if (drive === null) return []
  const same = (other: Holder['drives'][number]) => other.drive === drive.drive && other.size === drive.size
  const drives = holder.drives.some(same)
    ? holder.drives.map((other) => (same(other) ? { ...other, seen: other.seen + 1 } : other))
    : [...holder.drives, { ...drive, seen: 1 }]
  return fieldEdits('holders', holder, { ...holder, drives } as Holder)
}
