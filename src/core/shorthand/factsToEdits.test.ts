import { describe, expect, test } from '@jest/globals'
import { checkRecord } from '../plan/check/checkRecord'
import { applyEdits } from '../procedure/edit'
import { emptyDocument, ProcedureDocument } from '../procedure/document'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whilePlanning } from '../vehicle/circumstances'
import { factsToEdits, type PlacedFacts } from './factsToEdits'
import { namesOf, understand } from './understand'
import { panelVan } from '../testing/vehicles.testing'

const EMPTY = emptyDocument('New model')

function numbered(): (prefix: string) => string {
  let next = 0
  return (prefix) => `${prefix}-said-${(next += 1)}`
}

/** Lines said one after another about the part in hand, as they change a draft. */
function said(
  document: ProcedureDocument,
  lines: readonly string[],
  inHand: string | null = null,
): { document: ProcedureDocument; placed: PlacedFacts[] } {
  const newId = numbered()
  const placed: PlacedFacts[] = []
  let draft = document
  for (const line of lines) {
    const facts = factsToEdits(draft, understand(line, namesOf(draft)).facts, { partId: inHand }, newId)
    placed.push(facts)
    const applied = applyEdits(draft, facts.edits)
    if (!applied.ok) throw new Error(`${line}: ${applied.error.sentence}`)
    draft = applied.value.document
  }
  return { document: draft, placed }
}

describe('a line becomes a draft', () => {
  const { document } = said(EMPTY, [
    'surround: 2 T20 M4x12 behind liner, 9 clips, start lower left, pull rearward',
    'unplug hazard of the surround, tab driver side',
    'liner: press fit, lift up',
    'surround hangs on its leads, two people',
  ])
  const part = (name: string) => document.parts.find((item) => item.name === name)!

  test('parts that nobody had stated are there, once', () => {
    expect(document.parts.map(({ name }) => name)).toEqual(['Surround', 'Liner'])
  })
  test('holders with their heads, threads and what covers them', () => {
    const surround = part('Surround').id
    expect(document.holders).toMatchObject([
      {
        kind: 'machine screw',
        count: 2,
        holds: [surround],
        drives: [{ drive: 'six-lobe', size: 'T20' }],
        thread: { diameterMm: 4, lengthMm: 12 },
      },
      { kind: 'spring clip', count: 9, holds: [surround] },
    ])
    expect(document.needs).toMatchObject([
      {
        dependent: { act: 'undo', id: document.holders[0]!.id },
        needs: { kind: 'part', partId: part('Liner').id, level: 'off' },
        reason: 'covers',
      },
    ])
  })
  test('how it comes off, how it may wait, and its plug', () => {
    expect(part('Surround')).toMatchObject({
      persons: 2,
      rests: [{ level: 'free', how: 'hangs on its leads' }],
      release: { start: 'lower left', motions: [{ move: 'pull', directions: ['rearward'] }] },
    })
    expect(part('Liner')).toMatchObject({
      fixing: 'press fit',
      release: { motions: [{ move: 'lift', directions: ['up'] }] },
    })
    expect(document.tethers).toMatchObject([{ name: 'hazard', partId: part('Surround').id, tabSide: 'driver side' }])
  })
})

describe('on a record that is there', () => {
  const van = panelVan()
  test('only single fields of the part are changed, and the check finds nothing new', () => {
    const { document, placed } = said(van, ["don't push up, top edge first", 'two people'], 'surround')
    expect(placed.flatMap(({ edits }) => edits.map((edit) => [edit.kind, 'field' in edit && edit.field]))).toEqual([
      ['field', 'release'],
      ['field', 'refit'],
      ['field', 'persons'],
    ])
    expect(document.parts.find(({ id }) => id === 'surround')).toMatchObject({
      persons: 2,
      refit: { first: 'top edge' },
      release: { mustNot: expect.stringContaining('never push up') },
    })
    const kinds = (of: ProcedureDocument) =>
      checkRecord(of, whilePlanning(DEFAULT_HOUSE_VALUES)).map(({ kind }) => kind)
    expect(kinds(document)).toEqual(kinds(van))
  })
  test('a plug that is known is told more about, not stated twice', () => {
    const name = van.tethers[0]!.name
    const { document } = said(van, [`unplug ${name}`])
    expect(document.tethers.length).toBe(van.tethers.length)
  })
  test('a setting of the record is what the part in hand needs', () => {
    const { document } = said(van, ['lever out of park'], 'glovebox')
    expect(document.needs.at(-1)).toMatchObject({
      dependent: { act: 'release', id: 'glovebox' },
      needs: { kind: 'setting', value: 'out of park' },
      reason: 'setting',
    })
  })
  test('a line about another part than the one in hand goes to that part', () => {
    const { document } = said(van, ['glovebox: lever out of park', 'glovebox: unplug usb, tab top'], 'surround')
    expect(document.needs.at(-1)!.dependent).toEqual({ act: 'release', id: 'glovebox' })
    expect(document.tethers.at(-1)).toMatchObject({ name: 'usb', partId: 'glovebox' })
  })
  test('what is noted already stays', () => {
    const noted = { ...van, tethers: van.tethers.map((tether) => ({ ...tether, note: 'short lead' })) }
    const { document } = said(noted, [`unplug ${van.tethers[0]!.name}, leave it alone`])
    expect(document.tethers[0]!.note).toBe('short lead, leave it plugged')
    const twice = {
      ...van,
      parts: van.parts.map((part) =>
        part.id === 'surround'
          ? {
              ...part,
              rests: [
                { level: 'free' as const, how: 'hinged' as const, note: '' },
                { level: 'free' as const, how: 'on a cloth' as const, note: '' },
              ],
            }
          : part,
      ),
    }
    const rested = said(twice, ['hangs on its leads'], 'surround')
    expect(rested.document.parts.find(({ id }) => id === 'surround')!.rests.map(({ how }) => how)).toEqual([
      'hinged',
      'on a cloth',
    ])
    expect(rested.placed[0]!.unplaced.map(({ because }) => because.kind)).toEqual(['rests already'])
  })
  test('a field of a part holds on every vehicle: with a condition it is refused', () => {
    const { placed } = said(van, ['if automatic: pull up'], 'surround')
    expect([placed[0]!.edits, placed[0]!.unplaced.map(({ because }) => because.kind)]).toEqual([
      [],
      ['not conditional'],
    ])
  })
  test('what has no place says why', () => {
    const because = (line: string, inHand: string | null) =>
      said(van, [line], inHand).placed[0]!.unplaced.map(({ because: { kind } }) => kind)
    expect([
      because('4 T20', null),
      because('some clips', 'surround'),
      because('column down', 'surround'),
      because('if power seats: 2 T20', 'surround'),
      because('same other side', 'surround'),
    ]).toEqual([['no part'], ['no count'], ['no setting'], ['no facet'], ['not here']])
  })
})

