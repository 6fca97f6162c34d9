import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import { z } from 'zod'
import { cheapestOrder } from './cheapestOrder'
import { costOf } from './exhaustive.testing'
import { problemOf, SequencingInstance } from './instance'

const FOLDER = new URL('../../../bench/instances/', import.meta.url)
const Proven = SequencingInstance.extend({ optimal: z.object({ setUpS: z.number(), recordedS: z.number() }) })
const instances = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.json'))
  .map((file) => Proven.parse(JSON.parse(readFileSync(new URL(file, FOLDER), 'utf8'))))

/**
 * States expanded after the beams. Pinned, so that a slower search is seen without a clock: a smaller number is to be
 * written here, a larger one needs a reason.
 */
const EXPANDED: Record<string, number> = {
  'n15-s1': 0,
  'n15-s2': 0,
  'n25-s1': 12,
  'n25-s2': 0,
  'n40-s1': 0,
  'n40-s2': 28,
  'n60-s1': 48,
  'n60-s2': 51,
  'n90-s1': 233,
  'n90-s2': 456,
  'n150-s1': 3896,
  'n150-s2': 6063,
  'wide-n25-s1': 23,
  'wide-n25-s2': 7,
  'wide-n40-s1': 19,
  'wide-n40-s2': 113,
  'wide-n60-s1': 83,
  'wide-n60-s2': 121,
  'wide-n90-s1': 3975,
  'wide-n90-s2': 1774,
}

describe('every proven optimum is matched, and proved again', () => {
  for (const instance of instances)
    test(instance.name, () => {
      const problem = problemOf(instance)
      const found = cheapestOrder(problem)
      if (found.kind !== 'order') throw new Error(found.kind)
      expect([found.setUpMs, found.proven]).toEqual([instance.optimal.setUpS * 1000, true])
      expect(costOf(problem, found.steps)).toBe(found.setUpMs)
      expect(found.expanded).toBe(EXPANDED[instance.name])
    })
  test('the order of recording is what it is said to be, so that the costs are read alike', () => {
    for (const instance of instances) {
      const problem = problemOf(instance)
      expect(
        costOf(
          problem,
          problem.operations.map((_, operation) => ({ kind: 'operation', operation })),
        ),
      ).toBe(instance.optimal.recordedS * 1000)
    }
  })
})
