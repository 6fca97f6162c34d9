import { seededRandom } from '@/core/base/random'
import type { Goal } from '@/core/order/wish'
import { Facet } from '@/core/procedure/facet'
import type { ProcedureDocument } from '@/core/procedure/document'
import { randomProcedure } from '@/core/procedure/randomProcedure.testing'

/**
 * A record of about `size` parts that has an order: the first seed without a contradiction that is also free of
 * circles.
 */
export function largeRecord(size: number, seed = 1): ProcedureDocument {
  const document = randomProcedure(seed, { kind: 'dash', size })
  // Groups that hold two parts at random nearly always close a circle in a record of this size.
  for (const holder of document.holders) holder.holds = holder.holds.slice(0, 1)
  const random = seededRandom(seed)
  for (const name of ['gearbox', 'starter', 'audio']) {
    document.facets.push(
      Facet.parse({
        id: name,
        name,
        choices: [
          { id: `${name}-a`, name: 'a' },
          { id: `${name}-b`, name: 'b' },
        ],
      }),
    )
    for (const item of [...document.holders, ...document.tethers])
      if (random.chance(0.02)) item.when = { [name]: [random.pick([`${name}-a`, `${name}-b`])] }
  }
  return document
}

export function everythingOff(document: ProcedureDocument): Goal[] {
  return document.parts.map((part) => ({ kind: 'part', partId: part.id, level: 'off' }))
}
