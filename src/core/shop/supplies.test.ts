import { expect, test } from '@jest/globals'
import { RADIO, RADIO_KIT } from '../testing/radioKit.testing'
import { Kit } from './kit'
import type { FittedKit } from './kitHere'
import { suppliesNeeded } from './supplies'

const of = (kit: object): FittedKit => ({ ...RADIO, kit: Kit.parse({ id: 'k', name: 'Kit', ...kit }) })
const needed = (fitted: FittedKit, build = {}) =>
  Object.fromEntries(suppliesNeeded([fitted], build).map(({ itemId, needed, listed }) => [itemId, [needed, listed]]))

test('a display with 4 screws and 6 clips, brackets of 2 and 2, a unit of 4: 12 screws and 6 clips', () => {
  const needs = suppliesNeeded([RADIO], { audio: 'plain', family: 'plain-unit' }).filter(({ of }) => of === 'holder')
  const sum = (kind: string) =>
    needs.filter(({ name }) => name === kind).reduce((total, { needed }) => total + needed, 0)
  expect([sum('machine screw'), sum('spring clip')]).toEqual([12, 6])
  expect(needs.every(({ needed, listed }) => needed === listed)).toBe(true)
})
test('brackets with 4 holes each of which 3 are used leave 2 screws over', () => {
  const steps = ['left', 'right'].map((side) => ({ id: side, act: 'fasten', itemId: `${side}-screws`, count: 3, side }))
  const kit = of({
    parts: ['left', 'right'].map((id) => ({ id, name: `${id} bracket` })),
    holders: ['left', 'right'].map((id) => ({ id: `${id}-screws`, kind: 'machine screw', count: 4, holds: [id] })),
    works: [{ id: 'w', name: 'Brackets', steps }],
  })
  const left = suppliesNeeded([kit], {}).reduce(
    (sum, { listed, needed, of: kind }) => sum + (kind === 'holder' ? listed - needed : 0),
    0,
  )
  expect(left).toBe(2)
})
test('what is started and then made snug is the same screws; a second piece of work uses its own', () => {
  const step = (id: string, stage: string, count: number) => ({ id, act: 'fasten', itemId: 'screws', stage, count })
  const kit = of({
    holders: [{ id: 'screws', kind: 'machine screw', count: 9, holds: [] }],
    works: [
      { id: 'w1', name: 'One', steps: [step('a', 'started', 4), step('b', 'adjusted', 2), step('c', 'snug', 4)] },
      { id: 'w2', name: 'Two', steps: [step('d', 'started', 3)] },
    ],
  })
  expect(needed(kit).screws).toEqual([7, 9])
})
test('one group in two steps of one stage is used twice', () => {
  const step = (id: string, side: string) => ({ id, act: 'fasten', itemId: 'screws', count: 2, side })
  const kit = of({
    holders: [{ id: 'screws', kind: 'machine screw', count: 4, holds: [] }],
    works: [{ id: 'w', name: 'Both sides', steps: [step('a', 'left'), step('b', 'right')] }],
  })
  expect(needed(kit).screws).toEqual([4, 4])
})
test('a thing that no step names is fitted whole', () => {
  expect(needed(of({ parts: [{ id: 'p', name: 'Pads', count: 3 }] })).p).toEqual([3, 3])
})
test('what is for another build is listed nowhere and needed nowhere; what nobody has told is both', () => {
  expect(needed(RADIO, { audio: 'plain' })['k-amp-lead']).toEqual([0, 0])
  expect(needed(RADIO, { audio: 'amplified' })['k-amp-lead']).toEqual([1, 1])
  expect(needed(RADIO)['k-amp-lead']).toEqual([1, 1])
  expect(suppliesNeeded([RADIO], {})).toHaveLength(RADIO_KIT.parts.length + RADIO_KIT.holders.length)
})
