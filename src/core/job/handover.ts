import { compareText, type Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import { balanceOf, type BalanceRow } from './balance'
import type { JobState } from './fold'
import { testsOwed, type JobTerms } from './terms'

/** What still forbids the hand-over, as things: the interface makes the sentence. */
export type HandoverBlock =
  | { kind: 'account'; row: BalanceRow }
  | { kind: 'not tested'; functionId: Id; name: string }
  | { kind: 'tested before it was closed'; functionId: Id; tetherId: Id }
  | { kind: 'test failed'; functionId: Id; name: string }
  | { kind: 'installer has not signed' }
  | { kind: 'nobody has checked' }

/**
 * The hand-over gate: what is still in the way, before anybody signs and before the vehicle goes. Empty = may be handed over.
 * Refused while any account is open; a test counts only when it was made after the last of its plugs was closed.
 * A second person checks where the shop has one; else the same person's marked second pass counts.
 */
export function handoverBlocks(document: ProcedureDocument, state: JobState, shopHasOthers: boolean, terms: JobTerms): HandoverBlock[] {
  const blocks: HandoverBlock[] = balanceOf(document, state, terms).openRows.map((row) => ({ kind: 'account', row }))
  for (const { id: functionId, name } of testsOwed(document, state, terms)) {
    const test = state.tests.get(functionId)
    const later = document.tethers.find((tether) => tether.functions.includes(functionId) && test && compareText(state.closedAt.get(tether.id) ?? '', test.at) > 0)
    if (!test) blocks.push({ kind: 'not tested', functionId, name })
    else if (test.result === 'failed') blocks.push({ kind: 'test failed', functionId, name })
    else if (later) blocks.push({ kind: 'tested before it was closed', functionId, tetherId: later.id })
  }
  const installer = state.signatures.find((signature) => signature.as === 'installer')
  if (!installer) blocks.push({ kind: 'installer has not signed' })
  const checked = state.signatures.some((s) => (s.as === 'checker' && s.personId !== installer?.personId) || (s.as === 'second pass' && !shopHasOthers))
  if (!checked) blocks.push({ kind: 'nobody has checked' })
  return blocks
}
