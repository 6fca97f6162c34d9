import type { ProcedureDocument } from '@/core/procedure/document'
import type { Build } from '@/core/procedure/when'
import type { PlanExtras } from '@/core/plan/show/planExtras'
import type { FittedKit } from '@/core/shop/kitHere'
import { costOf, suppliesToBring } from '@/core/shop/supplyBranches'
import { itemWords, plural } from '@/words/items'
import { kitMinutesWords } from '@/words/kitWords'
import { supplyName } from '@/words/kitRowWords'
import { moneyWords } from '@/words/money'
import { seenFromWords } from '@/words/tellWords'

/** What the kits need in parts, and what decides about them that nobody knows yet: before anything is promised. */
export function PartsToBring({
  document,
  kits,
  build,
  deciding,
  currency,
}: {
  document: ProcedureDocument
  kits: readonly FittedKit[]
  build: Build
  /** Null while it is worked out. */
  deciding: PlanExtras['deciding'] | null
  currency: string
}) {
  const open = document.facets.filter(({ id }) => build[id] === undefined)
  const needs = suppliesToBring(kits, build, open).filter(({ needed }) => needed > 0)
  if (needs.length === 0) return null
  const parts = needs.filter(({ of }) => of === 'part')
  const fasteners = needs.reduce((sum, { of, needed }) => sum + (of === 'holder' ? needed : 0), 0)
  const days = Math.max(...parts.map(({ supply }) => supply.supplierDays ?? 0))
  const unpriced = parts.filter(({ supply }) => supply.priceMinor === null).length
  return (
    <section aria-label="Parts">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Parts</h2>
      <ul className="py-1">
        {parts.map(({ itemId, needed, supply }) => (
          <li key={itemId} className="flex gap-3 text-[15px] leading-snug">
            <span className="num w-6 text-right">{needed}</span>
            <span className="flex-1">
              {supplyName(document, itemId)} <span className="text-second">{supply.partNumber}</span>
            </span>
            <span className="num text-second">
              {supply.priceMinor === null ? '' : moneyWords(supply.priceMinor * needed, currency)}
            </span>
          </li>
        ))}
      </ul>
      <p>
        <b className="num">{moneyWords(costOf(needs), currency)}</b> in parts
        {unpriced > 0 && `, ${unpriced} without a price`}, <b className="num">{fasteners}</b>{' '}
        {plural('fastener', fasteners)} of the kit
        {days > 0 && `, ${days} ${plural('day', days)} from the supplier`}.
      </p>
      {deciding?.map((item) => (
        <Decides key={item.facetId} item={item} document={document} currency={currency} />
      ))}
    </section>
  )
}

/** One question that decides about parts: bring for every branch, or look first. */
function Decides({
  item,
  document,
  currency,
}: {
  item: PlanExtras['deciding'][number]
  document: ProcedureDocument
  currency: string
}) {
  const facet = document.facets.find(({ id }) => id === item.facetId)!
  const money = (minor: number) => moneyWords(minor, currency)
  const name = (choiceId: string) => facet.choices.find(({ id }) => id === choiceId)!.name
  return (
    <div className="mt-2 border-l-4 border-ink pl-3" data-decides={item.facetId}>
      <p className="font-semibold">
        {facet.name} decides what is bought
        {facet.toldFrom
          ? `, and is told for certain ${seenFromWords(document, facet.toldFrom)}.`
          : ': ask before it is ordered.'}
      </p>
      <ul>
        {item.branches.map(({ choiceId, costMinor, only }) => (
          <li key={choiceId} className="text-[15px]">
            <b>{name(choiceId)}</b>:{' '}
            {only.length === 0
              ? 'nothing more'
              : only
                  .map(({ itemId, count }) => `${count > 1 ? `${count} × ` : ''}${itemWords(document, itemId)}`)
                  .join(', ')}
            {costMinor > 0 && <span className="num"> {money(costMinor)}</span>}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[15px]">
        <b>Bring for {item.branches.length === 2 ? 'both' : 'every case'}:</b>{' '}
        <span className="num">{money(item.bringMinor)}</span>, of which{' '}
        {item.branches.map(({ choiceId, costMinor }, i) => (
          <span key={choiceId}>
            {i > 0 && ', '}
            <span className="num">{money(item.bringMinor - costMinor)}</span> goes back if {name(choiceId)}
          </span>
        ))}
        .
      </p>
      {item.lookFirstS !== null && (
        <p className="text-[15px]">
          <b>Or look first:</b> {kitMinutesWords(item.lookFirstS)} to where it is seen and back, and only what is needed
          is bought.
        </p>
      )}
      {item.unpriced > 0 && <p className="text-[15px] text-second">{item.unpriced} of these without a price.</p>}
    </div>
  )
}
