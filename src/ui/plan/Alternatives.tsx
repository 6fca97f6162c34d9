'use client'
import { useMemo, useState } from 'react'
import type { PlanningInput } from '@/client/planning'
import { quotationOf, type Quotation } from '@/core/plan/show/quotation'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { FittedKit } from '@/core/shop/kitHere'
import type { HouseValues } from '@/core/shop/houseValues'
import { moneyWords } from '@/words/money'
import { planErrorSentence } from '@/words/problems'
import { functionNames, promiseWords } from '@/words/quotationWords'
import { useLaying } from './useLaying'
import { usePlanning } from './usePlanning'

type Row = { name: string; value: (quoted: Quotation) => string; number?: (quoted: Quotation) => number }

/** The same vehicle with another kit: money, minutes, what is lost, holes, and whether it can be put back. */
export function Alternatives({
  plan,
  document,
  house,
  kits,
  chosen,
  askWith,
  onTake,
}: {
  plan: PlanOnCards
  document: ProcedureDocument
  house: HouseValues
  kits: readonly FittedKit[]
  chosen: readonly FittedKit[]
  askWith: (kits: readonly FittedKit[]) => PlanningInput
  onTake: (kitId: string) => void
}) {
  const others = kits.filter(({ kit }) => !chosen.some((item) => item.kit.id === kit.id))
  const [id, setId] = useState('')
  const other = useMemo(() => kits.find(({ kit }) => kit.id === id) ?? null, [kits, id])
  const input = useMemo(() => (other ? askWith([other]) : null), [other, askWith])
  const { result, current } = usePlanning(useLaying(input).input)
  if (chosen.length === 0 || others.length === 0) return null
  const compared = current && result?.ok ? quotationOf(result.value, house.labourMinorPerHour) : null
  const own = quotationOf(plan, house.labourMinorPerHour)
  return (
    <section className="border-t-2 border-ink pt-2" aria-label="Alternatives">
      <label className="flex items-center justify-between gap-3">
        <span className="font-bold">Side by side with</span>
        <select className="field max-w-60" value={other?.kit.id ?? ''} onChange={(event) => setId(event.target.value)}>
          <option value="">nothing</option>
          {others.map(({ kit }) => (
            <option key={kit.id} value={kit.id}>
              {kit.name}
            </option>
          ))}
        </select>
      </label>
      {other && result && !result.ok && current && <p className="mt-2">{planErrorSentence(document, result.error)}</p>}
      {other && (compared || !current) && (
        <table className="mt-2 w-full text-right align-top">
          <thead>
            <tr className="border-b-2 border-ink align-bottom">
              <th className="py-1 text-left font-normal">
                <span className="sr-only">What</span>
              </th>
              <th className="py-1 pl-3 font-bold">this plan</th>
              <th className="py-1 pl-3 font-bold">{other.kit.name}</th>
            </tr>
          </thead>
          <tbody>
            {rowsOf(house, document).map((row) => (
              <tr key={row.name} className="border-b border-hair align-top">
                <th className="py-1 text-left font-normal">{row.name}</th>
                <td className="py-1 pl-3">
                  <Cell row={row} of={own} beside={compared} />
                </td>
                <td className="py-1 pl-3">{compared ? <Cell row={row} of={compared} beside={own} /> : '…'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {other && compared && (
        <button
          type="button"
          className="desk-button mt-2"
          onClick={() => {
            onTake(other.kit.id)
            setId('')
          }}
        >
          Take it: {other.kit.name}
        </button>
      )}
    </section>
  )
}

/** The better of two is told by a mark as well as by its weight. */
function Cell({ row, of, beside }: { row: Row; of: Quotation; beside: Quotation | null }) {
  const better = beside !== null && row.number !== undefined && row.number(of) < row.number(beside)
  return (
    <span className={row.number ? 'num whitespace-nowrap' : 'text-[15px] leading-tight'}>
      {better ? (
        <b>
          <span className="sr-only">better: </span>
          <span aria-hidden="true">◂ </span>
          {row.value(of)}
        </b>
      ) : (
        row.value(of)
      )}
    </span>
  )
}

function rowsOf({ currency }: HouseValues, document: ProcedureDocument): Row[] {
  const money = (minor: number | null) => (minor === null ? 'no price' : moneyWords(minor, currency))
  const list = (names: readonly string[]) => names.join(', ') || 'none'
  return [
    { name: 'parts', value: (q) => money(q.partsMinor), number: (q) => q.partsMinor },
    { name: 'work', value: (q) => money(q.labourMinor), number: (q) => q.labourMinor ?? 0 },
    { name: 'together', value: (q) => money(q.totalMinor), number: (q) => q.totalMinor },
    { name: 'at the vehicle', value: (q) => promiseWords(q.minutes.vehicle), number: (q) => q.vehicleS },
    { name: 'at the bench', value: (q) => promiseWords(q.minutes.bench), number: (q) => q.benchS },
    { name: 'plugs opened', value: (q) => `${q.plugsOpened}`, number: (q) => q.plugsOpened },
    { name: 'holes and cuts', value: (q) => `${q.changes.length}`, number: (q) => q.changes.length },
    { name: 'can be put back', value: (q) => (q.changes.length === 0 ? 'yes' : 'no') },
    { name: 'gained', value: (q) => list(q.gained.map(({ name }) => name)) },
    { name: 'lost', value: (q) => list(functionNames(document, q.lost)) },
  ]
}
