/*
 * How long a lead has to be, from the ways it takes: all lengths in mm. A supplied lead is never judged by what is read
 * off a picture; a length that was only estimated gets more to spare.
 */

/** A way as a lead lies in it. `slackMm`: more than its length, where something moves. */
export type Leg = { lengthMm: number; slackMm: number; known: 'measured' | 'estimated' }

/** What is added for not knowing better, of a length: house values. */
const SPARE_SHARE: Readonly<Record<Leg['known'], number>> = { measured: 0.05, estimated: 0.15 }
/** Leads are cut to so many mm. */
const CUT_STEP_MM = 50
/** How much room a laid coil takes of its lead's own volume: house value. */
const COIL_TIMES = 2.5

const lying = (legs: readonly Leg[]) => legs.reduce((sum, { lengthMm, slackMm }) => sum + lengthMm + slackMm, 0)

/** What an end needs beyond the way where nobody has said: house value. */
const LEAVE_MM = 150

/** What one way takes of a lead, with what is added for not knowing better; whole millimetres. */
export function wayNeedMm({ lengthMm, slackMm, known }: Leg): number {
  return Math.ceil(lengthMm + slackMm + Math.ceil(lengthMm * SPARE_SHARE[known] - 1e-9))
}

/** What an end needs beyond the way: its own, or the point's, or the house's. */
export function leaveMm(end: { leaveMm: number | null }, point: { leaveMm: number | null }): number {
  return Math.ceil(end.leaveMm ?? point.leaveMm ?? LEAVE_MM)
}

/** What a lead needs: its ways with what is added to each, and what both ends need beyond. */
export function needMm(legs: readonly Leg[], leavesMm: readonly [number, number]): number {
  return legs.reduce((sum, leg) => sum + wayNeedMm(leg), 0) + leavesMm[0] + leavesMm[1]
}

/** What a lead is cut to that is not supplied. */
export function cutMm(need: number): number {
  return Math.ceil(need / CUT_STEP_MM) * CUT_STEP_MM
}

export type Supplied =
  { kind: 'long enough'; takenMm: number; spareMm: number } | { kind: 'too short'; shortMm: number }

/** The shortest of the lengths there are that is long enough; else by how much the longest is short. */
export function suppliedFor(need: number, lengthsMm: readonly number[]): Supplied {
  const fitting = lengthsMm.filter((length) => length >= need)
  if (fitting.length === 0) return { kind: 'too short', shortMm: need - Math.max(0, ...lengthsMm) }
  const takenMm = Math.min(...fitting)
  return { kind: 'long enough', takenMm, spareMm: takenMm - need }
}

/**
 * Where tape is wrapped round the lead, from its first end: when each mark sits at its point the lead lies as planned,
 * and the rest is long enough. One mark for each point of the run.
 */
export function marksMm(legs: readonly Leg[], firstLeaveMm: number): number[] {
  const marks = [firstLeaveMm]
  for (const { lengthMm, slackMm } of legs) marks.push(marks.at(-1)! + lengthMm + slackMm)
  return marks
}

/** What is left over of a supplied lead once it lies, and the room its coil takes in ml. */
export function surplusOf(
  suppliedMm: number,
  legs: readonly Leg[],
  leavesMm: readonly [number, number],
  diameterMm: number,
): { surplusMm: number; coilMl: number } {
  const surplusMm = suppliedMm - lying(legs) - leavesMm[0] - leavesMm[1]
  const mm3 = surplusMm * (Math.PI / 4) * diameterMm ** 2 * COIL_TIMES
  return { surplusMm, coilMl: mm3 / 1000 }
}
