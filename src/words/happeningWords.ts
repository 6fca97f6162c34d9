import type { Happening } from '@/core/job/event'
import { thingOf } from '@/core/job/thingOf'
import type { ProcedureDocument } from '@/core/procedure/document'
import { itemWords } from './items'

/** What else a happening can say that a reader wants, in the order it is said. */
const SAID = ['count', 'level', 'value', 'result', 'reading', 'reason', 'cause', 'text', 'note', 'where', 'by'] as const

/**
 * One thing out of a log, in a line that can be read without it: "undone, 9 spring clips of Climate panel: 6". What is
 * not in the record is named by what it is called there.
 */
export function happeningWords(document: ProcedureDocument, what: Happening): string {
  const id = thingOf(what) ?? ('itemId' in what ? what.itemId : null) ?? ('functionId' in what ? what.functionId : null)
  const fields = what as Partial<Record<(typeof SAID)[number], string | number>>
  const said = SAID.flatMap((field) => (fields[field] === undefined || fields[field] === '' ? [] : [fields[field]]))
  const name = id && itemWords(document, id)
  if (what.kind === 'part at') return `${name} ${what.level}`
  const line = [what.kind, name].filter(Boolean).join(', ')
  return said.length > 0 ? `${line}: ${said.join(', ')}` : line
}

/** What was refused, as the note that is sent in its place. */
export function refusedAsNote(document: ProcedureDocument, what: Happening, why: string): string {
  return `Was tapped and not taken: ${happeningWords(document, what)}. ${why}`.slice(0, 1000)
}
