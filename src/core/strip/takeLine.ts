import type { Id } from '../base/id'
import type { Happening, JobEvent } from '../job/event'
import { foldJob } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { correctedFacts, type Correction } from '../shorthand/correction'
import type { Fact } from '../shorthand/meaning'
import type { Called } from '../shorthand/reader/sense'
import { caught, type Caught } from './caught'
import { stripDocument } from './stripDocument'

/** A line that was taken: what it said, with which part in hand, and the events it became. */
export type TakenLine = {
  facts: readonly Fact[]
  called: readonly Called[]
  said: string
  hand: Id | null
  eventIds: readonly string[]
}

/** A strip as it stands. `base`: what it began with. */
export type StripNow = {
  base: ProcedureDocument
  document: ProcedureDocument
  state: JobState
  events: readonly JobEvent[]
}

/** A line to be taken. `note`: what of it is open, for the desk. `correction`: of the one taken before. */
export type LineToTake = {
  facts: readonly Fact[]
  called: readonly Called[]
  said: string
  note: string | null
  correction: Correction | null
}

/** What taking it comes to. `takesBack`: first the events of the line before. */
export type LineTaking = Caught & Omit<TakenLine, 'hand' | 'eventIds'> & { handBefore: Id | null; takesBack: boolean }

/** As much of a note, and of the words kept with a statement, as an event holds. */
const MOST_NOTE_CHARS = 1_000
const MOST_SAID_CHARS = 300

/**
 * A line taken on a strip. One that corrects the line before (`last`, as long as nothing came after it) stands instead
 * of it: that one is taken back, and all of it said again as it now is. `hand`: the part in hand. Cost: for a
 * correction a fold of the strip, else that of `caught`.
 */
export function takeLine(
  strip: StripNow,
  line: LineToTake,
  hand: Id | null,
  last: TakenLine | null,
  newId: (prefix: string) => Id,
): LineTaking {
  const before = line.correction === null ? null : last
  const now = before === null ? strip : without(strip, before.eventIds)
  const facts = before === null ? line.facts : correctedFacts(before.facts, line.correction!, line.facts)
  const said = before === null ? line.said : `${before.said}; ${line.said}`
  const called = [...(before?.called ?? []), ...line.called]
  const handBefore = before === null ? hand : before.hand
  const result = caught(now.document, now.state, facts, said.slice(0, MOST_SAID_CHARS), handBefore, newId, called)
  const text = line.note?.slice(0, MOST_NOTE_CHARS) ?? ''
  const noted: Happening[] = text === '' ? [] : [{ kind: 'noted', itemId: result.inHand, text }]
  return {
    ...result,
    happenings: [...result.happenings, ...noted],
    facts,
    called,
    said,
    handBefore,
    takesBack: before !== null,
  }
}

/** The strip as it was before some events. */
function without(strip: StripNow, eventIds: readonly string[]): StripNow {
  const events = strip.events.filter(({ id }) => !eventIds.includes(id))
  const document = stripDocument(strip.base, events)
  return { ...strip, events, document, state: foldJob(document, events) }
}
