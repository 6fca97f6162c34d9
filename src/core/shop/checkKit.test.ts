import { describe, expect, test } from '@jest/globals'
import { RADIO_FIT, RADIO_KIT } from '../testing/radioKit.testing'
import { smallDash } from '../testing/smallDash.testing'
import { checkFit } from './checkFit'
import { checkKit, refusesKit } from './checkKit'
import { Kit } from './kit'
import { KitFit } from './kitFit'

const kit = (works: [id: string, ...after: string[]][], more: object = {}) =>
  Kit.parse({ id: 'k', name: 'Kit', works: works.map(([id, ...afterWork]) => ({ id, name: id, afterWork })), ...more })
const kinds = (of: Kit) =>
  checkKit(of).map((problem) => `${problem.kind} ${'workId' in problem ? problem.workId : ''}`.trim())

test('a lead that passes an opening is led through before it is plugged: in that work, or in one that comes first', () => {
  const through = RADIO_KIT.plugs.map((plug) => (plug.id === 'k-power' ? { ...plug, leadThrough: 'the frame' } : plug))
  const led = { id: 'l', act: 'lead through', itemId: 'k-power' }
  const said = (change: (work: Kit['works'][number]) => object) =>
    checkKit(Kit.parse({ ...RADIO_KIT, plugs: through, works: RADIO_KIT.works.map(change) })).map(({ kind }) => kind)
  const inWork = (id: string, at: 'first' | 'last') => (work: Kit['works'][number]) =>
    work.id === id ? { ...work, steps: at === 'first' ? [led, ...work.steps] : [...work.steps, led] } : work
  expect(said((work) => work)).toContain('plugged before it is led through')
  expect(said(inWork('w-unit', 'last'))).toContain('plugged before it is led through')
  expect(said(inWork('w-display', 'first'))).toContain('plugged before it is led through')
  expect(said(inWork('w-unit', 'first'))).not.toContain('plugged before it is led through')
  expect(said(inWork('w-brackets', 'first'))).not.toContain('plugged before it is led through')
})
test('work in a line, or coming together, is sound', () => {
  expect(kinds(kit([['a'], ['b', 'a'], ['c', 'a', 'b']]))).toEqual([])
})
test('work that waits for itself is found, directly and round a circle; what only hangs on a circle is not in it', () => {
  expect(kinds(kit([['a', 'a']]))).toEqual(['work after itself a'])
  expect(
    kinds(
      kit([
        ['a', 'c'],
        ['b', 'a'],
        ['c', 'b'],
        ['d', 'a'],
      ]),
    ),
  ).toEqual(['work after itself a', 'work after itself b', 'work after itself c'])
})
test('what it comes after has to be in the kit, for work and for what is tested', () => {
  expect(checkKit(kit([['a', 'gone']]))).toEqual([{ kind: 'no such work', workId: 'gone', in: 'a' }])
  const functions = [{ id: 'f', name: 'Recorder', afterWork: ['a', 'gone'] }]
  expect(checkKit(kit([['a']], { functions }))).toEqual([{ kind: 'no such work', workId: 'gone', in: 'Recorder' }])
})
test('a signal is never bypassed', () => {
  const works = [
    { id: 'a', name: 'Bypass', kind: 'bypass a signal' },
    { id: 'b', name: 'Mount', kind: 'mount' },
  ]
  expect(checkKit(Kit.parse({ id: 'k', name: 'Kit', works }))).toEqual([{ kind: 'bypass', workId: 'a' }])
})

/** The radio kit with one thing wrong. */
const wrong = (more: object) => checkKit(Kit.parse({ ...RADIO_KIT, ...more }))
const works = (steps: object[]) => ({ works: [...RADIO_KIT.works, { id: 'w-more', name: 'More', steps }] })
const step = (more: object) => ({ id: 'x', ...more })

