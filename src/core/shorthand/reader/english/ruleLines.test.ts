import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { z } from 'zod'
import { Fact } from '../../meaning'
import { asksOf, understand } from '../../understand'
import { unmissedRules, writtenLines } from './unmissedRules.testing'

const RuleLine = z.object({
  line: z.string(),
  facts: z.array(Fact),
  asks: z.array(z.string()),
  unread: z.array(z.string()),
  left: z.string(),
})
const lines = z.array(RuleLine).parse(JSON.parse(readFileSync('src/core/shorthand/corpus/ruleLines.json', 'utf8')))

test.each(lines)('$line', ({ line, facts, asks, unread, left }) => {
  const read = understand(line)
  expect({
    facts: read.facts,
    asks: asksOf(read),
    unread: read.notUnderstood.map(({ said }) => said),
    left: read.left.map(({ said }) => said).join(' '),
  }).toEqual({ facts, asks, unread, left })
})

test('each rule is missed by some line when it is left out', () => {
  expect(unmissedRules(writtenLines()).map(({ pattern }) => pattern)).toEqual([])
})
