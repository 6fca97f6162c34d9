import type { Id } from '../base/id'
import type { Facet } from '../procedure/facet'
import type { Build } from '../procedure/when'
import type { FittedKit } from './kitHere'
import { suppliesNeeded, type SupplyNeed } from './supplies'

/** More builds than that are not gone through: the widest reading stands for the rest. */
const MOST_BUILDS = 64

/** What each build needs that the open facets may turn out to be. Cost: builds x things. */
function needsOfBuilds(kits: readonly FittedKit[], build: Build, open: readonly Facet[]): SupplyNeed[][] {
  const builds = open.reduce(
    (known, facet) =>
      known.length * facet.choices.length > MOST_BUILDS
        ? known
        : known.flatMap((told) => facet.choices.map((choice) => ({ ...told, [facet.id]: choice.id }))),
    [build],
  )
  return builds.map((told) => suppliesNeeded(kits, told))
}

/** How many of each thing must lie ready, whatever the open facets turn out to be: the most of any branch. */
export function suppliesToBring(kits: readonly FittedKit[], build: Build, open: readonly Facet[]): SupplyNeed[] {
  const branches = needsOfBuilds(kits, build, open)
  return branches[0]!.map((first, i) => {
    const all = branches.map((needs) => needs[i]!)
    const most = (of: 'needed' | 'listed') => Math.max(...all.map((need) => need[of]))
    return { ...first, needed: most('needed'), listed: most('listed'), isHere: all.some(({ isHere }) => isHere) }
  })
}

/** What one choice of a facet costs in parts, and what only some choices need. Money in whole minor units. */
export type SupplyBranch = { choiceId: Id; costMinor: number; only: { itemId: Id; count: number }[] }

/** A facet that decides what must be bought. `bringMinor`: what it costs to have the parts of every branch. */
export type DecidesSupplies = { facetId: Id; branches: SupplyBranch[]; bringMinor: number; unpriced: number }

/** The facets among these whose answer changes what has to be bought, each with what hangs on it. */
export function decidesSupplies(kits: readonly FittedKit[], build: Build, open: readonly Facet[]): DecidesSupplies[] {
  return open.flatMap((facet): DecidesSupplies[] => {
    const others = open.filter((other) => other.id !== facet.id)
    const branches = facet.choices.map((choice) => ({
      choiceId: choice.id,
      needs: suppliesToBring(kits, { ...build, [facet.id]: choice.id }, others),
    }))
    const union = branches[0]!.needs.map((need, i) => ({
      ...need,
      needed: Math.max(...branches.map(({ needs }) => needs[i]!.needed)),
    }))
    const differs = union.flatMap(({ itemId, needed }, i) =>
      branches.some(({ needs }) => needs[i]!.needed !== needed) ? [itemId] : [],
    )
    if (differs.length === 0) return []
    const hanging = (needs: readonly SupplyNeed[]) => needs.filter(({ itemId }) => differs.includes(itemId))
    return [
      {
        facetId: facet.id,
        branches: branches.map(({ choiceId, needs }) => ({
          choiceId,
          costMinor: costOf(hanging(needs)),
          only: hanging(needs).flatMap(({ itemId, needed }) => (needed > 0 ? [{ itemId, count: needed }] : [])),
        })),
        bringMinor: costOf(hanging(union)),
        unpriced: hanging(union).filter(({ supply }) => supply.priceMinor === null).length,
      },
    ]
  })
}

/** What so many of these cost; what has no price counts as nothing, and is said elsewhere. */
export function costOf(needs: readonly SupplyNeed[]): number {
  return needs.reduce((sum, { needed, supply }) => sum + needed * (supply.priceMinor ?? 0), 0)
}
