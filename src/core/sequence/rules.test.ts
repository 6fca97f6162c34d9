import { afterEach, describe, expect, jest, test } from '@jest/globals'
import {
  cheapestByExhaustion,
  cheapestWithClocks,
  costWithClocks,
  randomProblem,
  withClock,
  withSetting,
  type RandomProblemOptions,
} from './exhaustive.testing'
import * as rules from './rules'
import { seeds } from '../testing/seeds.testing'

// Each pruning rule of docs/planner.md is broken in turn. If no seed then came out wrong, the checks against exhaustive
// search could not tell a right rule from a wrong one.

const everywhere = (facts: rules.Facts): rules.Facts => ({ ...facts, allowed: facts.allowed.map(() => true) })
const harmless = (facts: rules.Facts): rules.Facts => ({ ...facts, disables: false, enables: false })
const byHand = (facts: rules.Facts): rules.Facts => ({ ...facts, tool: 0 })
const unguarded = (facts: rules.Facts): rules.Facts => ({ ...facts, guards: [] })

const MUTATIONS: Record<string, Partial<typeof rules>> = {
  'what takes a guard away is done at once': { isDoneAtOnce: () => true },
  'joined forward though it takes a guard away': { followsForFree: (u, v) => rules.followsForFree(u, harmless(v)) },
  'joined forward though it asks for other settings': {
    followsForFree: (u, v) => rules.followsForFree(everywhere(u), everywhere(v)),
  },
  'joined forward though it takes another tool': { followsForFree: (u, v) => rules.followsForFree(u, byHand(v)) },
  'joined forward though it has a guard of its own': {
    followsForFree: (u, v) => rules.followsForFree(u, unguarded(v)),
  },
  'waits though it brings a guard about': { waitsForFree: (u, v) => rules.waitsForFree(harmless(u), v) },
  'waits though it asks for other settings': {
    waitsForFree: (u, v) => rules.waitsForFree(everywhere(u), everywhere(v)),
  },
  'waits though it takes another tool': { waitsForFree: (u, v) => rules.waitsForFree(byHand(u), v) },
  'twins joined early though one takes a guard away': { mayBeEarlier: (u) => rules.mayBeEarlier(harmless(u)) },
  'twins joined late though one brings a guard about': { mayBeLater: (u) => rules.mayBeLater(harmless(u)) },
}

const known = new Map<string, number | null>()
/** What looking at everything finds: it knows no rule, so it is the same whichever is broken. */
function knownOrSought(name: string, seek: () => number | null): number | null {
  if (!known.has(name)) known.set(name, seek())
  return known.get(name)!
}

/**
 * The first of the seeds that comes out dearer than it need be, or is called impossible, with a rule broken; null where
 * none does.
 */
async function firstWrong(
  mutation: Partial<typeof rules>,
  options: RandomProblemOptions,
  seeds: number,
): Promise<number | null> {
  jest.unstable_mockModule('./rules', () => ({ ...rules, ...mutation }))
  const { cheapestOrder } = await import('./cheapestOrder')
  for (let seed = 1; seed <= seeds; seed++) {
    const problem = randomProblem(seed, options)
    const found = cheapestOrder(problem)
    const cheapest = knownOrSought(JSON.stringify([options, seed]), () => cheapestByExhaustion(problem))
    if ((found.kind === 'order' ? found.setUpMs : null) !== cheapest) return seed
  }
  return null
}

describe('a broken rule is seen', () => {
  afterEach(() => {
    jest.resetModules()
  })
  const options = { operations: 7, settings: 2, guards: 5, pairChance: 0.12, stations: 2, tools: 2 }
  test('the rules as they are: no seed is wrong', async () => {
    expect(await firstWrong({}, options, seeds(400))).toBeNull()
  })
  for (const [what, mutation] of Object.entries(MUTATIONS))
    test(`${what}: a seed is wrong`, async () => {
      expect(await firstWrong(mutation, options, 400)).not.toBeNull()
    })
})

// The same with a clock, against every state in the order of time.

const timeless = ({ phases, ...facts }: rules.Facts): rules.Facts => ({
  ...facts,
  ...(phases && { phases: phases.map((phase) => ({ ...phase, before: false, meanwhile: false, after: false })) }),
})

