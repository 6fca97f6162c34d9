import { describe, expect, test } from '@jest/globals'
import { cheapestOrder } from './cheapestOrder'
import { cheapestByExhaustion, costOf, randomProblem } from './exhaustive.testing'
import { addTo } from './bits'
import { LowerBound } from './lowerBound'
import { setUpMsOf, type SearchStep } from './moves'
import { reduce } from './reduce'
import { withoutDetours, type Guard, type SearchOperation, type SearchProblem } from './problem'
import { seeds } from '../testing/seeds.testing'

describe('against plain exhaustive search', () => {
  for (const [what, options] of Object.entries({
    'tools and stations': { operations: 8 },
    'one setting': { operations: 7, settings: 1, guards: 2 },
    'two settings and guards': { operations: 7, settings: 2, guards: 3 },
    'sparse, many guards': { operations: 8, settings: 2, guards: 5, pairChance: 0.12, stations: 2, tools: 2 },
  }))
    test(`${what}: ${seeds(300)} seeds`, () => {
      let [possible, exact] = [0, 0]
      for (let seed = 1; seed <= seeds(300); seed++) {
        const problem = randomProblem(seed, options)
        const expected = cheapestByExhaustion(problem)
        const found = cheapestOrder(problem)
        if (expected === null) {
          expect([seed, found.kind]).toEqual([seed, 'impossible'])
          continue
        }
        possible += 1
        if (found.kind !== 'order') throw new Error(`seed ${seed}: ${found.kind}`)
        expect([seed, found.setUpMs, found.proven, costOf(problem, found.steps)]).toEqual([
          seed,
          expected,
          true,
          expected,
        ])
        const strongMs = atStart(LowerBound.strongFor(problem), problem)
        expect([seed, strongMs <= expected]).toEqual([seed, true])
        if (strongMs === expected) exact += 1
      }
      expect(possible).toBeGreaterThan(seeds(60))
      // It tells all of so small a problem whole, but for a tool in hand that nothing needs: that it takes as the
      // handiest.
      expect(exact).toBeGreaterThan(0.8 * possible)
    })
})

describe('where there are many spots and the leaving of each is counted apart', () => {
  for (const [what, { firstPart, ...options }] of Object.entries({
    'one part': { operations: 7, pairChance: 0.3, tools: 2, firstPart: 0 },
    'a way in and a way out': { operations: 7, pairChance: 0.3, tools: 2, firstPart: 4 },
    'a setting': { operations: 6, pairChance: 0.25, tools: 2, settings: 1, guards: 1, firstPart: 3 },
  }))
    test(`${what}: ${seeds(36)} seeds against plain exhaustive search`, () => {
      let returned = 0
      for (let seed = 1; seed <= seeds(36); seed++) {
        const problem = asHabit(inTwoParts(randomProblem(seed, { ...options, stations: 15 }), firstPart), seed)
        const expected = cheapestByExhaustion(problem)
        const found = cheapestOrder(problem)
        if (expected === null) {
          expect([seed, found.kind]).toEqual([seed, 'impossible'])
          continue
        }
        if (found.kind !== 'order') throw new Error(`seed ${seed}: ${found.kind}`)
        expect([seed, found.setUpMs, found.proven, costOf(problem, found.steps)]).toEqual([
          seed,
          expected,
          true,
          expected,
        ])
        for (const bound of [LowerBound.bestFor(problem), LowerBound.strongFor(problem)])
          expect([seed, atStart(bound, problem) <= expected]).toEqual([seed, true])
        const spots = found.steps.flatMap((step) =>
          step.kind === 'operation' ? [problem.operations[step.operation]!.station] : [],
        )
        if (spots.some((spot, i) => i > 0 && spot !== spots[i - 1] && spots.slice(0, i).includes(spot))) returned += 1
      }
      // Without a spot that is come back to, half of the bound would not be tried.
      expect(returned).toBeGreaterThanOrEqual(seeds(5))
    })
})

describe('at the edges of a word of 32 operations', () => {
  // A mask for a full word that comes out as zero once let a wrong optimum be "proven"; small problems can't show that.
  for (const operations of [31, 32, 33, 63, 64, 65])
    test(`${operations} operations: numbered otherwise and with idle operations added, the optimum is the same; the rest from any cut costs the rest`, () => {
      let proven = 0
      for (let seed = 1; seed <= 12; seed++) {
        const problem = randomProblem(seed * 100 + operations, {
          operations,
          settings: 2,
          guards: 4,
          tools: 4,
          stations: 3,
          needChance: 0.1,
          guardChance: 0.01,
        })
        const found = cheapestOrder(problem)
        expect(found.kind).not.toBe('given up')
        if (found.kind !== 'order') continue
        expect(costOf(problem, found.steps)).toBe(found.setUpMs)
        expect(setUpMsOf(problem, found.steps)).toBe(found.setUpMs)
        if (!found.proven) continue
        proven += 1
        for (const other of [backwards(problem), withIdle(problem, 1), withIdle(problem, 3)]) {
          const again = cheapestOrder(other)
          expect(again).toMatchObject({ kind: 'order', setUpMs: found.setUpMs, proven: true })
        }
        for (const cut of [0.25, 0.5, 0.9].map((part) => Math.floor(part * found.steps.length))) {
          const begun = found.steps.slice(0, cut)
          const rest = cheapestOrder(restOf(problem, begun))
          expect(rest).toMatchObject({ kind: 'order', setUpMs: found.setUpMs - spentOn(problem, begun), proven: true })
        }
      }
      expect(proven).toBeGreaterThan(2)
    })
})

