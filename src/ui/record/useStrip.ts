import { useState } from 'react'
import type { Id } from '@/core/base/id'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import type { Fact } from '@/core/shorthand/meaning'
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
  /** Takes facts as said; returns sentences for what found no place. */
  say: (facts: readonly Fact[], said: string) => string[]
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
  const say = (facts: readonly Fact[], said: string): string[] => {
    const result = namedFrom(station, caught(job.document, job.state, facts, said.slice(0, 300), hand, newId))
    if (result.assumed.length + result.happenings.length > 0) job.record(result.happenings, 'counted', result.assumed)
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
    state: (edits, said = '') =>
      edits.length > 0 && happen([{ kind: 'stated', said, edits: edits.map(atStation(station)) }]),
    happen,
  }
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
