import type { Id } from '../base/id'
import type { Build } from '../procedure/when'
import { kitHere, type FittedKit } from './kitHere'
import type { KitHolder, KitPart } from './kitThings'
import type { Supply } from './supply'
import type { WorkItem } from './workItem'

/**
 * How many of a thing a kit's works fit on one build, and how many of those in the box are then left over. A thing that
 * no step names is fitted whole.
 */
export type SupplyNeed = {
  kitId: Id
  itemId: Id
  of: 'part' | 'holder'
  name: string
  /** In the box, by the kit's own list. What is not for this build is none of it. */
  listed: number
  needed: number
  /** On this build, or on one that is not told yet. */
  isHere: boolean
  supply: Supply
}

/** What the works of these kits use on a build, of all that the kits list. Cost: O(things x steps). */
export function suppliesNeeded(kits: readonly FittedKit[], build: Build): SupplyNeed[] {
  return kits.flatMap((fitted) => {
    const { kit: here, fit } = kitHere(fitted, build)
    const carried = new Set(fit.endings.flatMap(({ ending, fastenedBy }) => (ending === 'moved' ? fastenedBy : [])))
    const need = (of: SupplyNeed['of'], thing: KitPart | KitHolder, name: string): SupplyNeed => {
      const isHere = [...here.parts, ...here.holders].some(({ id }) => id === thing.id)
      return {
        ...{ kitId: here.id, itemId: thing.id, of, name, isHere, supply: thing.supply },
        listed: isHere ? thing.count : 0,
        needed: isHere ? usedBy(here.works, thing.id, thing.count, carried.has(thing.id)) : 0,
      }
    }
    return [
      ...fitted.kit.parts.map((part) => need('part', part, part.name)),
      ...fitted.kit.holders.map((holder) => need('holder', holder, holder.kind)),
    ]
  })
}

/**
 * Steps that name no number use all there are. Started, then adjusted, then snug are the same fasteners: within one
 * piece of work the most of any stage counts; two pieces of work use each their own.
 */
function usedBy(works: readonly WorkItem[], itemId: Id, count: number, holdsCarried: boolean): number {
  const perWork = works.map(({ steps }) => {
    const byStage = new Map<string, number>()
    for (const step of steps)
      if (step.itemId === itemId && (step.act === 'fit' || step.act === 'fasten')) {
        const stage = step.stage ?? 'snug'
        byStage.set(stage, (byStage.get(stage) ?? 0) + (step.count ?? count))
      }
    return Math.max(0, ...byStage.values())
  })
  const isNamed = works.some(({ steps }) => steps.some((step) => step.itemId === itemId))
  const inWorks = perWork.reduce((sum, n) => sum + n, 0)
  // What holds something that is carried over is used whole for that.
  if (holdsCarried) return Math.max(count, inWorks)
  return isNamed ? inWorks : count
}
