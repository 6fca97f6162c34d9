import { compareText } from '../base/compareText'
import { fewestPairs, loopGroups, type Pair } from './graph'

/**
 * One strip: the operations of the way in, in the order in which they happened. `brokeRule`: evidence, never replayed.
 */
export type Strip = { id: string; sequence: readonly string[]; brokeRule?: boolean }

/** "A before B", with the strips that show it. */
export type LearntOrder = Pair & { strips: string[] }

export type LearntOrders = {
  /** Kept: every strip that has both agrees, and it stands in no circle. Closed under nothing: as seen. */
  kept: LearntOrder[]
  /** Agreed by every strip that has both, but part of a circle: dropped, and asked about. */
  inCircle: LearntOrder[]
  /** Seen both ways. */
  contradicted: (Pair & { forIt: string[]; against: string[] })[]
  /** The fewest of the kept ones that say the same. */
  shown: LearntOrder[]
}

/**
 * The merge of strips: "A before B" is kept where every strip that contains both agrees. Only the operations in hand
 * count, before anything is closed transitively; soft edges inside a circle are dropped. Where all strips contain the
 * same operations, each of them stays a valid order. A strip that broke a safety rule gives no order.
 */
export function learnOrder(strips: readonly Strip[], inHand: ReadonlySet<string> | null = null): LearntOrders {
  const { agreed, contradicted } = comparedPairs(strips, inHand)
  const keys = [...new Set(agreed.flatMap((order) => [order.before, order.after]))]
  const group = loopGroups(keys, agreed)
  const kept = agreed.filter((order) => group.get(order.before) !== group.get(order.after))
  return {
    kept,
    inCircle: agreed.filter((order) => group.get(order.before) === group.get(order.after)),
    contradicted,
    shown: fewestPairs(kept),
  }
}

/**
 * Every "A before B" of the strips, in which all agree that have both, and in which they don't. Cost: O(strips x
 * operations^2).
 */
export function comparedPairs(
  strips: readonly Strip[],
  inHand: ReadonlySet<string> | null,
): { agreed: LearntOrder[]; contradicted: LearntOrders['contradicted'] } {
  const seen = new Map<string, { before: string; after: string; strips: string[] }>()
  for (const strip of strips) {
    if (strip.brokeRule) continue
    const sequence = [...new Set(strip.sequence)].filter((key) => inHand === null || inHand.has(key))
    for (const [i, before] of sequence.entries())
      for (const after of sequence.slice(i + 1)) {
        const name = `${before}>${after}`
        const known = seen.get(name)
        if (known) known.strips.push(strip.id)
        else seen.set(name, { before, after, strips: [strip.id] })
      }
  }
  const agreed: LearntOrder[] = []
  const contradicted: LearntOrders['contradicted'] = []
  for (const [name, order] of [...seen].sort(([a], [b]) => compareText(a, b))) {
    const turned = seen.get(`${order.after}>${order.before}`)
    if (!turned) agreed.push(order)
    else if (name < `${order.after}>${order.before}`)
      contradicted.push({ before: order.before, after: order.after, forIt: order.strips, against: turned.strips })
  }
  return { agreed, contradicted }
}

/** How many strips that have both operations show this order, of how many. */
export function agreement(strips: readonly Strip[], before: string, after: string): { agree: number; of: number } {
  let agree = 0
  let of = 0
  for (const { sequence } of strips) {
    const [a, b] = [sequence.indexOf(before), sequence.indexOf(after)]
    if (a < 0 || b < 0) continue
    of += 1
    if (a < b) agree += 1
  }
  return { agree, of }
}
