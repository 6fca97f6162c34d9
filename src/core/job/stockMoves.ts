import { wallMsOf } from '../base/clock'
import type { FittedKit } from '../shop/kitHere'
import type { StockMove } from '../shop/onShelf'
import type { JobEvent } from './event'
import { standingEvents } from './fold'

/**
 * What a job took from the shelves and brought back to them, of the things of its kits that have a part number. What
 * was corrected was not taken. Cost: O(events).
 */
export function stockMovesOf(kits: readonly Pick<FittedKit, 'kit'>[], events: readonly JobEvent[]): StockMove[] {
  const numbers = new Map(
    kits.flatMap(({ kit }) => [...kit.parts, ...kit.holders].map(({ id, supply }) => [id, supply.partNumber] as const)),
  )
  return standingEvents(events).flatMap(({ what, at }): StockMove[] => {
    const taken = what.kind === 'supplied' && what.from === 'stock' ? -what.count : 0
    const back = what.kind === 'ended' && what.end === 'stock' ? what.count : 0
    const partNumber = 'itemId' in what && what.itemId !== null ? numbers.get(what.itemId) : undefined
    return partNumber && taken + back !== 0 ? [{ partNumber, count: taken + back, atMs: wallMsOf(at) }] : []
  })
}
