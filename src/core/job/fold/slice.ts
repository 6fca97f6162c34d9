import type { Id } from '../../base/id'
import type { Stamp } from '../../base/stamp'
import type { ProcedureDocument } from '../../procedure/document'
import { openAccount, type HolderCounts } from '../account'
import type { Happening, JobEvent } from '../event'
import type { JobState } from '../jobState'

/** What a happening is folded into, and who did it when. */
export type At = {
  state: JobState
  document: ProcedureDocument
  event: JobEvent
  by: { personId: Id; at: Stamp }
}
export type What<K extends Happening['kind']> = Extract<Happening, { kind: K }>
/** How each happening of one account changes the state. */
export type Slice<K extends Happening['kind']> = { readonly [Kind in K]: (at: At, what: What<Kind>) => void }

/** The account of a group. */
export function accountIn(state: JobState, holderId: Id): HolderCounts {
  const found = state.holders.get(holderId) ?? openAccount(0)
  state.holders.set(holderId, found)
  return found
}

/** Changes nothing of the state: what it says is read from the history. */
export const nothing = (): void => undefined
