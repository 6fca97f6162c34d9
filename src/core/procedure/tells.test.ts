import { describe, expect, test } from '@jest/globals'
import { Facet } from './facet'
import { buildByTells, likelyChoices, toldByTells, trustIn } from './tells'

const tell = (id: string, right: number, seen: number) => ({ id, words: id, right, seen })
const audio = (amplified: ReturnType<typeof tell>[], plain: ReturnType<typeof tell>[] = [], more: object[] = []) =>
  Facet.parse({
    id: 'audio',
    name: 'Audio',
    choices: [
      { id: 'amplified', name: 'amplified', tells: amplified },
      { id: 'plain', name: 'plain', tells: plain },
      ...more,
    ],
  })
const nineOfTen = ['four speaker leads', 'a subwoofer', 'a maker’s badge'].map((id) =>
  tell(id.replace(/\W/g, '-'), 9, 10),
)
const ids = (facet: Facet) => facet.choices.flatMap(({ tells }) => tells.map(({ id }) => id))
const pOf = (facet: Facet, seen: string[]) => likelyChoices(facet, new Set(seen))!.map(({ p }) => p)

describe('amplified or not, by tells that were right nine times in ten', () => {
  const facet = audio(nineOfTen)
  test.each([
    [0, 0.5],
    [1, 0.9],
    [2, 0.988],
    [3, 0.999],
  ])('%i of them make %f', (count, p) => {
    expect(pOf(facet, ids(facet).slice(0, count))[0]).toBeCloseTo(p, 3)
  })
  test.each([
    [1, 'to be verified'],
    [2, 'to be verified'],
    [3, 'settled'],
  ])('%i of them: %s at the threshold of the house', (count, kind) => {
    expect(toldByTells(facet, new Set(ids(facet).slice(0, count)), 0.99)).toMatchObject({ kind, choiceId: 'amplified' })
  })
})
test('odds multiply, whatever their order (Bayes: the odds of 3 to 1, then of 4 to 1, are 12 to 1)', () => {
  const facet = audio([tell('a', 3, 4), tell('b', 4, 5)])
  expect(pOf(facet, ['a', 'b'])[0]).toBeCloseTo(12 / 13, 10)
  expect(pOf(facet, ['b', 'a'])).toEqual(pOf(facet, ['a', 'b']))
})
test('with three choices the others share what a tell leaves', () => {
  const facet = audio([tell('a', 8, 10)], [], [{ id: 'third', name: 'third' }])
  expect(pOf(facet, ['a'])).toEqual([0.8, expect.closeTo(0.1, 10), expect.closeTo(0.1, 10)])
})
test('what was always right is not certain: one of one says nothing, ten of ten are not enough', () => {
  expect(trustIn({ seen: 1, right: 1 })).toBe(0.5)
  expect(toldByTells(audio([tell('a', 10, 10)]), new Set(['a']), 0.99)).toMatchObject({ kind: 'to be verified' })
})
test('a tell that was mostly wrong speaks for the other choice', () => {
  expect(toldByTells(audio([tell('a', 1, 10)]), new Set(['a']), 0.99)).toMatchObject({ choiceId: 'plain', p: 0.9 })
})
test('tells of both choices contradict each other, however many speak for one', () => {
  const facet = audio(nineOfTen, [tell('no-amplifier', 9, 10)])
  expect(toldByTells(facet, new Set(ids(facet)), 0.5)).toEqual({ kind: 'contradict', tellIds: ids(facet) })
})
test('a tell of another facet says nothing here', () => {
  expect(toldByTells(audio(nineOfTen), new Set(['elsewhere']), 0.5)).toEqual({ kind: 'none seen' })
})
test('a tell can’t have been right more often than it was seen', () => {
  expect(() => audio([tell('a', 3, 2)])).toThrow(/more often than it was seen/)
})
test('what tells settle is taken into the build; what somebody told stays, what is likely does not count', () => {
  const facet = audio(nineOfTen)
  expect(buildByTells([facet], {}, { audio: ids(facet) }, 0.99)).toEqual({ audio: 'amplified' })
  expect(buildByTells([facet], { audio: 'plain' }, { audio: ids(facet) }, 0.99)).toEqual({ audio: 'plain' })
  const build = { gearbox: 'manual' }
  expect(buildByTells([facet], build, { audio: ids(facet).slice(1) }, 0.99)).toBe(build)
})
