import { readFileSync } from 'node:fs'
import { CorpusLine } from '@/core/shorthand/meaning'
import { readCorpusLine } from '@/core/shorthand/corpusReading.testing'
const half = process.argv[2]!
const lines = (JSON.parse(readFileSync(`src/core/shorthand/corpus/${half}.json`, 'utf8')) as unknown[]).map((line) => CorpusLine.parse(line))
const readings = lines.map(readCorpusLine)
for (const [i, r] of readings.entries()) if (r.verdict !== 'understood' && process.argv[3]) console.log(`${r.verdict}: ${r.line}\n   want ${JSON.stringify(lines[i]!.facts)} ${lines[i]!.asks}\n   got  ${JSON.stringify(r.got.facts)} ${r.got.asks} | not: ${r.got.notUnderstood.map((x) => x.said)}`)
console.log(half, readings.filter((r) => r.verdict === 'understood').length, 'of', readings.length, 'misread', readings.filter((r) => r.verdict === 'misread').length)
