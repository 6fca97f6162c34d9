import { compareText, type Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import { balanceOf, type BalanceRow } from './balance'
import type { JobState } from './fold'

/** What still forbids the hand-over, as things: the interface makes the sentence. */
export type HandoverBlock =
  | { kind: 'account'; row: BalanceRow }
  | { kind: 'not tested'; functionId: Id }
  | { kind: 'tested before it was closed'; functionId: Id; tetherId: Id }
  | { kind: 'test failed'; functionId: Id }
  | { kind: 'installer has not signed' }
  | { kind: 'nobody has checked' }

/** The functions of every tether that was opened, in the order of the record. */
export function functionsToTest(document: ProcedureDocument, state: JobState): Id[] {
  const wanted = new Set(document.tethers.flatMap((tether) => (state.tethersTouched.has(tether.id) ? tether.functions : [])))
  return document.functions.filter((item) => wanted.has(item.id)).map((item) => item.id)
}

/**
 * The hand-over gate: what is still in the way, before anybody signs and before the vehicle goes. Empty = may be handed over.
 * Refused while any account is open; a test counts only when it was made after the last of its plugs was closed.
 * A second person checks where the shop has one; else the same person's marked second pass counts.
 */
export function handoverBlocks(document: ProcedureDocument, state: JobState, shopHasOthers: boolean): HandoverBlock[] {
  const blocks: HandoverBlock[] = balanceOf(document, state).openRows.map((row) => ({ kind: 'account', row }))
  for (const functionId of functionsToTest(document, state)) {
    const test = state.tests.get(functionId)
    const later = document.tethers.find((tether) => tether.functions.includes(functionId) && test && compareText(state.closedAt.get(tether.id) ?? '', test.at) > 0)
    if (!test) blocks.push({ kind: 'not tested', functionId })
    else if (test.result === 'failed') blocks.push({ kind: 'test failed', functionId })
    else if (later) blocks.push({ kind: 'tested before it was closed', functionId, tetherId: later.id })
  }
  const installer = state.signatures.find((signature) => signature.as === 'installer')
  if (!installer) blocks.push({ kind: 'installer has not signed' })
  const checked = state.signatures.some((s) => (s.as === 'checker' && s.personId !== installer?.personId) || (s.as === 'second pass' && !shopHasOthers))
  if (!checked) blocks.push({ kind: 'nobody has checked' })
  return blocks
}
