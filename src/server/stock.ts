import 'server-only'
import { sql } from 'kysely'
import { readKept } from '@/core/base/keptJson'
import { stockMovesOf } from '@/core/job/stockMoves'
import { adoptedPlan } from '@/core/job/terms'
import { KEPT_REQUEST, type PlanRequest } from '@/core/plan/ask/planRequest'
import { onHand, sameNumber, type OnShelf, type StockMove } from '@/core/shop/onShelf'
import type { Stock } from '@/core/shop/stock'
import { allEvents } from './jobEvents'
import { inShop, type Crew } from './whoAsks'

/** What lies on the shelves now: as counted, and what jobs took or brought back since. Cost: the logs of those jobs. */
export async function shelfNow(crew: Crew): Promise<OnShelf[]> {
  return onHand(crew.stock, await stockMoves(crew, crew.stock))
}

/** For a job: what is counted of what its kits use, and what other jobs took since. Its own log it has itself. */
export async function stockForJob(
  crew: Crew,
  job: { id: string; request: PlanRequest | null },
): Promise<{ items: Stock; moves: StockMove[] }> {
  const things = job.request?.kits.flatMap(({ kit }) => [...kit.parts, ...kit.holders]) ?? []
  const used = new Set(things.map(({ supply }) => sameNumber(supply.partNumber)))
  const items = crew.stock.filter(({ partNumber }) => used.has(sameNumber(partNumber)))
  return { items, moves: await stockMoves(crew, items, job.id) }
}

/** Of jobs that took from a shelf or brought something back since the oldest of these counts. */
async function stockMoves(crew: Crew, items: Stock, exceptJobId: string | null = null): Promise<StockMove[]> {
  if (items.length === 0) return []
  const since = new Date(Math.min(...items.map(({ countedAt }) => Date.parse(countedAt))))
  return inShop(crew, async (trx) => {
    const jobs = await trx
      .selectFrom('job')
      .select(['id', 'request'])
      .where('request', 'is not', null)
      .where(({ exists, selectFrom }) =>
        exists(
          selectFrom('job_event')
            .select('job_event.id')
            .whereRef('job_event.job_id', '=', 'job.id')
            // A tablet that was away sends later: nothing arrives before it was said.
            .where('job_event.received_at', '>=', since)
            .where(sql<boolean>`'stock' in (body->'what'->>'from', body->'what'->>'end')`),
        ),
      )
      .execute()
    const moves: StockMove[] = []
    for (const { id, request } of jobs) {
      if (id === exceptJobId) continue
      const { events } = await allEvents(trx, id)
      const asked = [readKept(KEPT_REQUEST, request), adoptedPlan(events)?.request]
      moves.push(
        ...stockMovesOf(
          asked.flatMap((of) => of?.kits ?? []),
          events,
        ),
      )
    }
    return moves
  })
}