describe('limits', () => {
  test('stopped at a limit it gives a valid order and an honest bound', () => {
    const problem = randomProblem(7, { operations: 26, tools: 6, stations: 4, pairChance: 0.12 })
    const found = cheapestOrder(problem, [], { expandedStates: 1 })
    if (found.kind !== 'order') throw new Error(found.kind)
    const whole = cheapestOrder(problem)
    if (whole.kind !== 'order') throw new Error(whole.kind)
    expect(found.proven).toBe(false)
    expect(found.boundMs).toBeLessThanOrEqual(whole.setUpMs)
    expect(found.setUpMs).toBeGreaterThanOrEqual(whole.setUpMs)
    expect(costOf(problem, found.steps)).toBe(found.setUpMs)
  })
  test('better orders are told as they are found: each better than the one before, the last one the answer', () => {
    const told: number[] = []
    const found = cheapestOrder(
      randomProblem(4, {
        operations: 40,
        tools: 5,
        stations: 4,
        settings: 1,
        guards: 1,
        pairChance: 0.16,
        needChance: 0.1,
      }),
      [],
      { expandedStates: 20_000, onBetter: (setUpMs) => told.push(setUpMs) },
    )
    if (found.kind !== 'order') throw new Error(found.kind)
    expect(told.length).toBeGreaterThan(1)
    expect(told).toEqual([...new Set(told)].sort((a, b) => b - a))
    expect(told.at(-1)).toBe(found.setUpMs)
  })
  test.each([4, 13])(
    'what a glance does not settle a second look with the strong bound does, alike (seed %d)',
    (seed) => {
      const problem = randomProblem(seed, {
        operations: 40,
        tools: 5,
        stations: 4,
        settings: 1,
        guards: 1,
        pairChance: 0.16,
        needChance: 0.1,
      })
      const inOne = cheapestOrder(problem)
      const inTwo = cheapestOrder(problem, [], { expandedStates: 8_000 })
      if (inOne.kind !== 'order' || inTwo.kind !== 'order') throw new Error(`${inOne.kind}, ${inTwo.kind}`)
      // The glance alone would have had to look at more than it may.
      expect([inOne.expanded > 4_000, inTwo.proven, inTwo.setUpMs, costOf(problem, inTwo.steps)]).toEqual([
        true,
        true,
        inOne.setUpMs,
        inOne.setUpMs,
      ])
    },
  )
  test('asked only for something cheaper than the optimum, it proves that there is none', () => {
    const problem = randomProblem(3, { operations: 20, tools: 4, settings: 1, guards: 2 })
    const found = cheapestOrder(problem)
    if (found.kind !== 'order') throw new Error(found.kind)
    expect(cheapestOrder(problem, [], undefined, found.setUpMs)).toMatchObject({
      kind: 'not below',
      boundMs: found.setUpMs,
    })
    expect(cheapestOrder(problem, [], undefined, found.setUpMs + 1)).toMatchObject({
      kind: 'order',
      setUpMs: found.setUpMs,
      proven: true,
    })
  })
})

test('the strong bound, where it can tell only a part of the tools together, is no more than the rest takes, all along the cheapest order', () => {
  let above = 0
  for (const seed of [1, 3, 4, 5, 6]) {
    const problem = reduce(
      randomProblem(seed, {
        operations: 30,
        tools: 5,
        stations: 4,
        settings: 1,
        guards: 1,
        pairChance: 0.25,
        needChance: 0.1,
      }),
    ).problem
    const found = cheapestOrder(problem)
    if (found.kind !== 'order' || !found.proven) throw new Error(`seed ${seed}: ${found.kind}`)
    const [quick, strong] = [LowerBound.bestFor(problem), LowerBound.strongFor(problem)]
    if (atStart(strong, problem) > atStart(quick, problem)) above += 1
    const words = new Int32Array(Math.ceil(problem.operations.length / 32))
    for (const [i, step] of found.steps.entries()) {
      const { at, costMs } = standingAfter(problem, found.steps.slice(0, i))
      expect([
        seed,
        i,
        strong.value(words, 0, at.tool, at.station * problem.combinations + at.combination) <= found.setUpMs - costMs,
      ]).toEqual([seed, i, true])
      if (step.kind === 'operation') addTo(words, step.operation)
    }
  }
  expect(above).toBeGreaterThan(2)
})

