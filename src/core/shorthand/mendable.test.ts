import { describe, expect, test } from '@jest/globals'
import { COMMON_HEADS } from '../procedure/heads'
import { COUNTS, mendableOf } from './mendable'
import { Fact } from './meaning'
import { understand } from './understand'

const field = (line: string, name: string) =>
  mendableOf(understand(line).facts[0]!).find((each) => each.field === name)!
const tapped = (line: string, name: string, value: string | number) =>
  field(line, name).choices!.find((choice) => choice.value === value)!.fact

describe('what is said of a fact is said otherwise', () => {
  test.each([
    ['about 6 clips', 'count', 9, { fact: 'holder', kind: 'spring clip', count: 9 }],
    ['2 T20', 'head', 'cross PH2', { fact: 'holder', kind: 'machine screw', count: 2, drive: 'cross', size: 'PH2' }],
    ['2 T20', 'head', 'slot', { fact: 'holder', kind: 'machine screw', count: 2, drive: 'slot' }],
    ['9 clips', 'kind', 'push-pin', { fact: 'holder', kind: 'push-pin', count: 9 }],
    ['pull up', 'to', 'down', { fact: 'release', motions: [{ move: 'pull', to: 'down' }] }],
    ['slide up, pull left side', 'effort', 'hard', { effort: 'hard' }],
    ['unplug hazard', 'leave', 'stays plugged', { fact: 'plug', name: 'hazard', leave: true }],
    ['leave hazard plugged', 'leave', 'unplugged', { fact: 'plug', name: 'hazard' }],
    ['two people', 'count', 3, { fact: 'persons', count: 3 }],
    ['hangs on its leads', 'how', 'on a cloth', { fact: 'rests', how: 'on a cloth' }],
  ] as const)('%s: %s %s', (line, name, value, fact) => {
    expect(tapped(line, name, value)).toMatchObject(fact)
    expect(Object.keys(tapped(line, name, value))).not.toContain('unsure')
  })
  test('leaving it plugged is taken back whole', () => {
    expect(tapped('leave hazard plugged', 'leave', 'unplugged')).not.toHaveProperty('leave')
    expect(tapped('2 T20', 'head', 'slot')).not.toHaveProperty('size')
  })
  test('words are typed; none leaves the field out where it may be', () => {
    expect(field('2 T20 behind liner', 'where').typed('upper row')).toMatchObject({ where: 'upper row' })
    expect(field('2 T20 top', 'where').typed(' ')).not.toHaveProperty('where')
    expect(field('unplug hazard', 'name').typed('')).toBeNull()
    expect(field('9 clips', 'count').typed('14')).toMatchObject({ count: 14 })
    for (const odd of ['0', '-1', '2.5', 'many', ''])
      expect([odd, field('9 clips', 'count').typed(odd)]).toEqual([odd, null])
    expect(field('2 T20', 'head').typed('t27')).toMatchObject({ drive: 'six-lobe', size: 'T27' })
    expect(field('2 T20', 'head').typed('ph3')).toMatchObject({ drive: 'cross', size: 'PH3' })
    expect(field('2 T20', 'head').typed('hex 11')).toMatchObject({ drive: 'hex', size: '11' })
    expect(field('2 T20', 'head').typed('whatever')).toBeNull()
  })
  test('what it is now is marked', () => {
    expect(field('2 T20', 'head').now).toBe('six-lobe T20')
    expect(field('pull up', 'to').now).toBe('up')
    expect(field('unplug hazard', 'leave').now).toBe('unplugged')
    expect(field('clips', 'count').now).toBe('')
  })
})

test('every tap makes a fact that there is, and each says something else', () => {
  const lines = ['2 T20', 'pull up', 'unplug hazard', 'two people', 'press fit', 'hangs on its leads', 'clip broken']
  for (const line of lines)
    for (const { field: name, choices } of mendableOf(understand(line).facts[0]!)) {
      if (choices === null) continue
      expect([line, name, choices.every(({ fact }) => Fact.safeParse(fact).success)]).toEqual([line, name, true])
      expect(new Set(choices.map(({ fact }) => JSON.stringify(fact))).size).toBe(choices.length)
    }
  expect(field('2 T20', 'count').choices).toHaveLength(COUNTS.length)
  expect(field('2 T20', 'head').choices).toHaveLength(COMMON_HEADS.length)
})
