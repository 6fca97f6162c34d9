import { expect, test } from '@jest/globals'
import { Holder } from '../procedure/holder'
import { crewAtDash, goOnTo } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { INES, MARIT, TOLU, type CrewAtWork } from './crew.testing'
import { evidenceOf, type Entry } from './evidence'
import type { Happening } from './event'

const history = (label: string, crew: CrewAtWork) => ({ id: label, label, events: crew.events })
const evidence = (crews: readonly CrewAtWork[], entries: readonly Entry[] = [], document = smallDash()) =>
  evidenceOf(
    document,
    crews.map((crew, i) => history(`Van ${i + 1}`, crew)),
    entries,
  )
const stated = (crew: CrewAtWork, personId: string) =>
  crew.add(
    {
      kind: 'stated',
      said: '',
      edits: [
        {
          kind: 'add',
          collection: 'holders',
          item: Holder.parse({ id: 'new', kind: 'bolt', count: 1, holds: ['unit'] }),
          after: null,
        },
      ],
    },
    personId,
  )

test('who stated a thing: the strip that named it first, whichever is read first', () => {
  const [early, late] = [crewAtDash(), crewAtDash()]
  stated(early, TOLU)
  late.nowMs += 60_000
  stated(late, INES)
  for (const crews of [
    [early, late],
    [late, early],
  ])
    expect(evidence(crews).get('new')!.stated).toMatchObject({ personId: TOLU })
  expect(evidence([early]).get('screws')?.stated ?? null).toBeNull()
})
test('who entered it at the desk last, whichever is read first', () => {
  const entry = (atMs: number, personId: string): Entry => ({
    itemId: 'screws',
    personId,
    atMs,
    source: 'maker' as never,
  })
  const of = (entries: Entry[]) => evidence([], entries).get('screws')!.entered
  const [first, second] = [entry(1, TOLU), entry(2, INES)]
  expect(of([first, second])).toEqual(second)
  expect(of([second, first])).toEqual(second)
  // Of two at the same moment the one that was written down later.
  expect(of([entry(2, MARIT), second])).toEqual(second)
  expect(evidence([], [first]).get('bolts')).toBeUndefined()
})
test('a thing is borne out by whoever touched it last, once for each vehicle', () => {
  const crew = crewAtDash()
  const tap = goOnTo(crew, 'undo:bolts')
  crew.does(tap.step, INES)
  const found = evidence([crew])
  expect(found.get('bolts')).toMatchObject({ confirmed: [{ personId: INES, label: 'Van 1' }], contradicted: [] })
  expect(found.get('cover')).toMatchObject({ confirmed: [{ personId: TOLU, label: 'Van 1' }] })
  expect(found.get('main')).toBeUndefined()
  expect(
    evidence([crew, crew])
      .get('bolts')!
      .confirmed.map(({ label }) => label),
  ).toEqual(['Van 1', 'Van 2'])
})
test('found otherwise: against it, until the record says so; then for it', () => {
  const crew = crewAtDash()
  crew.add(
    { kind: 'different from the record', itemId: 'screws', field: 'count', value: '5', note: '' } as Happening,
    INES,
  )
  expect(evidence([crew]).get('screws')).toMatchObject({
    confirmed: [],
    contradicted: [{ personId: INES, label: 'Van 1', field: 'count', value: '5' }],
  })
  const mended = smallDash()
  mended.holders.find(({ id }) => id === 'screws')!.count = 5
  expect(evidence([crew], [], mended).get('screws')).toMatchObject({
    confirmed: [{ personId: INES }],
    contradicted: [],
  })
})
