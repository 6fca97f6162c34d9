import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import { z } from 'zod'
import { readKept, toKeep, type Kept } from '../base/keptJson'
import { KEPT_KIT } from '../shop/kit'
import { KEPT_REQUEST } from './ask/planRequest'
import { KEPT_PLAN } from './find/foundOrder'

/** As each released version kept them: a file never changes once its version is out. */
const KINDS: [string, string, Kept<object>][] = [
  ['kit', 'src/core/shop/corpus', KEPT_KIT],
  ['request', 'src/core/plan/corpus', KEPT_REQUEST],
  ['plan', 'src/core/plan/corpus', KEPT_PLAN],
]

describe.each(KINDS)('what is kept of a %s', (name, folder, kept) => {
  const lines = (version: number) =>
    readFileSync(`${folder}/${name}.v${version}.jsonl`, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as object)
  const versions = Array.from({ length: kept.version }, (_, i) => i + 1)

  test('has a file for each released version', () => {
    const files = readdirSync(folder).filter((file) => file.startsWith(`${name}.`))
    expect(files.sort()).toEqual(versions.map((version) => `${name}.v${version}.jsonl`).sort())
  })
  test('is read whole from each of them, and as it was once it is kept again', () => {
    for (const line of versions.flatMap(lines)) {
      const read = readKept(kept, line)
      expect(read).not.toBeNull()
      expect(readKept(kept, JSON.parse(toKeep(kept, read!)))).toEqual(read)
    }
    // Nothing of the newest is dropped on the way.
    for (const line of lines(kept.version)) {
      const { v: _, ...said } = line as { v?: number }
      expect(readKept(kept, line)).toMatchObject(said)
    }
  })
  test('is left alone where a newer program wrote it, or where it is of no shape', () => {
    const [line] = lines(kept.version)
    for (const odd of [{ ...line, v: kept.version + 1 }, { ...line, v: 'x' }, {}, { v: 1 }, null, 'text', 3, []])
      expect(readKept(kept, odd)).toBeNull()
  })
})

test('each released step is taken, from wherever one begins', () => {
  const third: Kept<{ seconds: number }> = {
    shape: z.object({ seconds: z.number() }),
    version: 3,
    steps: {
      1: ({ mins }) => ({ minutes: mins }),
      2: ({ minutes }) => ({ seconds: Number(minutes) * 60 }),
    },
  }
  for (const kept of [{ mins: 2 }, { v: 1, mins: 2 }, { v: 2, minutes: 2 }, { v: 3, seconds: 120 }])
    expect(readKept(third, kept)).toEqual({ seconds: 120 })
  expect(toKeep(third, { seconds: 120 })).toBe('{"seconds":120,"v":3}')
  // A step that was forgotten is no reason to guess.
  expect(readKept({ ...third, steps: { 1: third.steps[1]! } }, { mins: 2 })).toBeNull()
})