describe('what else a line says of a thing', () => {
  const van = panelVan()
  const kinds = ({ unplaced }: PlacedFacts) => unplaced.map(({ because }) => because.kind)
  test('of fasteners: torque, either head, single use, by feel; a count nobody is sure of is not counted', () => {
    const { document } = said(EMPTY, [
      'seat: 4 bolts T50, 45 Nm, new each time',
      'cover: about 3 screws T15 or PH2, by feel',
    ])
    expect(document.holders).toMatchObject([
      { count: 4, howMany: 'counted', torqueNm: 45, reuse: 'single use' },
      { count: 3, howMany: 'about', drives: [{ size: 'T15' }, { size: 'PH2' }], reach: { by: 'feel' } },
    ])
  })
  test('of plugs: by feel, a short lead, how many', () => {
    const { document } = said(EMPTY, ['panel: unplug usb, short lead, by feel', 'panel: climate 2 conns, tab top'])
    expect(document.tethers).toMatchObject([
      { name: 'usb', mustOpenFor: 'free', reach: { by: 'feel' } },
      { name: 'climate', note: '2 plugs', tabSide: 'top' },
    ])
  })
  test('cautions bite at their part; behind an airbag’s it is a warning', () => {
    const { document } = said(EMPTY, ['pillar trim: airbag behind', 'exhaust hot'])
    expect(document.cautions.map(({ severity }) => severity)).toEqual(['WARNING', 'CAUTION'])
    expect(document.cautions[0]!.at.itemId).toBe(document.parts.find(({ name }) => name === 'Pillar trim')!.id)
  })
  test('“no, seven clips not nine”: the one group there is of that kind is changed, and none is added', () => {
    const before = van.holders.length
    const { document, placed } = said(van, ['no, seven clips not nine'], 'surround')
    expect([document.holders.length, kinds(placed[0]!)]).toEqual([before, []])
    expect(document.holders.find(({ kind, holds }) => kind === 'spring clip' && holds[0] === 'surround')!.count).toBe(7)
    expect(kinds(said(van, ['no, seven well nuts'], 'surround').placed[0]!)).toEqual(['corrects'])
  })
  test('what is of this vehicle, how long to wait, what only undo can do: said so, and the wait is left as it is', () => {
    const because = (line: string) => kinds(said(van, [line], 'surround').placed[0]!)
    expect([because('1 clip broken'), because('scratch that'), because('test the hazard switch')]).toEqual([
      ['this vehicle only'],
      ['take back'],
      ['not here'],
    ])
    const { document, placed } = said(van, ['battery off, wait 1 min'], 'surround')
    expect([kinds(placed[0]!), document.settings]).toEqual([['wait'], van.settings])
  })
})

test('what is like another thing that must not be done is one more; the same again is not', () => {
  const { document } = said(EMPTY, [
    'vent: never bend the fins nearby',
    'vent: never bend the fins',
    'vent: never bend the fins',
  ])
  expect(document.parts[0]!.release.mustNot).toBe('never bend the fins nearby, never bend the fins')
})

describe('more than a field holds', () => {
  const never = Array.from({ length: 12 }, (_, i) => `vent: never lever against edge ${'number '.repeat(2)}${i + 1}`)
  test('is said to find no room; what stood there stays, and the draft is one that is taken', () => {
    const { document, placed } = said(EMPTY, ['vent: 2 clips', ...never])
    const refused = placed.flatMap(({ unplaced }) => unplaced.map(({ because }) => because.kind))
    expect(refused.length).toBeGreaterThan(0)
    expect(new Set(refused)).toEqual(new Set(['no room']))
    const kept = document.parts[0]!.release.mustNot
    expect(kept.split(', ')).toHaveLength(never.length - refused.length)
    expect(ProcedureDocument.safeParse(document).success).toBe(true)
  })
  test('ways to come off, one after another, likewise', () => {
    const moves = ['up', 'down', 'inboard', 'outboard', 'rearward', 'up', 'down', 'inboard', 'outboard', 'rearward']
    const { placed } = said(EMPTY, ['vent: 2 clips', `vent: ${moves.map((to) => `pull ${to}`).join(', ')}`])
    expect(placed[1]!.unplaced).toMatchObject([{ because: { kind: 'no room' } }])
  })
})
