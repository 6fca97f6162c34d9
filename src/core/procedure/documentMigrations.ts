import { ProcedureDocument } from './document'

/** A released step never changes. Key: the version it starts from; value: the document one version later. */
type Migration = (document: Record<string, unknown>) => Record<string, unknown>
const MIGRATIONS: Record<number, Migration> = { 1: (document) => document }

/**
 * A document that was kept here, of whatever released version. Throws where it is none: what is kept was looked at when
 * it came in.
 */
export function readDocument(kept: unknown): ProcedureDocument {
  const version = (kept as { version?: unknown } | null)?.version
  return ProcedureDocument.parse(typeof version === 'number' ? migrateDocument(kept, version) : kept)
}

/** Brings a document of an older version to the current one, step by step. */
export function migrateDocument(value: unknown, from: number, steps: Record<number, Migration> = MIGRATIONS): unknown {
  let version = from
  let document = value as Record<string, unknown>
  for (let step = steps[version]; step; step = steps[version]) {
    version += 1
    document = { ...step(document), version }
  }
  return document
}
