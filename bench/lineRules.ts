// Which rule of the reader no line of the corpus would miss: each left out in turn, and every line read again.
// bin/bench lineRules
import { readFileSync } from 'node:fs'
import { ENGLISH } from '../src/core/shorthand/reader/english'
import { readLine } from '../src/core/shorthand/reader/read'
import type { Language } from '../src/core/shorthand/reader/sense'

const folder = 'src/core/shorthand/corpus'
const halves = ['firstHalf', 'secondHalf'].flatMap(
  (half) => JSON.parse(readFileSync(`${folder}/${half}.json`, 'utf8')) as { line: string }[],
)
const hands = readFileSync(`${folder}/sixHands.jsonl`, 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as { line: string })
const lines = [...halves, ...hands].map(({ line }) => line)

const readings = (language: Language) =>
  lines.map((line) => {
    const { facts, asks, unread } = readLine(line, language).read
    return JSON.stringify([facts.map(({ fact }) => fact), asks.map(({ ask }) => ask), unread.map(({ word }) => word.text)])
  })

const whole = readings(ENGLISH)
const unseen = ENGLISH.rules.filter((rule) => {
  const without = readings({ ...ENGLISH, rules: ENGLISH.rules.filter((other) => other !== rule) })
  return without.every((reading, i) => reading === whole[i])
})
console.log(`${ENGLISH.rules.length} rules, ${lines.length} lines: ${unseen.length} rules that no line would miss`)
for (const { pattern } of unseen) console.log(`  ${pattern}`)
