import type { Holder } from './holder'
import { PULLED_KINDS, THREADED_KINDS } from './holderKinds'

/**
 * Whether a group lets go in the movement that takes its part off (`release`, `ease`) and is pressed home in `seat`.
 * Nobody undoes nine clips and comes back for the screws: who pries while a screw still holds cracks the panel. Nothing
 * threaded does.
 */
export function goesWithPull(holder: Pick<Holder, 'kind' | 'letsGo'>): boolean {
  if (THREADED_KINDS.includes(holder.kind)) return false
  return holder.letsGo === 'as its kind' ? PULLED_KINDS.includes(holder.kind) : holder.letsGo === 'with the pull'
}
