import type { ProcedureDocument } from '../procedure/document'
import { goesWithPull } from '../procedure/letsGo'
import { comparedPairs, type LearntOrder } from './learntOrder'

const known = new WeakMap<object, LearntOrder[]>()

/**
 * The orders in which all strips kept in a record agree, but for those somebody has called a habit. Not closed under
 * anything: whoever has operations in hand restricts them first. Worked out once a record. Cost: O(strips x operations^2).
 */
export function seenOrders(document: ProcedureDocument): readonly LearntOrder[] {
  const found = known.get(document) ?? worked(document)
  known.set(document, found)
  return found
}

/** Without what lets go with a pull: the pull stands for it, whenever somebody counted the clips. */
export function ownActs(document: Pick<ProcedureDocument, 'holders'>, sequence: readonly string[]): string[] {
  const pulled = new Set(document.holders.filter(goesWithPull).map(({ id }) => `undo:${id}`))
  return sequence.filter((key) => !pulled.has(key))
}

function worked(document: ProcedureDocument): LearntOrder[] {
  if (document.strips.length === 0) return []
  const strips = document.strips.map(({ label, sequence, brokeRule }) => ({ id: label, sequence: ownActs(document, sequence), brokeRule }))
  const habits = new Set(document.needs.flatMap(({ reason, dependent, needs }) => (reason === 'habit' && needs.kind === 'operation' ? [`${needs.act}:${needs.id}>${dependent.act}:${dependent.id}`] : [])))
  return comparedPairs(strips, null).agreed.filter(({ before, after }) => !habits.has(`${before}>${after}`))
}
