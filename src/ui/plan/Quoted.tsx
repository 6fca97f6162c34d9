'use client'
import { FileText } from 'lucide-react'
import { useState } from 'react'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { quotationOf } from '@/core/plan/show/quotation'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { HouseValues } from '@/core/shop/houseValues'
import { moneyWords } from '@/words/money'
import { backToFactoryWords, blockedWords, functionNames, PHASE_WORDS, promiseWords } from '@/words/quotationWords'
import { Dialog } from '../shell/Dialog'
import { QuotationForm } from './QuotationForm'

/** What the job is promised as: what it brings and takes, how long and how much by phase, and a paper of it. */
export function Quoted({
  plan,
  document,
  house,
  vehicleId,
  current,
}: {
  plan: PlanOnCards
  document: ProcedureDocument
  house: HouseValues
  vehicleId: string
  current: boolean
}) {
  const [asks, setAsks] = useState(false)
  const quoted = quotationOf(plan, house.labourMinorPerHour)
  const money = (minor: number) => moneyWords(minor, house.currency)
  const names = new Map(
    plan.request.kits.flatMap(({ kit }) =>
      [kit.functions, kit.parts, kit.plugs, kit.settings].flat().map(({ id, name }) => [id, name] as const),
    ),
  )
  const nameOf = (id: string) => names.get(id) ?? id
  return (
    <section aria-label="Promise">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Promised as</h2>
      <Functions name="Gained" list={quoted.gained.map(({ name }) => name)} />
      <Functions name="Works differently" list={functionNames(document, quoted.changed)} />
      <Functions name="Kept, and tested" list={functionNames(document, quoted.kept)} />
      <Functions name="Lost" list={functionNames(document, quoted.lost)} />
      {blockedWords(nameOf, quoted).map((words) => (
        <p key={words} role="status" className="mt-1 border-l-8 border-ink bg-sheet px-3 py-1 font-bold" data-blocked>
          {words}
        </p>
      ))}
      <table className="mt-2 w-full text-right">
        <caption className="sr-only">Time and price by phase</caption>
        <tbody>
          {quoted.phases
            .filter(({ minutes }) => minutes > 0)
            .map(({ phase, minutes, minor }) => (
              <tr key={phase} className="border-b border-hair">
                <th className="py-1 text-left font-normal">{PHASE_WORDS[phase]}</th>
                <td className="num whitespace-nowrap py-1 pl-3">{promiseWords(minutes)}</td>
                <td className="num whitespace-nowrap py-1 pl-3">{minor === null ? '' : money(minor)}</td>
              </tr>
            ))}
          {quoted.parts.length > 0 && (
            <tr className="border-b border-hair">
              <th className="py-1 text-left font-normal">
                Parts{quoted.unpriced > 0 && `, ${quoted.unpriced} without a price`}
              </th>
              <td />
              <td className="num whitespace-nowrap py-1 pl-3">{money(quoted.partsMinor)}</td>
            </tr>
          )}
          <tr className="border-b-2 border-ink font-bold">
            <th className="py-1 text-left">Together</th>
            <td className="num whitespace-nowrap py-1 pl-3">{promiseWords(quoted.minutes.together)}</td>
            <td className="num whitespace-nowrap py-1 pl-3">{money(quoted.totalMinor)}</td>
          </tr>
        </tbody>
      </table>
      {quoted.labourMinor === null && (
        <p className="mt-1 text-[15px] text-second">
          Work has no price yet: set what an hour costs under Shop, Values.
        </p>
      )}
      <p className="mt-1 text-[15px]">
        {promiseWords(quoted.minutes.vehicle)} at the vehicle, {promiseWords(quoted.minutes.bench)} at the bench.{' '}
        {backToFactoryWords(quoted)}
      </p>
      <button type="button" className="desk-button mt-2" disabled={!current} onClick={() => setAsks(true)}>
        <FileText size={16} aria-hidden /> Quotation as PDF
      </button>
      <Dialog title="Quotation" open={asks} onClose={() => setAsks(false)}>
        <QuotationForm vehicleId={vehicleId} request={plan.request} close={() => setAsks(false)} />
      </Dialog>
    </section>
  )
}

function Functions({ name, list }: { name: string; list: readonly string[] }) {
  if (list.length === 0) return null
  return (
    <p className="border-b border-hair py-1">
      <b>{name}:</b> {list.join(', ')}
    </p>
  )
}
