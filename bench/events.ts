import { EVENT_VERSION } from '../src/core/job/eventVersion'

let counted = 0
const device = crypto.randomUUID()

/** A note, as a tablet sends it. */
export function emptyEvent(jobId: string, personId: string, text = 'a hook at the top') {
  counted++
  return {
    id: crypto.randomUUID(),
    jobId,
    v: EVENT_VERSION,
    deviceId: device,
    seq: counted,
    at: `${String(Date.now()).padStart(16, '0')}-${(counted % 0xffff).toString(16).padStart(4, '0')}`,
    personId,
    certainty: 'counted',
    corrects: null,
    what: { kind: 'noted', itemId: null, text },
  }
}
