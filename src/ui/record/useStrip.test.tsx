/** @jest-environment jsdom */
import { expect, test } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import { useState } from 'react'
import type { Happening, JobEvent } from '@/core/job/event'
import { foldJob } from '@/core/job/fold'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { emptyDocument } from '@/core/procedure/document'
import { stripDocument } from '@/core/strip/stripDocument'
import type { Correction } from '@/core/shorthand/correction'
import type { LiveJob } from '../job/useJob'
import { useStrip } from './useStrip'

/** A strip of an unknown vehicle, its job kept in the hook's own memory. */
function strip() {
  const base = emptyDocument('New')
  return renderHook(() => {
    const [events, setEvents] = useState<JobEvent[]>([])
    const document = stripDocument(base, events)
    const record = (happenings: readonly Happening[]) => {
      const made = happenings.map((what, i) => ({
        id: crypto.randomUUID(),
        jobId: 'j',
        v: EVENT_VERSION,
        deviceId: 'd',
        seq: events.length + i,
        at: `${String(events.length + i).padStart(16, '0')}-0000`,
        personId: 'p',
        corrects: null,
        certainty: 'counted',
        what,
      })) as JobEvent[]
      setEvents((now) => [...now, ...made])
      return made
    }
    const [acts, setActs] = useState<string[][]>([])
    const lastAct = acts.length > 0 ? { eventIds: acts.at(-1)!, atMs: 0 } : null
    const takeBack = () => setEvents((now) => now.filter(({ id }) => !lastAct!.eventIds.includes(id)))
    const log = { events }
    const act = (happenings: readonly Happening[]) => {
      const made = record(happenings)
      setActs((now) => [...now, made.map(({ id }) => id)])
      return made
    }
    const job = {
      document,
      state: foldJob(document, events),
      record: act,
      takeBack,
      lastAct,
      log,
    } as unknown as LiveJob
    return { strip: useStrip(job, base), document, state: job.state, events }
  }).result
}

test('a part named is the part in hand, and what is said next belongs to it, from where somebody stands', () => {
  const now = strip()
  act(() => now.current.strip.standAt('passenger side'))
  act(() => void now.current.strip.say([{ fact: 'part', part: 'Glovebox' }] as never, 'glovebox'))
  const part = now.current.document.parts[0]!
  expect([part.name, part.station, now.current.strip.inHand]).toEqual(['Glovebox', 'passenger side', part.id])
  act(() => void now.current.strip.say([{ fact: 'holder', kind: 'spring clip', count: 3 }] as never, '3 clips'))
  expect(now.current.document.holders).toMatchObject([{ count: 3, holds: [part.id] }])
  expect(now.current.state.holders.get(now.current.document.holders[0]!.id)!.undone).toBe(3)
  expect(now.current.strip.lastItem).toBe(now.current.document.holders[0]!.id)
})

test('what finds no place comes back as a sentence, and nothing is recorded of it', () => {
  const now = strip()
  let sentences: string[] = []
  act(() => void (sentences = now.current.strip.say([{ fact: 'release', effort: 'hard' }] as never, 'hard pull')))
  expect(sentences).toEqual([expect.stringContaining('is not placed')])
  expect(now.current.document.parts).toEqual([])
})

test('no edits and no happenings record nothing', () => {
  const now = strip()
  act(() => {
    now.current.strip.state([])
    now.current.strip.happen([])
  })
  expect(now.current.events).toEqual([])
})

test('a line corrects the one before it, as long as nothing else was done', () => {
  const now = strip()
  act(() => void now.current.strip.say([{ fact: 'holder', kind: 'spring clip', count: 8 }] as never, '8 clips'))
  expect(now.current.strip.lastFacts).toMatchObject([{ count: 8 }])
  const nine = { fact: 'holder', kind: 'spring clip', count: 9, instead: {} }
  act(
    () =>
      void now.current.strip.say([nine] as never, 'no, nine', { correction: { places: [0] } as unknown as Correction }),
  )
  expect(now.current.document.holders).toMatchObject([{ count: 9 }])
  expect(now.current.events.filter(({ what }) => what.kind === 'stated')).toMatchObject([
    { what: { said: '8 clips; no, nine' } },
  ])
  act(() => now.current.strip.happen([{ kind: 'noted', itemId: null, text: 'tea' }] as never))
  expect(now.current.strip.lastFacts).toEqual([])
})
