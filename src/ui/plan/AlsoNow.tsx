import type { PlanExtras } from '@/core/plan/show/planExtras'
import type { ProcedureDocument } from '@/core/procedure/document'
import { itemWords } from '@/words/items'
import { timeWords } from './PlanAnswer'

/** While it is open anyway: openings nobody asked for that cost clearly less now than by themselves. */
export function AlsoNow({
  extras,
  document,
  onAdd,
}: {
  extras: PlanExtras | null
  document: ProcedureDocument
  onAdd: (cavityId: string) => void
}) {
  const cheap = extras?.alsoNow.filter(({ extraS, aloneS }) => extraS < aloneS * 0.8).slice(0, 4) ?? []
  if (cheap.length === 0) return null
  return (
    <section className="border-t-2 border-ink pt-2" aria-label="While it is open anyway">
      <h2 className="text-base">While it is open anyway</h2>
      <ul>
        {cheap.map(({ cavityId, extraS, aloneS }) => (
          <li key={cavityId} className="flex items-center justify-between gap-3 border-b border-hair py-1.5">
            <span>
              <b>{itemWords(document, cavityId)}</b>:{' '}
              {extraS < 1 ? 'nothing more now' : `${timeWords(extraS)} more now`}, {timeWords(aloneS)} another day
            </span>
            <button type="button" className="desk-button shrink-0" onClick={() => onAdd(cavityId)}>
              Add
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
