import type { Reach } from './holder'

/** Below this no straight driver fits between a head and what is above it. Common practice, no source. */
const STRAIGHT_DRIVER_MM = 90
/** Deeper than this a short bit does not reach. Common practice, no source. */
const SHORT_BIT_MM = 60

export function needsRightAngle({ headroomMm }: Pick<Reach, 'headroomMm'>): boolean {
  return headroomMm !== null && headroomMm < STRAIGHT_DRIVER_MM
}

/** What else has to be in the bag to get at something. */
export function reachTools(reach: Reach): string[] {
  const long = reach.depthMm !== null && reach.depthMm > SHORT_BIT_MM
  return [
    ...(reach.by === 'mirror' ? ['mirror and lamp'] : []),
    ...(needsRightAngle(reach) ? ['right-angle driver'] : []),
    ...(long ? ['long extension'] : []),
  ]
}
