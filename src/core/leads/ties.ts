import { apartMm, type LeadClass } from '../shop/leadClass'

/** One tie each so many mm of a way, unless the way says otherwise: house value. */
const TIE_EVERY_MM = 250

/** A way as it is tied: how its leads were got in, and what lies in it. */
export type TiedWay = {
  how: 'laid in' | 'tucked' | 'threaded'
  lengthMm: number
  everyMm: number | null
  /** It needs none: its leads lie fast there. */
  liesFast: boolean
  classes: readonly LeadClass[]
}

/**
 * Ties of one way: laid in, each group of leads that may share a tie has its own every so far; threaded, one each side
 * of the passage for each group; tucked, none.
 */
export function tiesOf({ how, lengthMm, everyMm, liesFast, classes }: TiedWay): number {
  if (liesFast || how === 'tucked' || classes.length === 0) return 0
  const groups = fewestGroups(classes)
  return how === 'threaded' ? 2 * groups : groups * Math.ceil(lengthMm / (everyMm ?? TIE_EVERY_MM))
}

/**
 * The fewest groups so that no two leads that want a distance share one. Exact: kinds that are alike go together, so
 * that at most seven are coloured. Cost: every way of colouring seven.
 */
export function fewestGroups(classes: readonly LeadClass[]): number {
  const kinds = [...new Set(classes)]
  for (let most = 1; ; most++) if (canBeGrouped(kinds, most, [])) return most
}

function canBeGrouped(kinds: readonly LeadClass[], most: number, groups: readonly LeadClass[][]): boolean {
  const [kind, ...rest] = kinds
  if (kind === undefined) return true
  return (
    groups.some(
      (group, i) =>
        group.every((other) => apartMm(kind, other) === 0) &&
        canBeGrouped(rest, most, groups.with(i, [...group, kind])),
    ) ||
    (groups.length < most && canBeGrouped(rest, most, [...groups, [kind]]))
  )
}
