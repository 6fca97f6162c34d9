import { useState } from 'react'
import type { Id } from '@/core/base/id'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import type { Correction } from '@/core/shorthand/correction'
import type { Fact } from '@/core/shorthand/meaning'
import type { Understood } from '@/core/shorthand/understand'
import type { Station } from '@/core/procedure/station'
import { leftBehind, type Caught } from '@/core/strip/caught'
import { takeLine, type LineTaking, type TakenLine } from '@/core/strip/takeLine'
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
    more?: { note?: string | null; correction?: Correction | null; called?: Understood['called'] },
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
  const [last, setLast] = useState<TakenLine | null>(null)
  const isLast = last !== null && last.eventIds.every((id) => job.lastAct?.eventIds.includes(id))
  const say: LiveStrip['say'] = (facts, said, more = {}) => {
    const now = { base, document: job.document, state: job.state, events: job.log.events }
    const { note = null, called = [] } = more
    const line = { facts, called, said, note, correction: isLast ? (more.correction ?? null) : null }
    const taking = takeLine(now, line, hand, last, newId)
    if (taking.takesBack) job.takeBack()
    const { assumed, happenings } = namedFrom(station, taking)
    const made = assumed.length + happenings.length > 0 ? job.record(happenings, 'counted', assumed) : []
    const eventIds = made.map(({ id }) => id)
    setLast(made.length > 0 ? { ...taken(taking), eventIds } : null)
    setInHand(taking.inHand)
    const item = itemCaught(happenings)
    if (item) setLastItem(item)
    return taking.unplaced.map(({ fact, because }) => unplacedSentence(fact, because))
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

const taken = ({ facts, called, said, handBefore }: LineTaking) => ({ facts, called, said, hand: handBefore })

/** The holder or plug that was caught last. */
function itemCaught(happenings: readonly Happening[]): Id | null {
  const what = happenings.findLast(({ kind }) => kind === 'undone' || kind === 'opened')
  return what?.kind === 'undone' ? what.holderId : what?.kind === 'opened' ? what.tetherId : null
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
