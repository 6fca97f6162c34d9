import type { HouseValues } from '../shop/houseValues'
import { THREADED_KINDS } from '../procedure/holderKinds'
import { usualDrive } from '../procedure/heads'
import type { Holder } from '../procedure/holder'
import type { Part } from '../procedure/part'
import type { Tether } from '../procedure/tether'

/**
 * Seconds to undo or fasten a whole group: by the clip or by the screw, and more where nobody sees it. A house
 * estimate.
 */
export function groupS(house: HouseValues, holder: Holder): number {
  return (
    holder.count * ((THREADED_KINDS.includes(holder.kind) ? house.screwS : house.clipS) + unseenS(house, holder.reach))
  )
}

/** Seconds to open or close a tether, by its latch, its effort and how it is reached. A house estimate. */
export function tetherS(
  house: HouseValues,
  { latch, effort, reach }: Pick<Tether, 'latch' | 'effort' | 'reach'>,
): number {
  const more =
    latch === 'threaded'
      ? house.threadedMoreS
      : latch !== null && SLOW_LATCHES.includes(latch)
        ? house.slowLatchMoreS
        : 0
  return house.actS + more + effortS(house, effort) + unseenS(house, reach)
}

/** Seconds to pull a part free, its clips apart. */
export function pullS(house: HouseValues, { release }: Pick<Part, 'release'>): number {
  return house.actS + effortS(house, release.effort)
}

const SLOW_LATCHES: readonly Tether['latch'][] = ['sliding lock', 'spring-loaded collar', 'screw', 'ground stud']

function effortS(house: HouseValues, effort: Part['release']['effort']): number {
  return effort === 'hard' || effort === 'sticky' ? house.hardMoreS : 0
}

function unseenS(house: HouseValues, { by }: Holder['reach']): number {
  return by === 'sight' ? 0 : house.unseenMoreS
}

/** The tool a part is pulled with: what its release says, else what its clips take. */
export function pullTool(part: Pick<Part, 'release'>, pulled: readonly Holder[]): string {
  return part.release.tool !== 'hand'
    ? part.release.tool
    : (pulled.map(toolFor).find((tool) => tool !== 'hand') ?? 'hand')
}

/**
 * The tool a part is pressed home with: its clips', which are coaxed over their edges; what sticks takes bare hands.
 */
export function pressTool(pulled: readonly Holder[]): string {
  const clips = pulled.filter((holder) => holder.kind !== 'adhesive' && holder.kind !== 'hook-and-loop')
  return clips.map(toolFor).find((tool) => tool !== 'hand') ?? 'hand'
}

/** The tool in hand for a group: the driver for its head, the pry tool for clips, or bare hands. */
export function toolFor(holder: Holder): string {
  const drive = usualDrive(holder)
  if (drive) return `${drive.drive} ${drive.size}`.trim()
  if (
    ['spring clip', 'fir-tree clip', 'push-pin', 'expanding rivet', 'stud and grommet', 'adhesive'].includes(
      holder.kind,
    )
  )
    return 'pry tool'
  return holder.kind === 'cable tie' ? 'side cutters' : 'hand'
}
