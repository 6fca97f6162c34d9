import { expect, test } from '@jest/globals'
import { isMeant } from '../read'
import { knownWords } from '../spelling'
import { ENGLISH } from '.'
import { RULES } from './rules'

/** What each class of a pattern stands for, tried out: "01" is a number, a size, a name. */
const madeBy = ({ pattern, make }: (typeof RULES)[number]) => {
  const classes = pattern.split(' ').filter((element) => /^[A-Z_]+\??$/.test(element))
  return [make(...classes.map(() => '1')) ?? []].flat()
}

test('every rule makes items that the meanings know', () => {
  const unknown = RULES.flatMap((rule) =>
    madeBy(rule)
      .filter(({ is }) => !isMeant(is))
      .map(({ is }) => [rule.pattern, is]),
  )
  expect(unknown).toEqual([])
})
test('every class of a pattern is one that some word has', () => {
  const forms = ['NUM', 'DECIMAL', 'FRACTION_NUM', 'THREAD', 'METRIC', 'SIZE', 'LETTER', 'NEW', 'NEW_FIRST']
  const known = new Set([...forms, ...[...ENGLISH.phrases.values()].flat().map(({ is }) => is)])
  const classes = RULES.flatMap(({ pattern }) => pattern.split(' ').map((element) => element.replace(/\?$/, '')))
  expect([...new Set(classes.filter((name) => /^[A-Z_]+$/.test(name) && !known.has(name)))]).toEqual([])
})
test('no pattern stands twice', () => {
  const patterns = RULES.map(({ pattern }) => pattern)
  expect(patterns.filter((pattern, i) => patterns.indexOf(pattern) !== i)).toEqual([])
})
test('what a rule is read by is no misspelling of anything', () => {
  for (const { pattern } of RULES)
    for (const word of pattern.split(/[ /?]+/).filter((text) => /^[a-z]+$/.test(text)))
      expect([word, knownWords(ENGLISH).has(word)]).toEqual([word, true])
})
