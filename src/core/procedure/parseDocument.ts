import { z } from 'zod'
import { cleaned } from '../base/cleanText'
import { firstLost } from '../base/lost'
import { fail, ok, type Result } from '../base/result'
import { danglingReferences, type DanglingReference } from './references'
import { CURRENT_VERSION, FORMAT, ProcedureDocument } from './document'
import { migrateDocument } from './documentMigrations'

export type DocumentError =
  | { kind: 'not-json'; detail: string }
  | { kind: 'not-a-procedure' }
  | { kind: 'unknown-version'; version: number; known: number }
  | { kind: 'wrong-fields'; places: { place: string; sentence: string }[] }
  /** Something in it that this program does not know: read without it, the file would mean less than it says. */
  | { kind: 'not-understood'; place: string }
  | { kind: 'wrong-references'; references: DanglingReference[] }

const Envelope = z.object({ format: z.literal(FORMAT), version: z.number().int().min(1) })

/** Reads the text of a native procedure file. Nothing is guessed: the first thing wrong is answered with its place. */
export function parseDocumentText(text: string): Result<ProcedureDocument, DocumentError> {
  let value: unknown
  try {
    value = cleaned(JSON.parse(text))
  } catch (error) {
    return fail({ kind: 'not-json', detail: error instanceof Error ? error.message : 'unreadable' })
  }
  return parseDocument(value)
}

/**
 * A document from any source, migrated to the current version, its fields and its references checked.
 * Errors: returned, with the place as a path ("parts 3, name"). Cost: O(items).
 */
export function parseDocument(value: unknown): Result<ProcedureDocument, DocumentError> {
  const envelope = Envelope.safeParse(value)
  if (!envelope.success) return fail({ kind: 'not-a-procedure' })
  if (envelope.data.version > CURRENT_VERSION)
    return fail({ kind: 'unknown-version', version: envelope.data.version, known: CURRENT_VERSION })
  const migrated = migrateDocument(value, envelope.data.version)
  const parsed = ProcedureDocument.safeParse(migrated)
  if (!parsed.success) {
    const places = parsed.error.issues.map((issue) => ({ place: placeWords(issue.path), sentence: issue.message }))
    return fail({ kind: 'wrong-fields', places })
  }
  const lost = firstLost(migrated, parsed.data)
  if (lost !== null) return fail({ kind: 'not-understood', place: lost })
  const references = danglingReferences(parsed.data)
  return references.length > 0 ? fail({ kind: 'wrong-references', references }) : ok(parsed.data)
}

/** ['parts', 2, 'name'] -> "parts 3, name": places are counted from one, as people count. */
function placeWords(path: readonly PropertyKey[]): string {
  const words: string[] = []
  for (const step of path) {
    if (typeof step === 'number' && words.length > 0) words[words.length - 1] += ` ${step + 1}`
    else words.push(String(step))
  }
  return words.join(', ') || 'the document'
}
