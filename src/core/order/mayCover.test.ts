import { expect, test } from '@jest/globals'
import { emptyDocument } from '../procedure/document'
import { applyEdits } from '../procedure/edit'
import { Holder } from '../procedure/holder'
import { Need } from '../procedure/need'
import { Part } from '../procedure/part'
import { coverEdits, mayCover } from './mayCover'

const document = emptyDocument('Bench model')
for (const id of ['trim', 'lid', 'unit'])
  document.parts.push(
    Part.parse({ id, name: id, station: 'centre', rests: id === 'lid' ? [{ level: 'free', how: 'hinged' }] : [] }),
  )
document.holders.push(
  Holder.parse({ id: 'screws', kind: 'machine screw', count: 2, holds: ['unit'] }),
  Holder.parse({ id: 'own', kind: 'machine screw', count: 2, holds: ['trim'] }),
)

test.each([
  ['lift:trim', 'undo:screws', { partId: 'trim', holderId: 'screws' }],
  ['release:lid', 'undo:screws', { partId: 'lid', holderId: 'screws' }],
  ['lift:trim', 'undo:own', null],
  ['undo:own', 'undo:screws', null],
  ['lift:trim', 'release:unit', null],
  ['lift:gone', 'undo:screws', null],
])('%s before %s', (before, after, expected) => expect(mayCover(document, { before, after })).toEqual(expected))

test('"it covers them": as far as it has to go, in the place of the order that nobody had explained', () => {
  document.needs.push(
    Need.parse({
      id: 'seen',
      dependent: { act: 'undo', id: 'screws' },
      needs: { kind: 'operation', act: 'lift', id: 'trim' },
      reason: 'observed',
    }),
  )
  const needs = (partId: string, needId: string | null) => {
    const after = applyEdits(
      document,
      coverEdits(document, { partId, holderId: 'screws' }, needId, () => 'new'),
    )
    if (!after.ok) throw new Error('refused')
    return after.value.document.needs
  }
  expect(needs('trim', 'seen')).toMatchObject([
    { id: 'new', reason: 'covers', needs: { partId: 'trim', level: 'off' } },
  ])
  expect(needs('lid', null)).toMatchObject([
    { id: 'seen' },
    { id: 'new', reason: 'covers', needs: { partId: 'lid', level: 'free' } },
  ])
})
