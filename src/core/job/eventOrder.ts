import { compareText } from '../base/compareText'
import type { JobEvent } from './event'

/** Order of the fold: clock, device, sequence. */
export function compareEvents(a: JobEvent, b: JobEvent): number {
  return compareText(a.at, b.at) || compareText(a.deviceId, b.deviceId) || a.seq - b.seq || compareText(a.id, b.id)
}
