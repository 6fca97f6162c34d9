import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@jest/globals'
import { z } from 'zod'
import { asksOf, understand } from '../understand'

const file = (name: string) => fileURLToPath(new URL(`../corpus/${name}`, import.meta.url))
const program = fileURLToPath(new URL('../../../../bench/scoreLines.mjs', import.meta.url))
const Line = z.object({ hand: z.string(), line: z.string() })
const Scored = Line.extend({ verdict: z.enum(['understood', 'asked', 'needless', 'missed', 'misread']) })

/** As `bin/understand --json` prints it. */
function readOf(line: string) {
  const understood = understand(line)
  return { line, ...understood, asks: asksOf(understood) }
}

/** Each line with its verdict, by the lines' own program. */
function scored(lines: readonly z.infer<typeof Line>[]): z.infer<typeof Scored>[] {
  const folder = mkdtempSync(join(tmpdir(), 'lines-'))
  const read = join(folder, 'read.jsonl')
  writeFileSync(read, lines.map(({ line }) => JSON.stringify(readOf(line))).join('\n'))
  const run = [program, file('sixHands.jsonl'), read, '--json', '--goal', '0']
  let out: string
  try {
    out = execFileSync(process.execPath, run, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
  } catch (error) {
    out = (error as { stdout: string }).stdout
  }
  rmSync(folder, { recursive: true })
  return out
    .trim()
    .split('\n')
    .map((line) => Scored.parse(JSON.parse(line)))
}

test('no line of a hand can be read in two ways that nothing tells apart: that would be asked of every one of them', () => {
  const lines = readFileSync(file('sixHands.jsonl'), 'utf8').trim().split('\n')
  const ties = lines.map((line) => Line.parse(JSON.parse(line)).line).filter((line) => understand(line).other?.isTie)
  expect(ties).toEqual([])
})

test('240 lines of six hands: at least 95 % understood or fairly asked, each hand 90 %, none misread', () => {
  const lines = readFileSync(file('sixHands.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => Line.parse(JSON.parse(line)))
  const results = scored(lines)
  expect(results).toHaveLength(240)
  expect(results.filter(({ verdict }) => verdict === 'misread').map(({ line }) => line)).toEqual([])
  const share = (of: typeof results) =>
    of.filter(({ verdict }) => verdict === 'understood' || verdict === 'asked').length / of.length
  const hands = [...new Set(results.map(({ hand }) => hand))]
  expect(hands).toHaveLength(6)
  process.stdout.write(`    six hands: ${(100 * share(results)).toFixed(1)} % understood or fairly asked\n`)
  for (const hand of hands)
    expect([hand, share(results.filter((result) => result.hand === hand)) >= 0.9]).toEqual([hand, true])
  expect(share(results)).toBeGreaterThanOrEqual(0.95)
})
