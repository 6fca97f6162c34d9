import type { Id } from '../base/id'
import type { Happening } from './event'

/** The one thing a happening speaks of: a group, a part, a plug, a setting or a piece of work. Null: of none. */
export function thingOf(what: Happening): Id | null {
  if ('holderId' in what) return what.holderId
  if ('partId' in what) return what.partId
  if ('tetherId' in what) return what.tetherId
  if ('settingId' in what) return what.settingId
  return 'workId' in what ? what.workId : null
}
