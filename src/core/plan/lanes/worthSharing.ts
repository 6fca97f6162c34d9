import type { Lanes, LegLanes } from './lanesOf'
import { pausesOf } from './pauses'

/**
 * What the second person has to save at least: less is lost in getting in each other's way. A house estimate, no
 * source.
 */
const LEAST_SHARE = 0.05
const LEAST_S = 5

/**
 * Whether several people are done noticeably sooner than one alone. Where they are not they would only take turns at
 * one place, and no lanes are offered. `sharedS`, `aloneS`: seconds of the same way; `waitS`: those in which everybody
 * waits, which nobody can share.
 */
export function isWorthSharing(sharedS: number, aloneS: number, waitS = 0): boolean {
  return aloneS - sharedS >= Math.max(LEAST_S, LEAST_SHARE * (aloneS - waitS))
}

/**
 * Seconds in which at least two people have something in hand. Where there are hardly any they only take turns at one
 * place: what that saves is the changing of tools. Cost: O(steps log steps).
 */
export function togetherS(lanes: readonly (readonly { startS: number; endS: number }[])[]): number {
  const turns = lanes
    .flat()
    .flatMap(({ startS, endS }) => [[startS, 1] as const, [endS, -1] as const])
    .sort(([a, up], [b, down]) => a - b || up - down)
  let [sumS, hands, atS] = [0, 0, 0]
  for (const [nextS, change] of turns) {
    if (hands >= 2) sumS += nextS - atS
    ;[hands, atS] = [hands + change, nextS]
  }
  return sumS
}

/**
 * Whether a way is shared out rather than done in turns: people work at once, and are done noticeably sooner. What
 * takes two is nobody's alone, however little is saved.
 */
export function isShared(leg: Pick<LegLanes, 'makespanS'> & { lanes: LegLanes['lanes'] }, aloneS: number): boolean {
  if (leg.lanes.some((lane) => lane.some((step) => step.with !== null))) return true
  const waitS = pausesOf(leg)[0]!
    .filter(({ everybody }) => everybody)
    .reduce((sum, { startS, endS }) => sum + endS - startS, 0)
  return togetherS(leg.lanes) >= LEAST_S && isWorthSharing(leg.makespanS, aloneS, waitS)
}

/**
 * Lanes as a job takes them: a way that is not worth sharing is the first person's alone. `alone`: the lanes of the
 * same plan for that person only, null where something in it takes two. Null = neither way is worth sharing.
 */
export function lanesWorthSharing(lanes: Lanes, alone: Lanes | null): Lanes | null {
  if (!alone) return lanes
  const wayIn = worthLeg(lanes.wayIn, alone.wayIn)
  const wayOut = lanes.wayOut && alone.wayOut && worthLeg(lanes.wayOut, alone.wayOut)
  return wayIn === alone.wayIn && wayOut === alone.wayOut ? null : { wayIn, wayOut }
}

function worthLeg(shared: LegLanes, alone: LegLanes): LegLanes {
  return isShared(shared, alone.makespanS) ? shared : alone
}
