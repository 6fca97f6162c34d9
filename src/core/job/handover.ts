import { compareText } from '../base/compareText'
import type { Id } from '../base/id'
import { withDefaultTests } from '../procedure/defaultTests'
import type { ProcedureDocument } from '../procedure/document'
import { balanceOf, type BalanceRow } from './balance'
import { blockedFunctions } from './functionStanding'
import type { IntakePoint } from './intakePoints'
import type { JobState } from './jobState'
import { toRestore } from './intake'
import { resultOfTest } from './resultOfTest'
import type { LastingChange } from '../shop/workItem'
import { functionsLeftOpen, testsOwed, type JobTerms, type OwedTest } from './terms'

/** What still forbids the hand-over, as things: the interface makes the sentence. */
export type HandoverBlock =
  | { kind: 'account'; row: BalanceRow }
  | { kind: 'not tested'; functionId: Id; name: string }
  | { kind: 'tested before it was closed'; functionId: Id; name: string; plug: { id: Id; name: string } }
  /** A part that can hardly be undone went home over it after the test. */
  | { kind: 'tested before it was closed over'; functionId: Id; name: string; partId: Id }
  | { kind: 'test failed'; functionId: Id; name: string }
  | { kind: 'change not recorded'; change: LastingChange }
  | { kind: 'loss not accepted'; names: string[] }
  | { kind: 'not restored'; point: IntakePoint; value: string }
  | { kind: 'installer has not signed' }
  | { kind: 'nobody has checked' }
  /** Written into the log by a newer program: nobody here knows what it says. */
  | { kind: 'not understood'; count: number }
  /** Tapped on this tablet and refused by the shop: what it shows is not what the shop has. */
  | { kind: 'refused here'; count: number }

/**
 * What the vehicle can't do any more: what the kit's work takes away, and what hangs on plugs that somebody left open
 * on purpose. And what was wanted of a kit, and will not be there.
 */
export function lossesOf(document: ProcedureDocument, state: JobState, terms: JobTerms): Id[] {
  const begun = state.works.size > 0
  const blocked = begun ? blockedFunctions(terms, state).map(({ functionId }) => functionId) : []
  return [...new Set([...(begun ? terms.taken : []), ...functionsLeftOpen(document, state, terms), ...blocked])]
}

/**
 * The hand-over gate: what is still in the way, before anybody signs and before the vehicle goes. Empty = may be handed
 * over. Refused while any account is open; a test counts only when it was made after the last of its plugs was closed.
 * A row that a lead accepted open is no block, nor is a function that did not work before. A second person checks where
 * the shop has one; else the same person's marked second pass counts.
 */
export function handoverBlocks(
  document: ProcedureDocument,
  state: JobState,
  shopHasOthers: boolean,
  terms: JobTerms,
): HandoverBlock[] {
  const blocks: HandoverBlock[] = balanceOf(document, state, terms).openRows.map((row) => ({ kind: 'account', row }))
  blocks.push(...testsOwed(document, state, terms).flatMap((item) => testBlock(document, state, terms, item) ?? []))
  for (const change of state.works.size > 0 ? terms.changes : [])
    if (!isAgreed(state, change)) blocks.push({ kind: 'change not recorded', change })
  const untold = lossesOf(document, state, terms).filter((id) => !state.lossAccepted?.functionIds.includes(id))
  if (untold.length > 0)
    blocks.push({ kind: 'loss not accepted', names: untold.map((id) => functionName(document, terms, id)) })
  for (const point of toRestore(state))
    blocks.push({ kind: 'not restored', point, value: state.intake.get(point)!.value })
  const installer = state.signatures.find((signature) => signature.as === 'installer')
  if (!installer) blocks.push({ kind: 'installer has not signed' })
  const checked = state.signatures.some(
    (s) => (s.as === 'checker' && s.personId !== installer?.personId) || (s.as === 'second pass' && !shopHasOthers),
  )
  if (!checked) blocks.push({ kind: 'nobody has checked' })
  return blocks
}

/** What a function is called, the vehicle's or a kit's. */
export function functionName(document: ProcedureDocument, { added }: Pick<JobTerms, 'added'>, id: Id): string {
  const functions = [...added, ...withDefaultTests(document).functions]
  return functions.find((item) => item.id === id)?.name ?? 'a function the record no longer has'
}

/** What of an owed test is in the way: not made, made before its plug was closed again, failed. Null: nothing. */
function testBlock(
  document: ProcedureDocument,
  state: JobState,
  terms: JobTerms,
  item: OwedTest,
): HandoverBlock | null {
  const { id: functionId, name } = item
  const test = state.tests.get(functionId)
  if (!test) return { kind: 'not tested', functionId, name }
  // What did not work before is told, and is not ours.
  if (resultOfTest(item, test) === 'failed')
    return state.workedBefore.get(functionId)?.works === false ? null : { kind: 'test failed', functionId, name }
  const plug = plugsOf(document, terms, item).find(({ id }) => compareText(state.closedAt.get(id) ?? '', test.at) > 0)
  if (plug) return { kind: 'tested before it was closed', functionId, name, plug: { id: plug.id, name: plug.name } }
  const over = terms.again.get(functionId)?.find((id) => compareText(state.homeAt.get(id) ?? '', test.at) > 0)
  return over === undefined ? null : { kind: 'tested before it was closed over', functionId, name, partId: over }
}

/** What a function runs through: its tethers, the plugs of adapters put into them, the leads of kits that it needs. */
function plugsOf(document: ProcedureDocument, terms: JobTerms, { id }: OwedTest): { id: Id; name: string }[] {
  const tethers = withDefaultTests(document).tethers.filter(({ functions }) => functions.includes(id))
  const adapters = terms.adapted.filter(({ tetherId }) => tethers.some((tether) => tether.id === tetherId))
  const needs = terms.added.find((item) => item.id === id)?.needs.filter(({ of }) => of === 'plug') ?? []
  const ofKits = new Set([...adapters.flatMap(({ plugIds }) => plugIds), ...needs.map((need) => need.id)])
  return [...tethers, ...terms.kits.flatMap(({ plugs }) => plugs.filter((plug) => ofKits.has(plug.id)))]
}

/** Whether a change is recorded, and somebody agreed to it; the kit's own plastic is cut without asking anybody. */
function isAgreed(state: JobState, change: LastingChange): boolean {
  const made = state.changes.get(change.id)
  return made !== undefined && (made.consentBy !== '' || change.on === 'kit')
}