function atStart(bound: LowerBound, { operations, start, combinations }: SearchProblem): number {
  return bound.value(
    new Int32Array(Math.ceil(operations.length / 32)),
    0,
    start.tool,
    start.station * combinations + start.combination,
  )
}

/** The first `count` operations as a way in, all others as the way out after it. */
function inTwoParts(problem: SearchProblem, count: number): SearchProblem {
  if (count === 0) return problem
  const barrier = problem.operations.flatMap((_, after) =>
    after < count ? [] : Array.from({ length: count }, (_, before) => [before, after] as const),
  )
  return {
    ...problem,
    operations: problem.operations.map((operation, i) => ({ ...operation, first: i < count })),
    pairs: [...problem.pairs, ...barrier],
  }
}

/**
 * As a habit makes it: what is far is near, and leaving a spot with operations costs 20 s on top; operations lie at few
 * of the spots.
 */
function asHabit(problem: SearchProblem, seed: number): SearchProblem {
  const operations = problem.operations.map((operation, i) => ({
    ...operation,
    station: (operation.station + i * seed) % 4,
  }))
  const walkMs = problem.walkMs.map((row, from) =>
    row.map((ms, to) => (from === to ? 0 : Math.floor(ms / 4) + (from < 4 ? 20_000 : 0))),
  )
  return { ...problem, operations, walkMs: withoutDetours(walkMs) }
}

/** The same problem with its operations numbered from the other end. */
function backwards(problem: SearchProblem): SearchProblem {
  const number = (i: number) => problem.operations.length - 1 - i
  const guards = (list: readonly Guard[]) =>
    list.map((guard) => ({ ...guard, operations: guard.operations.map(number) }))
  return {
    ...problem,
    operations: problem.operations.map((operation) => ({ ...operation, guards: guards(operation.guards) })).reverse(),
    pairs: problem.pairs.map(([before, after]) => [number(before), number(after)]),
    acts: problem.acts.map((act) => ({ ...act, guards: guards(act.guards) })),
  }
}

/** With operations by hand that nothing waits for, at the station it starts at. */
function withIdle(problem: SearchProblem, count: number): SearchProblem {
  const idle: SearchOperation = {
    tool: 0,
    station: problem.start.station,
    allowed: problem.finish.map(() => true),
    guards: [],
  }
  return { ...problem, operations: [...problem.operations, ...Array.from({ length: count }, () => idle)] }
}

/** What is left after some steps, as a problem of its own. */
function restOf(problem: SearchProblem, begun: readonly SearchStep[]): SearchProblem {
  const done = new Set(begun.flatMap((step) => (step.kind === 'operation' ? [step.operation] : [])))
  const left = problem.operations.flatMap((_, i) => (done.has(i) ? [] : [i]))
  const number = new Map(left.map((i, at) => [i, at]))
  const guards = (list: readonly Guard[]) =>
    list.map((guard) => ({
      ...guard,
      operations: guard.operations.flatMap((i) => number.get(i) ?? []),
      initially: guard.operations.filter((i) => done.has(i)).length % 2 === 1 ? !guard.initially : guard.initially,
    }))
  return {
    ...problem,
    operations: left.map((i) => ({ ...problem.operations[i]!, guards: guards(problem.operations[i]!.guards) })),
    pairs: problem.pairs.flatMap(([before, after]) =>
      number.has(before) && number.has(after) ? [[number.get(before)!, number.get(after)!] as const] : [],
    ),
    acts: problem.acts.map((act) => ({ ...act, guards: guards(act.guards) })),
    start: standingAfter(problem, begun).at,
  }
}

function spentOn(problem: SearchProblem, begun: readonly SearchStep[]): number {
  return standingAfter(problem, begun).costMs
}

function standingAfter(
  problem: SearchProblem,
  begun: readonly SearchStep[],
): { at: SearchProblem['start']; costMs: number } {
  let { tool, station, combination } = problem.start
  let costMs = 0
  for (const step of begun) {
    const next = step.kind === 'act' ? problem.acts[step.act]! : problem.operations[step.operation]!
    costMs += problem.walkMs[station]![next.station]!
    station = next.station
    if (step.kind === 'act') {
      costMs += problem.acts[step.act]!.costMs
      combination = problem.acts[step.act]!.to
    } else if (problem.operations[step.operation]!.tool !== 0) {
      costMs += problem.toolMs[tool]![problem.operations[step.operation]!.tool]!
      tool = problem.operations[step.operation]!.tool
    }
  }
  return { at: { tool, station, combination }, costMs }
}
