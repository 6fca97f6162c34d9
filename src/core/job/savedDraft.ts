import type { Id } from '../base/id'
import type { Problem } from '../plan/check/problem'
import type { ProcedureDocument } from '../procedure/document'
import type { Conflict } from '../procedure/edit'
import type { Evidence } from './evidence'

/** What the desk gets back for edits: the draft as the shop has it now, or why it was not changed. */
export type EditOutcome =
  | {
      status: 'saved'
      document: ProcedureDocument
      problems: Problem[]
      version: number
      /** Edits that met a newer value of somebody else and were left out. */
      conflicts: Conflict[]
      evidence: ReadonlyMap<Id, Evidence>
    }
  | { status: 'refused'; sentence: string }
