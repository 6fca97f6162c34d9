import type { BalanceRow } from '@/core/job/balance'
import { supplyName } from '@/words/kitRowWords'
import type { LiveJob } from './useJob'

type Supply = Extract<BalanceRow, { account: 'supply' }>

/** What kits leave over, counted in the hand: one more was not fitted where the log says so, one less may lie about. */
export function LeftOver({ job }: { job: LiveJob }) {
  const rows = job.balance.rows.filter((row): row is Supply => row.account === 'supply' && row.left > 0)
  if (rows.length === 0) return null
  const count = (row: Supply, left: number) => job.record([{ kind: 'left over', itemId: row.id, count: left }])
  return (
    <section className="mt-6" aria-label="Left over of the kit">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">
        Left over of the kit <span className="font-normal text-second">count what is in the box</span>
      </h2>
      <ul>
        {rows.map((row) => {
          const counted = job.state.leftOver.get(row.id)
          const name = supplyName(job.document, row.id)
          return (
            <li key={row.id} className="flex flex-wrap items-center gap-3 border-b border-hair py-2" data-left={row.id}>
              <span className="min-w-56 flex-1 text-lg">
                <b>{name}</b>{' '}
                <span className="block text-second">
                  {row.left} left over
                  {row.wanted === 0 ? ': none is for this build, back to the shelf' : ', as expected'}
                </span>
              </span>
              <button
                type="button"
                className="ghost"
                aria-pressed={counted === row.left}
                onClick={() => count(row, row.left)}
              >
                {row.left} counted
              </button>
              <button
                type="button"
                className="ghost"
                aria-label={`One less left: ${name}`}
                onClick={() => count(row, Math.max(0, (counted ?? row.left) - 1))}
              >
                −
              </button>
              <button
                type="button"
                className="ghost"
                aria-label={`One more left: ${name}`}
                onClick={() => count(row, (counted ?? row.left) + 1)}
              >
                +
              </button>
              <button
                type="button"
                className="ghost"
                aria-label={`${row.left} to the shelf: ${name}`}
                onClick={() => job.record([{ kind: 'ended', itemId: row.id, end: 'stock', count: row.left, note: '' }])}
              >
                To the shelf
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
