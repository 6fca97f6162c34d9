import { wallMsOf } from '@/core/base/clock'
import type { URow } from '@/core/job/uRows'
import { testsOwed } from '@/core/job/terms'
import { isAirbagCircuit } from '@/core/procedure/tether'
import { judged } from '@/core/plan/demandsOf'
import { traysFor } from '@/core/plan/trays'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { AirbagFlag, ProductSign, SignalPlate } from '../marks/Signs'
import { Tape } from '../marks/Tape'
import { holderWords, itemWords, threadWords, ownerWords } from '../words/items'
import { JobU } from './JobU'
import { bottomWords, type JobData, type LiveJob } from './useJob'

const dateWords = (ms: number) => new Date(ms).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' })

/** The printed sheet for the vehicle file and the customer: black and one petrol on white. */
export function HandoverSheet({ data, job, rows }: { data: JobData; job: LiveJob; rows: URow[] }) {
  const { state, balance, plan, model } = job
  const count = (account: string) => {
    const mine = balance.rows.filter((row) => row.account === account)
    return `${mine.filter((row) => !balance.openRows.includes(row)).length} of ${mine.length}`
  }
  const cautions = new Map(plan ? [...plan.wayIn, ...plan.wayOut].flatMap((card) => card.steps.flatMap((step) => cautionsFor(model, judged(plan.job, step.operation), job.circumstances).filter((caution) => !caution.builtIn).map((caution) => [caution.id, caution] as const))) : [])
  const airbags = [...state.tethersTouched].filter((id) => isAirbagCircuit(job.document.tethers.find((tether) => tether.id === id)!))
  const lookalike = (plan ? traysFor(plan) : []).filter((tray) => tray.notWith.length > 0)
  const tested = testsOwed(job.document, state, job.terms)
  return (
    <article data-theme="desk" className="mx-auto max-w-[190mm] p-2 text-[14px]">
      <header className="flex items-center gap-4">
        <ProductSign size={44} />
        <h1 className="whitespace-nowrap text-3xl">Hand-over</h1>
        <Tape label={data.vehicle.label.toUpperCase()} size="l" />
        <dl className="ml-auto grid grid-cols-2 gap-x-6">
          <Fact name="Vehicle" value={`${job.document.name} ${data.vehicle.plate}`} />
          <Fact name="Customer" value={data.vehicle.customer || '–'} />
          <Fact name="Done" value={data.title} />
          <Fact name="On" value={state.handedOver ? dateWords(wallMsOf(state.handedOver.at)) : 'not handed over'} />
        </dl>
      </header>
      <div className="on-sign my-4 flex items-center justify-between rounded p-3" style={{ printColorAdjust: 'exact' }}>
        <b className="text-2xl">{balance.closed ? 'Nothing left open' : `${balance.openRows.length} still open`}</b>
        <span>
          {count('holder')} fastener groups, {count('part')} parts, {count('tether')} plugs, {count('setting')} settings
        </span>
      </div>
      <div className="grid grid-cols-[1.3fr_1fr] gap-6">
        <section>
          <h2 className="border-b-2 border-ink text-lg">What was opened</h2>
          <JobU model={model} rows={rows} bottom={{ goals: bottomWords(data, job), works: [], tests: [], reached: true }} size="desk" />
        </section>
        <section className="space-y-3">
          <h2 className="border-b-2 border-ink text-lg">For the next person</h2>
          {airbags.length > 0 && (
            <p>
              <AirbagFlag /> Was open and is closed again: {airbags.map((id) => itemWords(job.document, id)).join(', ')}.
            </p>
          )}
          {[...cautions.values()].map((caution) => (
            <p key={caution.id}>
              <SignalPlate severity={caution.severity} small /> {caution.sentence}
            </p>
          ))}
          {lookalike.flatMap((tray) =>
            tray.holderIds.map((id) => {
              const holder = job.document.holders.find((item) => item.id === id)!
              return (
                <p key={id} className="num">
                  {holderWords(holder)}, {threadWords(holder)}: {ownerWords(job.document, holder)}
                </p>
              )
            }),
          )}
        </section>
      </div>
      <section className="mt-4">
        <h2 className="border-b-2 border-ink text-lg">Tested</h2>
        <table className="w-full">
          <tbody>
            {tested.map((item) => {
              const test = state.tests.get(item.id)
              return (
                <tr key={item.id} className="border-b border-hair">
                  <th scope="row" className="py-1 text-left">
                    {item.name}
                  </th>
                  <td className="num">{test?.reading}</td>
                  <td>{test ? dateWords(wallMsOf(test.at)) : ''}</td>
                  <td className="text-right font-bold">{test?.result ?? 'not tested'}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </section>
      <footer className="mt-8 grid grid-cols-2 gap-8">
        {state.signatures.map((signature) => (
          <p key={signature.as} className="border-t-2 border-ink pt-1">
            <b>{signature.name}</b>, {signature.as} <span className="float-right">{dateWords(wallMsOf(signature.at))}</span>
          </p>
        ))}
      </footer>
    </article>
  )
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt className="text-[12px]">{name}</dt>
      <dd className="font-bold">{value}</dd>
    </div>
  )
}
