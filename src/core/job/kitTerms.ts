import type { Id } from '../base/id'
import type { Build } from '../procedure/when'
import type { KitHere } from '../shop/kitHere'
import type { KitPlug, KitSetting } from '../shop/kitThings'
import { suppliesNeeded, type SupplyNeed } from '../shop/supplies'
import type { WorkItem } from '../shop/workItem'

/**
 * What a job owes of its kits, on the build that is known by now. Kit by kit: one that was never begun owes nothing.
 */
export type KitTerms = {
  kitId: Id
  name: string
  needs: SupplyNeed[]
  plugs: readonly KitPlug[]
  settings: readonly KitSetting[]
  works: readonly WorkItem[]
}

/** `kits`: as their request has them; what is not for this build is in `needs` as well, and needed nowhere. */
export function kitTermsOf(
  kits: readonly KitHere[],
  asked: readonly { kit: KitHere['kit']; fit: KitHere['fit'] }[],
  build: Build,
): KitTerms[] {
  return kits.map(({ kit }, i) => ({
    kitId: kit.id,
    name: kit.name,
    needs: suppliesNeeded([asked[i]!], build),
    plugs: kit.plugs,
    settings: kit.settings,
    works: kit.works,
  }))
}
