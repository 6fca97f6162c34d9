import type { Id } from '../base/id'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { fieldEdits, type Edit } from '../procedure/edit'
import type { Need } from '../procedure/need'
import type { Part, REST_WAYS } from '../procedure/part'

/** Where a part waits that is free, as edits. Two ways to wait are kept; a third changes nothing. */
export function waitsThere(
  document: ProcedureDocument,
  state: JobState,
  part: Part,
  how: (typeof REST_WAYS)[number],
): Edit[] {
  const said =
    part.rests.some((rest) => rest.how === how) || part.rests.length > 1
      ? []
      : fieldEdits('parts', part, { ...part, rests: [...part.rests, { level: 'free', how, note: '' }] } as Part)
  return [...said, ...neededNoFurther(document, state, part.id)]
}

/**
 * Of a part that waits: what was told to need it *off* and was done while it only waited needs it no further. So
 * nothing on the way home lifts a part away that never left its hinge.
 */
export function neededNoFurther(document: ProcedureDocument, state: JobState, partId: Id): Edit[] {
  if (levelNow(state, partId) === 'off') return []
  const told = document.needs.filter(
    (need) =>
      (need.reason === 'covers' || need.reason === 'traps') &&
      need.needs.kind === 'part' &&
      need.needs.partId === partId &&
      need.needs.level === 'off',
  )
  return told
    .filter((need) => wasDone(state, need))
    .flatMap((need) => fieldEdits('needs', need, { ...need, needs: { ...need.needs, level: 'free' } } as Need))
}

function wasDone(state: JobState, { dependent }: Need): boolean {
  if (dependent.act === 'undo') return (state.holders.get(dependent.id)?.undone ?? 0) > 0
  if (dependent.act === 'open') return state.tethersOpen.has(dependent.id)
  return levelNow(state, dependent.id) !== 'in place'
}
