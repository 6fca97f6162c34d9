import { describe, expect, test } from '@jest/globals'
import { emptyDocument } from '../procedure/document'
import { Holder } from '../procedure/holder'
import { Part } from '../procedure/part'
import { Tether } from '../procedure/tether'
import type { Happening } from '../job/event'
import { looseEndsOf, offeredFor, underCover } from './looseEnds'
import { Recorder } from './recorder.testing'

const document = {
  ...emptyDocument('Strip'),
  parts: ['cap', 'panel', 'unit'].map((id) => Part.parse({ id, name: id, station: 'centre' })),
  holders: [
    Holder.parse({ id: 'loose', kind: 'machine screw', count: 2, holds: [] }),
    Holder.parse({ id: 'held', kind: 'machine screw', count: 2, holds: ['panel'] }),
  ],
  tethers: [
    Tether.parse({ id: 'lead', name: 'lead', partId: null }),
    Tether.parse({ id: 'tied', name: 'tied', partId: 'panel' }),
  ],
}
const undone = (holderId: string, count = 2): Happening => ({ kind: 'undone', holderId, count })
const off = (partId: string): Happening => ({ kind: 'part at', partId, level: 'off' })
function after(...happenings: Happening[]) {
  const r = new Recorder(document)
  r.happen(...happenings)
  return r.state
}
const ends = (...happenings: Happening[]) =>
  looseEndsOf(document, after(...happenings)).map(({ kind, id }) => `${kind} ${id}`)

describe('loose is what is out and nobody has said what for', () => {
  test('a group that holds nothing, a plug that ties nothing, while they are out', () => {
    expect(
      ends(undone('loose'), undone('held'), { kind: 'opened', tetherId: 'lead' }, { kind: 'opened', tetherId: 'tied' }),
    ).toEqual(['holder loose', 'tether lead'])
    expect(ends({ kind: 'opened', tetherId: 'lead' }, { kind: 'closed', tetherId: 'lead' })).toEqual([])
    expect(ends()).toEqual([])
  })
  test('a group that went back is loose no more, with old ones or with new ones', () => {
    expect(ends(undone('loose'), { kind: 'fastened', holderId: 'loose', count: 2, stage: 'final' })).toEqual([])
    expect(ends(undone('loose'), { kind: 'fastened', holderId: 'loose', count: 1, stage: 'final' })).toEqual([
      'holder loose',
    ])
    expect(ends(undone('loose'), { kind: 'new fitted', holderId: 'loose', count: 2, insteadOf: 'old' })).toEqual([])
  })
  test('a cover counts once something else came off after it, and not for its own screws and plugs', () => {
    expect(ends(off('panel'))).toEqual([])
    expect(ends(off('panel'), undone('held'), { kind: 'opened', tetherId: 'tied' })).toEqual([])
    expect(ends(off('cap'), off('panel'))).toEqual(['cover cap'])
    expect(ends(off('cap'), off('panel'), { kind: 'order means nothing', itemId: 'cap' })).toEqual([])
    expect(ends({ kind: 'already off', itemId: 'cap' }, off('cap'), off('panel'))).toEqual([])
  })
  test('in the order in which they came off', () => {
    expect(ends({ kind: 'opened', tetherId: 'lead' }, off('cap'), undone('loose'))).toEqual([
      'tether lead',
      'cover cap',
      'holder loose',
    ])
  })
})
test('offered for a part is what was loose before it, not itself and not what came after', () => {
  const state = after(undone('loose'), off('panel'), { kind: 'opened', tetherId: 'lead' }, off('unit'))
  expect(offeredFor(document, state, 'panel').map(({ id }) => id)).toEqual(['loose'])
  expect(offeredFor(document, state, 'unit').map(({ id }) => id)).toEqual(['loose', 'panel', 'lead'])
})
test('under a cover lies what was undone after it, before anything else moved', () => {
  const under = (...happenings: Happening[]) => underCover(document, after(...happenings), 'cap').map(({ id }) => id)
  expect(under(off('cap'), undone('loose'))).toEqual(['loose'])
  expect(under(undone('loose'), off('cap'))).toEqual([])
  expect(under(off('cap'), off('panel'), undone('loose'))).toEqual([])
})
