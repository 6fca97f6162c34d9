import { EVENT_VERSION } from './eventVersion'

type Raw = Record<string, unknown>

/** From each released version to the next. A released step never changes: logs of years ago are read with it. */
const STEPS: Readonly<Record<number, (what: Raw) => Raw>> = {
  // A lead's "the record stays" was written as a question that is put off: "declined:parts:p1:name".
  1: (what) => {
    const declined = what.kind === 'question put off' && /^declined:(\w+):([^:]+):(.+)$/.exec(String(what.question))
    if (!declined) return what
    const [, collection, itemId, field] = declined
    return { kind: 'proposal declined', collection, itemId, field }
  },
  // Nothing that was there means anything else; `reopened` came in.
  2: (what) => what,
  // What is said of a kit's own things came in.
  3: (what) => what,
  // Places that are judged, functions gone on without, what the customer was shown.
  4: (what) => what,
}

/**
 * Brings a stored event up to the version that is written now, step by step; what is no event, or newer than this
 * program, comes back as it is, for the parser to say so.
 */
export function upcast(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value
  const event = value as { v?: unknown; what?: unknown }
  if (typeof event.v !== 'number' || typeof event.what !== 'object' || event.what === null) return value
  let what = event.what as Raw
  let v = event.v
  for (let step = STEPS[v]; v < EVENT_VERSION && step; step = STEPS[v]) {
    what = step(what)
    v += 1
  }
  return { ...event, v, what }
}