const startless = ({ phases, ...facts }: rules.Facts): rules.Facts => ({
  ...facts,
  ...(phases && { phases: phases.map((phase) => ({ ...phase, starts: false })) }),
})

const CLOCK_MUTATIONS: Record<string, Partial<typeof rules>> = {
  'joined forward though it could be done meanwhile': {
    followsForFree: (u, v) => rules.followsForFree(timeless(u), timeless(v)),
  },
  'waits until after the wait': { waitsForFree: (u, v) => rules.waitsForFree(timeless(u), timeless(v)) },
  'twins joined early though one could be done meanwhile': { mayBeEarlier: (u) => rules.mayBeEarlier(timeless(u)) },
  'twins joined late though one could be done meanwhile': { mayBeLater: (u) => rules.mayBeLater(timeless(u)) },
  'done at once though something turns on it and it could be done meanwhile': { isByChoice: () => false },
  'done at once though that settles what could fill the wait, and it may come after': {
    isByChoice: (u, clock) => rules.isByChoice(u, clock, []),
  },
  'undecided though it brings a guard about': {
    isUndecided: (u, clock) => rules.isUndecided(unguarded(harmless(u)), clock),
  },
  'done at once though that settles what was undecided': { settlesNothing: () => true },
  'taken as done now though it hangs together with what is elsewhere': { isDecidedHere: () => true },
  'what starts a clock is put off with its twin': { mayBeLater: (u) => rules.mayBeLater(startless(u)) },
  'what starts a clock is put off to what follows it': { waitsForFree: (u, v) => rules.waitsForFree(startless(u), v) },
  'thought no worse though it is over the wait later': { isNoWorse: (a, b) => a.costMs <= b.costMs },
}

/** With a broken rule the moves may lead nowhere: that is wrong as well. */
async function firstWrongWithClock(
  mutation: Partial<typeof rules>,
  options: RandomProblemOptions,
  seeds: number,
  make = withClock,
): Promise<number | null> {
  jest.unstable_mockModule('./rules', () => ({ ...rules, ...mutation }))
  const { clockedOrder } = await import('./clockedOrder')
  for (let seed = 1; seed <= seeds; seed++) {
    const { problem, clocks } = make(randomProblem(seed, options), seed)
    try {
      const found = clockedOrder(problem, [], clocks, { expandedStates: 60_000 })
      const name = JSON.stringify([options, seed, make.name])
      const cheapest = knownOrSought(name, () => cheapestWithClocks(problem, clocks))
      if ((found.steps ? costWithClocks(problem, clocks, found.steps) : null) !== cheapest) return seed
    } catch {
      return seed
    }
  }
  return null
}

describe('a broken rule of the clock is seen', () => {
  afterEach(() => {
    jest.resetModules()
  })
  const plain = { operations: 6, settings: 1, guards: 0, pairChance: 0.12, stations: 2, tools: 1, needChance: 0.05 }
  // Something has to come before the clock is started.
  const guarded = { ...plain, guards: 3, pairChance: 0.25, guardChance: 0 }
  test('the rules as they are: no seed is wrong', async () => {
    expect([
      await firstWrongWithClock({}, plain, seeds(600)),
      await firstWrongWithClock({}, guarded, seeds(300)),
    ]).toEqual([null, null])
  })
  /** Problems in which it matters. */
  const problemsFor = (what: string) => {
    if (what.endsWith('follows it'))
      return {
        options: { ...plain, settings: 0, pairChance: 0.3, stations: 1, tools: 2 },
        seeds: 120,
        make: withSetting,
      }
    if (what.endsWith('its twin')) return { options: { ...plain, settings: 0 }, seeds: 120, make: withSetting }
    if (/joined forward|turns on it|guard/.test(what)) return { options: guarded, seeds: 300, make: withClock }
    return { options: plain, seeds: what.endsWith('may come after') ? 600 : 120, make: withClock }
  }
  for (const [what, mutation] of Object.entries(CLOCK_MUTATIONS))
    test(`${what}: a seed is wrong`, async () => {
      const { options, seeds: many, make } = problemsFor(what)
      expect(await firstWrongWithClock(mutation, options, many, make)).not.toBeNull()
    })
})
