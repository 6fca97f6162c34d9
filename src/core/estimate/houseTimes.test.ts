import { describe, expect, test } from '@jest/globals'
import { Holder } from '../procedure/holder'
import { HOLDER_KINDS, type HolderKind } from '../procedure/holderKinds'
import { Part } from '../procedure/part'
import { LATCHES, Tether } from '../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { groupS, pressTool, pullS, pullTool, tetherS, toolFor } from './houseTimes'

// Figures that are all different, so that a sum tells what it is made of.
const HOUSE = {
  ...DEFAULT_HOUSE_VALUES,
  ...{ actS: 1_000, screwS: 100, clipS: 10, unseenMoreS: 1, hardMoreS: 20_000, slowLatchMoreS: 300_000 },
  threadedMoreS: 4_000_000,
}
const holder = (kind: HolderKind, more: object = {}) => Holder.parse({ id: 'h', kind, count: 3, holds: ['p'], ...more })
const part = (release: object) => Part.parse({ id: 'p', name: 'Panel', station: 'centre', release })
const tether = (more: object) => Tether.parse({ id: 't', name: 'plug', partId: 'p', ...more })

/** Written out a second time, by hand. */
const THREADED = [
  // A slide-on clip nut is slid on and off.
  ...['machine screw', 'self-tapping screw', 'bolt', 'nut', 'plastic nut', 'rivet nut', 'well nut'],
]

describe('a group of fasteners', () => {
  test.each(HOLDER_KINDS)('%s: each by the screw or by the clip', (kind) =>
    expect(groupS(HOUSE, holder(kind))).toBe(3 * (THREADED.includes(kind) ? 100 : 10)),
  )
  test('each takes longer where nobody sees it', () => {
    expect(groupS(HOUSE, holder('bolt', { reach: { by: 'feel' } }))).toBe(3 * 101)
    expect(groupS(HOUSE, holder('spring clip', { reach: { by: 'feel' } }))).toBe(3 * 11)
  })
})

describe('a plug', () => {
  const SLOW = ['sliding lock', 'spring-loaded collar', 'screw', 'ground stud']
  test.each(LATCHES)('%s: by its latch', (latch) =>
    expect(tetherS(HOUSE, tether({ latch }))).toBe(
      1_000 + (latch === 'threaded' ? 4_000_000 : SLOW.includes(latch) ? 300_000 : 0),
    ),
  )
  test('nobody knows how it is latched: nothing more', () => expect(tetherS(HOUSE, tether({}))).toBe(1_000))
  test('hard or sticky takes longer, and so does what nobody sees', () => {
    const by = (more: object) => tetherS(HOUSE, tether(more))
    expect(['light', 'firm', 'hard', 'sticky'].map((effort) => by({ effort }))).toEqual([1_000, 1_000, 21_000, 21_000])
    expect(by({ reach: { by: 'feel' }, effort: 'hard', latch: 'screw' })).toBe(321_001)
  })
})

test('a pull: one act, more where it is hard', () => {
  expect(['light', 'firm', 'hard', 'sticky'].map((effort) => pullS(HOUSE, part({ effort })))).toEqual([
    ...[1_000, 1_000, 21_000, 21_000],
  ])
})

describe('the tool in hand', () => {
  const PRIED = ['spring clip', 'fir-tree clip', 'push-pin', 'expanding rivet', 'stud and grommet', 'adhesive']
  test.each(HOLDER_KINDS)('%s without a head', (kind) => {
    const tool = PRIED.includes(kind) ? 'pry tool' : kind === 'cable tie' ? 'side cutters' : 'hand'
    expect(toolFor(holder(kind))).toBe(tool)
  })
  test('the driver for the head, whatever the kind; of a slot no size', () => {
    const with_ = (drive: string, size: string, kind: HolderKind = 'bolt') =>
      toolFor(holder(kind, { drives: [{ drive, size }] }))
    expect([
      with_('six-lobe', 'T20'),
      with_('hex', '10'),
      with_('slot', ''),
      with_('cross', 'PH2', 'push-pin'),
    ]).toEqual([...['six-lobe T20', 'hex 10', 'slot', 'cross PH2']])
  })
  const clip = holder('spring clip')
  const tape = holder('adhesive')
  const loop = holder('hook-and-loop')
  test('to pull: what the release says, else what its clips take', () => {
    expect(pullTool(part({ tool: 'hook' }), [clip])).toBe('hook')
    expect(pullTool(part({}), [loop, clip])).toBe('pry tool')
    expect(pullTool(part({}), [tape])).toBe('pry tool')
    expect([pullTool(part({}), [loop]), pullTool(part({}), [])]).toEqual(['hand', 'hand'])
  })
  test('to press home: what its clips take; what sticks takes bare hands', () => {
    expect(pressTool([loop, clip])).toBe('pry tool')
    expect([pressTool([tape]), pressTool([loop]), pressTool([])]).toEqual(['hand', 'hand', 'hand'])
  })
})
