import { expect, test } from '@jest/globals'
import { cheapestOrder } from './cheapestOrder'
import { LowerBound } from './lowerBound'
import { reduce } from './reduce'
import type { SearchProblem } from './problem'

/** The dash drawn in docs/planner.md, "One state, drawn": hand 0, T20 1; one station; 8 s to take a tool up. */
const NAMES = ['cover', 'screws', 'pull', 'plug', 'lamp', 'lens']
const T20 = ['screws', 'lens']
const dash: SearchProblem = {
  operations: NAMES.map((name) => ({ tool: T20.includes(name) ? 1 : 0, station: 0, allowed: [true], guards: [] })),
  pairs: [
    ['cover', 'screws'],
    ['screws', 'pull'],
    ['pull', 'plug'],
    ['lamp', 'lens'],
  ].map(([before, after]) => [NAMES.indexOf(before!), NAMES.indexOf(after!)]),
  toolMs: [
    [0, 8000],
    [0, 0],
  ],
  walkMs: [[0]],
  combinations: 1,
  acts: [],
  start: { tool: 0, station: 0, combination: 0 },
  finish: [true],
}

test('one tool taken up, eight seconds, proven; nothing before what it waits for', () => {
  const found = cheapestOrder(dash)
  if (found.kind !== 'order') throw new Error(found.kind)
  expect([found.setUpMs, found.proven]).toEqual([8000, true])
  const order = found.steps.flatMap((step) => (step.kind === 'operation' ? [NAMES[step.operation]!] : []))
  expect([...order].sort()).toEqual([...NAMES].sort())
  for (const [before, after] of dash.pairs)
    expect(order.indexOf(NAMES[before]!)).toBeLessThan(order.indexOf(NAMES[after]!))
})
test('the rules make few operations of the six: what is free beside its only neighbour is joined', () => {
  expect(reduce(dash).problem.operations.length).toBeLessThan(NAMES.length)
})
test('the bound at the beginning is the whole answer: the T20 is still wanted', () => {
  const nothingDone = new Int32Array(1)
  expect(LowerBound.strongFor(dash).value(nothingDone, 0, dash.start.tool, 0)).toBe(8000)
})
