import { expect, test } from '@jest/globals'
import {
  ACTS,
  actOf,
  ALL_ACTS,
  CAUTION_ACTS,
  DEPENDENT_ACTS,
  keyOf,
  RULE_ACTS,
  splitKey,
  turnedRound,
  type Act,
} from './acts'

/** Written out a second time, by hand: what each act is done to, on which way, and what takes it back. */
test.each([
  ['undo', 'holder', 'in', 'fasten', undefined],
  ['ease', 'part', 'in', 'seat', 'eased'],
  ['release', 'part', 'in', 'seat', 'free'],
  ['open', 'tether', 'in', 'close', undefined],
  ['lift', 'part', 'in', 'place', 'off'],
  ['fasten', 'holder', 'out', 'undo', undefined],
  ['start', 'holder', 'out', 'undo', undefined],
  ['seat', 'part', 'out', 'release', undefined],
  ['close', 'tether', 'out', 'open', undefined],
  ['place', 'part', 'out', 'lift', undefined],
  ['feed', 'tether', 'out', 'open', undefined],
  ['set', 'setting', 'between', 'restore', undefined],
  ['restore', 'setting', 'between', 'set', undefined],
  ['work', 'work', 'between', null, undefined],
  ['test', 'function', 'between', null, undefined],
  ['decide', 'facet', 'between', null, undefined],
  ['wait', 'wait', 'between', null, undefined],
] as const)('%s is done to a %s on the way %s, and %s takes it back', (act, of, way, mirror, brings) => {
  expect(actOf(act)).toMatchObject({ of, way, mirror })
  expect(actOf(act).brings).toBe(brings)
})
test('no act is missing above', () => expect(ALL_ACTS).toHaveLength(17))

test('what goes in comes back by an act of the way out on the same kind of thing', () => {
  for (const act of ALL_ACTS)
    if (actOf(act).way !== 'between') {
      const mirror = actOf(act).mirror as Act
      expect([act, actOf(mirror).of]).toEqual([act, actOf(act).of])
      expect(actOf(mirror).way).not.toBe(actOf(act).way)
    }
  expect((['undo', 'ease', 'release', 'open', 'lift'] as const).map(turnedRound)).toEqual([
    'fasten',
    'seat',
    'seat',
    'close',
    'place',
  ])
})
test('the lists that records and shops are written with: none may lose an entry', () => {
  expect([...DEPENDENT_ACTS].sort()).toEqual(
    ['undo', 'ease', 'release', 'lift', 'open', 'method', 'place', 'seat', 'close', 'fasten', 'test'].sort(),
  )
  expect([...CAUTION_ACTS].sort()).toEqual(
    ['any', 'undo', 'ease', 'release', 'lift', 'open', 'close', 'place', 'seat', 'fasten', 'set', 'test'].sort(),
  )
  expect([...RULE_ACTS].sort()).toEqual(
    Object.keys(ACTS)
      .filter((act) => !['restore', 'decide', 'wait'].includes(act))
      .concat('power', 'lay')
      .sort(),
  )
})
test('a key is taken apart as it was put together', () => {
  for (const act of ALL_ACTS) expect(splitKey(keyOf(act, 'part-1.a'))).toEqual([act, 'part-1.a'])
  expect(splitKey(keyOf('close', 'hazard', 'test'))).toEqual(['close', 'hazard'])
  expect(splitKey('set:lever=out of park by m2')).toEqual(['set', 'lever'])
})
