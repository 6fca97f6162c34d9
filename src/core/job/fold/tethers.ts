import type { Id } from '../../base/id'
import { withDefaultTests } from '../../procedure/defaultTests'
import type { ProcedureDocument } from '../../procedure/document'
import type { JobState } from '../jobState'
import type { Slice } from './slice'

/** Plugs, and what they serve: open and closed, parked, tests, what worked before, why a test failed. */
export const tethers: Slice<
  | 'opened'
  | 'closed'
  | 'tried'
  | 'led through'
  | 'lead parked'
  | 'tested'
  | 'worked before'
  | 'trouble found'
  | 'loss accepted'
> = {
  opened: ({ state }, { tetherId }) => {
    state.tethersOpen.add(tetherId)
    touched(state, tetherId).opened += 1
  },
  closed: ({ state, event }, { tetherId }) => {
    state.tethersOpen.delete(tetherId)
    touched(state, tetherId).closed += 1
    state.closedAt.set(tetherId, event.at)
  },
  tried: ({ state }, { tetherId }) => {
    state.plugsTried.add(tetherId)
  },
  'led through': ({ state }, { tetherId }) => {
    state.ledThrough.add(tetherId)
  },
  'lead parked': ({ state }, { tetherId }) => {
    state.parked.add(tetherId)
  },
  tested: ({ state, by }, { functionId, result, reading, note }) => {
    state.tests.set(functionId, { result, reading, note, ...by })
  },
  'worked before': ({ state, document }, { functionId, works, note }) => {
    // Before means before: once one of its plugs was touched, nobody can tell any more whose fault it is.
    if (!plugsTouched(document, state, functionId)) state.workedBefore.set(functionId, { works, note })
  },
  'trouble found': ({ state, event, by }, { kind: _, ...trouble }) => {
    state.troubles.push({ ...trouble, eventId: event.id, ...by })
  },
  'loss accepted': ({ state, event }, { functionIds, by }) => {
    state.lossAccepted = { functionIds, by, at: event.at }
  },
}

/** A plug somebody has in hand is neither parked nor left as it was. */
function touched(state: JobState, tetherId: Id): { opened: number; closed: number } {
  state.parked.delete(tetherId)
  state.plugsTried.delete(tetherId)
  state.tethersTouched.add(tetherId)
  state.ends.delete(tetherId)
  const times = state.tetherTimes.get(tetherId) ?? { opened: 0, closed: 0 }
  state.tetherTimes.set(tetherId, times)
  return times
}

/** Whether a plug that serves a function was opened or closed on this job. */
export function plugsTouched(
  document: ProcedureDocument,
  state: Pick<JobState, 'tethersTouched'>,
  functionId: Id,
): boolean {
  return withDefaultTests(document).tethers.some(
    (tether) => tether.functions.includes(functionId) && state.tethersTouched.has(tether.id),
  )
}