describe('what keeps a kit from being kept, and what is only told', () => {
  test('the radio kit is sound', () => expect(wrong({})).toEqual([]))
  test.each<[string, object, object]>([
    [
      'a holder of a part that is not there',
      { parts: RADIO_KIT.parts.filter(({ id }) => id !== 'k-unit') },
      { kind: 'no such thing', id: 'k-unit' },
    ],
    [
      'two things of one mark',
      { parts: [...RADIO_KIT.parts, RADIO_KIT.parts[0]] },
      { kind: 'same id twice', id: 'k-display' },
    ],
    [
      'a step about a thing that is gone',
      works([step({ act: 'fit', itemId: 'gone' })]),
      { kind: 'no such thing', id: 'gone', in: 'More' },
    ],
    [
      'fastening a part',
      works([step({ act: 'fasten', itemId: 'k-unit' })]),
      { kind: 'step of the wrong kind', in: 'More' },
    ],
    ['plugging a screw', works([step({ act: 'plug', itemId: 'k-unit-screws' })]), { kind: 'step of the wrong kind' }],
    [
      'looking at a thing by its id',
      works([step({ act: 'look at', itemId: 'k-unit' })]),
      { kind: 'step of the wrong kind' },
    ],
    [
      'a condition on a choice of the kit that is gone',
      { functions: [{ ...RADIO_KIT.functions[0], when: { family: ['third'] } }] },
      { kind: 'no such choice', facetId: 'family' },
    ],
    [
      'a value that is none of the values',
      { settings: [{ ...RADIO_KIT.settings[0], values: ['0000', '0110'] }] },
      { kind: 'no such value', value: '0111' },
    ],
  ])('%s refuses it', (_, more, problem) => {
    expect(wrong(more)).toEqual(expect.arrayContaining([expect.objectContaining(problem)]))
    expect(wrong(more).some(refusesKit)).toBe(true)
  })
  test.each<[string, object, object]>([
    [
      'more screws used than there are',
      {
        holders: RADIO_KIT.holders.map((group) => (group.id === 'k-unit-screws' ? { ...group, count: 3 } : group)),
        works: RADIO_KIT.works.map((work) => ({
          ...work,
          steps: work.steps.map((one) => (one.itemId === 'k-unit-screws' ? { ...one, count: 4 } : one)),
        })),
      },
      { kind: 'more used than there are', needed: 4, listed: 3 },
    ],
    [
      'a plug that no step plugs',
      { plugs: [...RADIO_KIT.plugs, { id: 'k-more', name: 'more', partId: 'k-unit' }] },
      { kind: 'plug in no step', itemId: 'k-more' },
    ],
    [
      'a setting nobody could compare',
      { settings: [{ ...RADIO_KIT.settings[0], expected: [] }] },
      { kind: 'setting without a value', itemId: 'k-switches' },
    ],
  ])('%s is told, and refuses nothing', (_, more, problem) => {
    expect(wrong(more)).toEqual([expect.objectContaining(problem)])
    expect(wrong(more).some(refusesKit)).toBe(false)
  })
  test('what refuses it is told first', () => {
    const both = wrong({
      ...works([step({ act: 'fit', itemId: 'gone' })]),
      settings: [{ ...RADIO_KIT.settings[0], expected: [] }],
    })
    expect(both.map(({ kind }) => kind)).toEqual(['no such thing', 'setting without a value'])
  })
  test('a condition on a facet of the vehicle is the fit’s business', () => {
    expect(wrong({ functions: [{ ...RADIO_KIT.functions[0], when: { gearbox: ['manual'] } }] })).toEqual([])
  })
})

describe('where a kit and a model do not meet', () => {
  const dash = smallDash()
  const kindsOf = (fit: object, kit = RADIO_KIT) =>
    checkFit(kit, KitFit.parse({ ...RADIO_FIT, ...fit }), dash).map(({ kind }) => kind)
  // The dash does not ask for its audio: the kit's conditions on it are told.
  const AUDIO = RADIO_KIT.parts.filter(({ when }) => 'audio' in when).length
  test('conditions on a question the model does not ask', () => {
    expect(
      checkFit(RADIO_KIT, RADIO_FIT, dash).filter(({ kind }) => kind === 'no such facet').length,
    ).toBeGreaterThanOrEqual(AUDIO)
  })
  test.each([
    ['a cavity it does not have', { access: { 'w-unit': [{ kind: 'cavity', cavityId: 'gone' }] } }, 'no such place'],
    [
      'a part it does not have',
      { access: { 'w-unit': [{ kind: 'part', partId: 'gone', level: 'off' }] } },
      'no such place',
    ],
    ['an end of something that is gone', { endings: [{ itemId: 'gone', ending: 'replaced' }] }, 'no such end'],
    ['a function that is gone', { functionsTaken: ['gone'] }, 'no such function'],
  ])('%s', (_, fit, kind) => {
    expect(kindsOf(fit)).toContain(kind)
    expect(kindsOf({})).not.toContain(kind)
  })
})
