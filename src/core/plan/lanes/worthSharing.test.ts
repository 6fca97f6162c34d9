import { expect, test } from '@jest/globals'
import { emptyDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Holder } from '../../procedure/holder'
import { Part } from '../../procedure/part'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { planJob } from '../planJob'
import { PlanRequest } from '../ask/planRequest'
import { lanesOf, type Lanes } from './lanesOf'
import { isShared, isWorthSharing, lanesWorthSharing, togetherS } from './worthSharing'

/**
 * The lanes of two people who have two units off side by side, at these stations, and those of the first of them alone.
 */
function lanesOfBoth(...stations: [string, string]): [shared: Lanes, alone: Lanes, aloneS: number] {
  const document = emptyDocument('Bench model')
  stations.forEach((station, i) => {
    document.parts.push(Part.parse({ id: `unit-${i}`, name: `Unit ${i}`, station }))
    document.holders.push(
      Holder.parse({
        id: `screws-${i}`,
        kind: 'machine screw',
        drives: [{ drive: 'hex', size: '7' }],
        count: 8,
        holds: [`unit-${i}`],
      }),
    )
  })
  const request = PlanRequest.parse({
    goals: [0, 1].map((i) => ({ kind: 'part', partId: `unit-${i}`, level: 'off' })),
    build: {},
    start: stations[0],
  })
  const plan = planJob(forBuild(document, {}), request, DEFAULT_HOUSE_VALUES)
  if (!plan.ok) throw new Error(plan.error.kind)
  const [shared, alone] = [lanesOf(plan.value, stations), lanesOf(plan.value, [stations[0]])]
  if (!shared.ok || !alone.ok) throw new Error('No lanes.')
  return [shared.value, alone.value, plan.value.wayInS]
}

/** How long two people take to have both off, and one alone. */
function both(...stations: [string, string]): [sharedS: number, aloneS: number] {
  const [shared, , aloneS] = lanesOfBoth(...stations)
  return [shared.wayIn.makespanS, aloneS]
}

test('a job takes lanes only where they save something: what is at one place is the first one’s alone', () => {
  const [turns, alone, aloneS] = lanesOfBoth('centre', 'centre')
  expect(alone.wayIn.makespanS).toBe(aloneS)
  expect(lanesWorthSharing(turns, alone)).toBeNull()
  const [shared, one] = lanesOfBoth('driver side', 'passenger side')
  expect(lanesWorthSharing(shared, one)?.wayIn).toBe(shared.wayIn)
  // A way in worth sharing and a way out that is not: each by itself.
  expect(
    lanesWorthSharing({ wayIn: shared.wayIn, wayOut: turns.wayIn }, { wayIn: one.wayIn, wayOut: alone.wayIn }),
  ).toEqual({ wayIn: shared.wayIn, wayOut: alone.wayIn })
  // Where something takes two nobody does it alone.
  expect(lanesWorthSharing(turns, null)).toBe(turns)
})

test('at one place two would only take turns; at two places each has one', () => {
  expect(isWorthSharing(...both('centre', 'centre'))).toBe(false)
  expect(isWorthSharing(...both('driver side', 'passenger side'))).toBe(true)
})
test('ten minutes in which everybody waits are nobody’s to share', () => {
  expect(isWorthSharing(690, 705)).toBe(false)
  expect(isWorthSharing(690, 705, 600)).toBe(true)
})
test.each([
  [100, 100, false],
  [96, 100, false],
  [95, 100, true],
  [16, 20, false],
  [15, 20, true],
])('%d s instead of %d s: %s', (sharedS, aloneS, worth) => expect(isWorthSharing(sharedS, aloneS)).toBe(worth))

const lane = (...spans: [number, number][]) => spans.map(([startS, endS]) => ({ startS, endS }))
test.each([
  ['one after the other', [lane([0, 10], [20, 30]), lane([10, 20])], 0],
  ['at once', [lane([0, 10]), lane([0, 10])], 10],
  ['in part', [lane([0, 10], [12, 20]), lane([5, 15])], 8],
  ['three of them', [lane([0, 10]), lane([0, 4]), lane([2, 6])], 6],
  ['nobody', [[], []], 0],
] as const)('seconds worked at once, %s: %3$s', (_, lanes, seconds) => expect(togetherS(lanes)).toBe(seconds))
test('turns that only save the changing of tools are no sharing', () => {
  const steps = (...spans: [number, number][]) => lane(...spans).map((span) => ({ ...span, with: null })) as never
  expect(isShared({ lanes: [steps([0, 40]), steps([40, 80])], makespanS: 80 }, 110)).toBe(false)
  expect(isShared({ lanes: [steps([0, 40]), steps([0, 40])], makespanS: 40 }, 80)).toBe(true)
})
test('what takes two is never said to be one person’s, however little is saved', () => {
  const lift = (other: number) => lane([0, 4]).map((span) => ({ ...span, with: other })) as never
  expect(isShared({ lanes: [lift(1), lift(0)], makespanS: 4 }, 4)).toBe(true)
})
