import { useState } from 'react'
import type { Id } from '@/core/base/id'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { foldJob } from '@/core/job/fold'
import { correctedFacts, type Correction } from '@/core/shorthand/correction'
import type { Fact } from '@/core/shorthand/meaning'
import { stripDocument } from '@/core/strip/stripDocument'
import type { Station } from '@/core/procedure/station'
import { caught, leftBehind, type Caught } from '@/core/strip/caught'
import { newId } from '@/client/newId'
import { unplacedSentence } from '@/words/shorthandWords'
import type { LiveJob } from '../job/useJob'

/** A strip under way: the part in hand, and how what is said or tapped becomes events. */
export type LiveStrip = {
  job: LiveJob
  /** The record the strip lies on top of; empty where there was none. */
  base: ProcedureDocument
  /** The part that what is caught next belongs to. */
  inHand: Id | null
  takeInHand: (partId: Id | null) => void
  /** The holder or plug caught last: its marks are dropped on the picture. */
  lastItem: Id | null
  /** Where the recorder stands, until changed: every part named from there has it. */
  station: Station
  standAt: (station: Station) => void
  /**
   * Takes facts as said; returns sentences for what found no place. `note`: what of the line is open, for the desk.
   * `correction`: they stand instead of the facts taken last, which are taken back.
   */
  say: (
    facts: readonly Fact[],
    said: string,
    more?: { note?: string | null; correction?: Correction | null },
  ) => string[]
  /** The facts taken last, as long as nothing else was done: a line may correct them. */
  lastFacts: readonly Fact[]
  state: (edits: readonly Edit[], said?: string) => void
  happen: (happenings: readonly Happening[]) => void
}

export function useStrip(job: LiveJob, base: ProcedureDocument): LiveStrip {
  // A page that is opened again goes on with the part it was at.
  const [inHand, setInHand] = useState<Id | null>(() => lastPart(job.state))
  const [lastItem, setLastItem] = useState<Id | null>(null)
  const [station, standAt] = useState<Station>(
    () => job.document.parts.find((part) => part.id === lastPart(job.state))?.station ?? 'centre',
  )
  const hand = inHand !== null && job.document.parts.some((part) => part.id === inHand) ? inHand : null
  const happen = (happenings: readonly Happening[]) => {
    if (happenings.length > 0) job.record(happenings)
  }
  const takeInHand = (partId: Id | null) => {
    const behind = hand !== null && partId !== hand ? leftBehind(job.document, job.state, hand) : []
    if (behind.length > 0) job.record(behind, 'assumed')
    setInHand(partId)
  }
  const [last, setLast] = useState<Taken | null>(null)
  const isLast = last !== null && last.eventIds.every((id) => job.lastAct?.eventIds.includes(id))
  const say: LiveStrip['say'] = (facts, said, { note = null, correction = null } = {}) => {
    const before = correction && isLast ? last : null
    const from = before ? withoutAct(base, job, before.eventIds) : job
    const all = before ? correctedFacts(before.facts, correction!, facts) : facts
    const words = before ? `${before.said}; ${said}` : said
    if (before) job.takeBack()
    const atHand = before ? before.hand : hand
    const result = namedFrom(station, caught(from.document, from.state, all, words.slice(0, 300), atHand, newId))
    const noted: Happening[] =
      note === null ? [] : [{ kind: 'noted', itemId: result.inHand, text: note.slice(0, 1000) }]
    const happenings = [...result.happenings, ...noted]
    const made = result.assumed.length + happenings.length > 0 ? job.record(happenings, 'counted', result.assumed) : []
    setLast(made.length > 0 ? { facts: all, said: words, hand: atHand, eventIds: made.map(({ id }) => id) } : null)
    setInHand(result.inHand)
    const item = result.happenings.findLast((what) => what.kind === 'undone' || what.kind === 'opened')
    if (item) setLastItem(item.kind === 'undone' ? item.holderId : item.kind === 'opened' ? item.tetherId : null)
    return result.unplaced.map(({ fact, because }) => unplacedSentence(fact, because))
  }
  return {
    job,
    base,
    inHand: hand,
    takeInHand,
    lastItem,
    station,
    standAt,
    say,
    lastFacts: isLast ? last.facts : NO_FACTS,
    state: (edits, said = '') =>
      edits.length > 0 && happen([{ kind: 'stated', said, edits: edits.map(atStation(station)) }]),
    happen,
  }
}

const NO_FACTS: readonly Fact[] = []

/** A line that was taken: what it said, with which part in hand, and the events it became. */
type Taken = { facts: readonly Fact[]; said: string; hand: Id | null; eventIds: readonly string[] }

/** The strip as it stands without one act. */
function withoutAct(base: ProcedureDocument, job: LiveJob, eventIds: readonly string[]) {
  const events = job.log.events.filter(({ id }) => !eventIds.includes(id))
  const document = stripDocument(base, events)
  return { document, state: foldJob(document, events) }
}

function namedFrom(station: Station, caught: Caught): Caught {
  return {
    ...caught,
    happenings: caught.happenings.map((what) =>
      what.kind === 'stated' ? { ...what, edits: what.edits.map(atStation(station)) } : what,
    ),
  }
}

/** A part that is named for the first time is where the recorder stands. */
function atStation(station: Station): (edit: Edit) => Edit {
  return (edit) =>
    edit.kind === 'add' && edit.collection === 'parts' ? ({ ...edit, item: { ...edit.item, station } } as Edit) : edit
}

/** The part that was last spoken of. */
function lastPart(state: JobState): Id | null {
  for (const { what } of [...state.history].reverse()) {
    if (what.kind === 'part at') return what.partId
    if (what.kind === 'stated') {
      const part = what.edits.find((edit) => edit.kind === 'add' && edit.collection === 'parts')
      if (part?.kind === 'add') return part.item.id
    }
  }
  return null
}
