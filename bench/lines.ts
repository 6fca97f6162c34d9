// How long a line takes to be read beside a record of two hundred names, and the longest lines there are of whatever
// takes longest: bin/bench lines
import { readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { WORST_LINES } from '../src/core/shorthand/reader/worstLines.testing'
import { understand } from '../src/core/shorthand/understand'

const parts = Array.from({ length: 200 }, (_, i) => ({
  name: `${['Left', 'Right', 'Upper', 'Lower', 'Front'][i % 5]} ${['vent', 'trim', 'panel', 'cover', 'lid'][(i * 7) % 5]} ${i}`,
  said: [`piece ${i}`],
}))
const own = { parts, plugs: parts.map(({ name }) => `plug ${name}`), house: {} }
const lines = readFileSync('src/core/shorthand/corpus/sixHands.jsonl', 'utf8')
  .trim()
  .split('\n')
  .map((line) => (JSON.parse(line) as { line: string }).line)

const msOf = (line: string, times: number) => {
  const begun = performance.now()
  for (let n = 0; n < times; n++) understand(line, own)
  return (performance.now() - begun) / times
}

for (const line of lines) msOf(line, 2)
const sorted = lines.map((line) => ({ line, ms: msOf(line, 20) })).sort((a, b) => a.ms - b.ms)
const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))]!
console.log(`${cpus().length} x ${cpus()[0]!.model}, ${new Date().toISOString().slice(0, 10)}`)
console.log(`240 lines beside 200 names: median ${at(0.5).ms.toFixed(2)} ms, 95 % ${at(0.95).ms.toFixed(2)} ms`)
console.log(`longest ${at(1).ms.toFixed(2)} ms: ${at(1).line}`)
for (const line of WORST_LINES) {
  msOf(line, 2)
  console.log(`2,000 characters of “${line.slice(0, 20).trim()} …”: ${msOf(line, 10).toFixed(0)} ms`)
}
