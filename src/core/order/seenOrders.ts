import type { ProcedureDocument } from '../procedure/document'
import { goesWithPull } from '../procedure/letsGo'
import type { Id } from '../base/id'
import { comparedPairs, type LearntOrder } from './learntOrder'
import { keyOf, splitKey } from '../procedure/acts'

const known = new WeakMap<object, LearntOrder[]>()

/**
 * The orders in which all strips kept in a record agree, but for those somebody has called a habit. Not closed under
 * anything: whoever has operations in hand restricts them first. Worked out once a record. Cost: O(strips x
 * operations^2).
 */
export function seenOrders(document: ProcedureDocument): readonly LearntOrder[] {
  const found = known.get(document) ?? worked(document)
  known.set(document, found)
  return found
}

/** Without what lets go with a pull: the pull stands for it, whenever somebody counted the clips. */
export function ownActs(document: Pick<ProcedureDocument, 'holders'>, sequence: readonly string[]): string[] {
  const pulled = new Set<string>(document.holders.filter(goesWithPull).map(({ id }) => keyOf('undo', id)))
  return sequence.filter((key) => !pulled.has(key))
}

/** The part an act of the way in is done to. */
function ownerOf(document: Pick<ProcedureDocument, 'holders' | 'tethers'>, key: string): Id | null {
  const [act, id] = splitKey(key)
  if (act === 'undo') return document.holders.find((holder) => holder.id === id)?.holds[0] ?? null
  if (act === 'open') return document.tethers.find((tether) => tether.id === id)?.partId ?? null
  return id
}

/** The parts of a strip, each where it was done in one go: a run of acts on it that holds its movement. */
function partsInOneGo(document: ProcedureDocument, sequence: readonly string[]): Id[] {
  const runs: { partId: Id | null; moved: boolean }[] = []
  for (const key of sequence) {
    const partId = ownerOf(document, key)
    if (runs.at(-1)?.partId !== partId) runs.push({ partId, moved: false })
    if (/^(ease|release|lift):/.test(key)) runs.at(-1)!.moved = true
  }
  return runs.flatMap(({ partId, moved }) => (moved && partId !== null ? [partId] : []))
}

function worked(document: ProcedureDocument): LearntOrder[] {
  if (document.strips.length === 0) return []
  const strips = document.strips.map(({ label, sequence, brokeRule }) => ({
    id: label,
    sequence: ownActs(document, sequence),
    brokeRule,
  }))
  const habits = new Set(
    document.needs.flatMap(({ reason, dependent, needs }) =>
      reason === 'habit' && needs.kind === 'operation'
        ? [`${needs.act}:${needs.id}>${dependent.act}:${dependent.id}`]
        : [],
    ),
  )
  // What happens in one go with a part is compared as the part: of two panels seen in either order, no screw of the one
  // has to wait for the other.
  const inEitherOrder = new Set(
    comparedPairs(
      strips.map((strip) => ({ ...strip, sequence: partsInOneGo(document, strip.sequence) })),
      null,
    ).contradicted.flatMap(({ before, after }) => [`${before}>${after}`, `${after}>${before}`]),
  )
  return comparedPairs(strips, null).agreed.filter(
    ({ before, after }) =>
      !habits.has(`${before}>${after}`) &&
      !inEitherOrder.has(`${ownerOf(document, before)}>${ownerOf(document, after)}`),
  )
}
