'use client'
import { Printer } from 'lucide-react'
import Link from 'next/link'
import { useState } from 'react'
import { wallMsOf } from '@/core/base/clock'
import { handoverBlocks, lossesOf } from '@/core/job/handover'
import { toRestore } from '@/core/job/intake'
import { testsOwed, type OwedTest } from '@/core/job/terms'
import { ClosedTick, MayRing, StopSign } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import type { LastingChange } from '@/core/shop/workItem'
import { Dialog } from '../shell/Dialog'
import { INTAKE_WORDS } from '../words/intakeWords'
import { blockSentence } from '../words/balanceWords'
import { itemWords } from '../words/items'
import { JobHead } from './JobHead'
import { TestFailed } from './TestFailed'
import { ChangeForm } from './WorkDone'
import { useJob, type JobData, type LiveJob } from './useJob'

export type HandOver = (jobId: string) => Promise<{ status: 'done' } | { status: 'refused'; sentences: string[] }>

/** Tests, open accounts, two signatures, and the gate: what is still in the way is named, never waved through. */
export function HandoverScreen({ data, change, handOver }: { data: JobData; change: ChangeActing; handOver: HandOver }) {
  const job = useJob(data)
  const { state } = job
  const blocks = handoverBlocks(job.document, state, data.shopHasOthers, job.terms)
  const handed = data.handedOver && state.handedOver !== null
  const accounts = blocks.filter((block) => block.kind === 'account')
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back={`/jobs/${data.id}`} />
      <main className="no-print grid flex-1 gap-x-10 gap-y-6 px-6 pb-8 lg:grid-cols-[1.2fr_1fr]">
        <section>
          <h1 className="mb-3 text-4xl">Hand-over</h1>
          <Tests data={data} job={job} />
          {!handed && <Told data={data} job={job} />}
          <Lasting job={job} />
          {state.deviations.length > 0 && (
            <section className="mt-6">
              <h2 className="border-b-2 border-ink pb-1 text-2xl">Found different: for a lead to decide</h2>
              <ul>
                {state.deviations.map((deviation) => (
                  <li key={deviation.eventId} className="border-b border-hair py-2 text-lg">
                    {itemWords(job.document, deviation.itemId)}: {deviation.field} {deviation.value}
                  </li>
                ))}
              </ul>
            </section>
          )}
          {state.notes.length > 0 && (
            <section className="mt-6">
              <h2 className="border-b-2 border-ink pb-1 text-2xl">Notes</h2>
              <ul>
                {state.notes.map((note) => (
                  <li key={note.eventId} className="border-b border-hair py-2 text-lg">
                    {note.text} <span className="text-second">{nameOf(data, note.personId)}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </section>
        <section className="flex flex-col gap-6">
          <div className="on-sign rounded p-6" role="status" data-gate={blocks.length === 0 ? 'open' : 'shut'}>
            <div className="flex items-center gap-4">
              {blocks.length === 0 ? <MayRing size={56} /> : <StopSign size={56} />}
              <h2 className="text-4xl font-extrabold">{handed ? 'Handed over' : blocks.length === 0 ? 'Nothing left open' : `${blocks.length} in the way`}</h2>
            </div>
            {blocks.length > 0 && (
              <ul className="mt-4 list-disc space-y-2 pl-6 text-xl">
                {blocks.map((block, i) => (
                  <li key={i}>{blockSentence(job.document, block)}</li>
                ))}
              </ul>
            )}
          </div>
          {accounts.length > 0 && (
            <Link className="slab" href={`/jobs/${data.id}/balance`}>
              To the balance: close {accounts.length} {accounts.length === 1 ? 'row' : 'rows'}
            </Link>
          )}
          {!handed && <Signatures data={data} job={job} />}
          {!handed ? <HandOverSlab data={data} job={job} may={blocks.length === 0} handOver={handOver} /> : null}
          <a className="ghost" href={`/jobs/${data.id}/sheet`} target="_blank" rel="noreferrer">
            <Printer size={22} aria-hidden /> The sheet as PDF
          </a>
        </section>
      </main>
    </div>
  )
}

export function nameOf(data: JobData, personId: string): string {
  return data.crew.find((person) => person.id === personId)?.name ?? 'somebody'
}

export function clockWords(ms: number): string {
  return new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

function Tests({ data, job }: { data: JobData; job: LiveJob }) {
  const owed = testsOwed(job.document, job.state, job.terms)
  return (
    <section>
      <h2 className="flex justify-between border-b-2 border-ink pb-1 text-2xl">
        Tests <span className="text-lg font-normal text-second">every function of a plug that was opened, and what was added</span>
      </h2>
      {owed.length === 0 && <p className="py-3 text-lg text-second">No plug with a function was opened.</p>}
      <ul>
        {owed.map((item) => (
          <TestRow key={item.id} item={item} data={data} job={job} />
        ))}
      </ul>
    </section>
  )
}

/** What has to be told or put back before anybody signs: losses, and what the intake noted. */
function Told({ data, job }: { data: JobData; job: LiveJob }) {
  const { state, terms } = job
  const [by, setBy] = useState('')
  const losses = lossesOf(state, terms)
  const untold = losses.filter((id) => !state.lossAccepted?.functionIds.includes(id))
  const restore = toRestore(state)
  const unrecorded = state.works.size > 0 ? terms.changes.filter((change) => !state.changes.has(change.id)) : []
  const [change, setChange] = useState<LastingChange | null>(null)
  if (losses.length + restore.length + unrecorded.length === 0) return null
  return (
    <section className="mt-6" aria-label="Told and put back">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Told and put back</h2>
      <ul>
        {restore.map((point) => (
          <li key={point} className="flex items-center justify-between gap-4 border-b border-hair py-2 text-lg">
            <span>
              <b>{INTAKE_WORDS[point].name}</b>: was “{state.intake.get(point)!.value}”
            </span>
            <button type="button" className="slab" onClick={() => job.record([{ kind: 'restored', point }])}>
              It is so again
            </button>
          </li>
        ))}
        {unrecorded.map((item) => (
          <li key={item.id} className="flex items-center justify-between gap-4 border-b border-hair py-2 text-lg">
            <span>
              <b>{item.where}</b>: {item.what} for good
            </span>
            <button type="button" className="slab" onClick={() => setChange(item)}>
              What was done
            </button>
          </li>
        ))}
        {losses.length > 0 && (
          <li className="border-b border-hair py-2 text-lg">
            <p>
              The vehicle can’t do any more: <b>{losses.map((id) => itemWords(job.document, id)).join(', ')}</b>.{state.lossAccepted && untold.length === 0 && ` Accepted by ${state.lossAccepted.by}.`}
            </p>
            {untold.length > 0 && (
              <form
                className="mt-2 flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                  event.preventDefault()
                  job.record([{ kind: 'loss accepted', functionIds: losses, by: by.trim() }])
                }}
              >
                <label className="block flex-1">
                  <span className="mb-1 block font-semibold">Told to, and accepted by</span>
                  <input className="field !min-h-14 text-lg" maxLength={80} value={by} onChange={(event) => setBy(event.target.value)} placeholder={data.vehicle.customer} />
                </label>
                <button className="slab" disabled={by.trim() === ''}>
                  Accepted
                </button>
              </form>
            )}
          </li>
        )}
      </ul>
      <Dialog title="Changed for good" open={change !== null} onClose={() => setChange(null)}>
        {change && <ChangeForm change={change} record={job.record} close={() => setChange(null)} />}
      </Dialog>
    </section>
  )
}

/** What was changed for good, and what was left out: it stands on the sheet. */
function Lasting({ job }: { job: LiveJob }) {
  const { changes, leftOut } = job.state
  if (changes.size + leftOut.length === 0) return null
  return (
    <section className="mt-6">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Changed for good</h2>
      <ul>
        {[...changes.values()].map((item) => (
          <li key={item.changeId} className="border-b border-hair py-2 text-lg">
            {{ cut: 'Cut', file: 'Filed', drill: 'Drilled' }[item.what]}: {item.where}, {item.how}. Agreed by {item.consentBy}.{item.edgeTreated ? ' Edge treated.' : ' Edge not treated.'}
          </li>
        ))}
        {leftOut.map((item, i) => (
          <li key={i} className="border-b border-hair py-2 text-lg">
            {item.count} left out, {itemWords(job.document, item.holderId)}: {item.reason}
          </li>
        ))}
      </ul>
    </section>
  )
}

function TestRow({ item, data, job }: { item: OwedTest; data: JobData; job: LiveJob }) {
  const functionId = item.id
  const test = job.state.tests.get(functionId)
  const [reading, setReading] = useState('')
  const [why, setWhy] = useState(false)
  const done = data.handedOver && job.state.handedOver !== null
  const record = (result: 'passed' | 'failed') => job.record([{ kind: 'tested', functionId, result, reading: reading.trim() ? `${reading.trim()} ${item.readingUnit}`.trim() : '', note: '' }])
  return (
    <li className="grid grid-cols-1 items-center gap-x-4 gap-y-2 border-b border-hair py-3 md:grid-cols-[1fr_auto_auto]" data-test={functionId}>
      <div>
        <p className="flex items-center gap-3 text-[22px] font-bold">
          {test?.result === 'passed' && <ClosedTick size={26} />}
          {test?.result === 'failed' && <StopSign size={28} />}
          {item.name}
        </p>
        <p className="text-[17px] text-second">
          {item.how}
          {item.power !== 'none' && ` (needs ${item.power})`}
          {job.state.workedBefore.get(functionId)?.works === false && '. It did not work before we began.'}
          {test && `. ${[`${test.result} ${test.reading}`.trim(), nameOf(data, test.personId), clockWords(wallMsOf(test.at))].join(', ')}`}
        </p>
      </div>
      {done ? (
        <span />
      ) : item.readingUnit ? (
        <label className="flex items-center gap-2">
          <span className="sr-only">Reading of {item.name}</span>
          <input className="field num !min-h-14 w-24 text-xl" inputMode="decimal" maxLength={12} value={reading} onChange={(event) => setReading(event.target.value)} />
          <span>{item.readingUnit}</span>
        </label>
      ) : (
        <span />
      )}
      {/* Once it is handed over, a tap here would open the vehicle's account again. */}
      <div className={`gap-2 ${done ? 'hidden' : 'flex'}`}>
        <button type="button" className="slab" onClick={() => record('passed')}>
          Passed
        </button>
        <button type="button" className="ghost" onClick={() => (record('failed'), setWhy(true))}>
          Failed
        </button>
        <Dialog title={`${item.name}: why did it fail?`} open={why} onClose={() => setWhy(false)} wide>
          <TestFailed job={job} functionId={functionId} close={() => setWhy(false)} />
        </Dialog>
      </div>
    </li>
  )
}

function Signatures({ data, job }: { data: JobData; job: LiveJob }) {
  const { signatures } = job.state
  const installer = signatures.find((signature) => signature.as === 'installer')
  const second = signatures.find((signature) => signature.as !== 'installer')
  const asSecond = data.shopHasOthers ? 'checker' : 'second pass'
  const sign = (as: 'installer' | 'checker' | 'second pass') => job.record([{ kind: 'countersigned', as, name: data.acting.name }])
  const samePerson = data.shopHasOthers && installer?.personId === data.acting.id
  const row = (title: string, signature: typeof installer, button: React.ReactNode) => (
    <div className="flex items-center justify-between gap-4 border-b-2 border-ink py-3">
      <div>
        <p className="text-second">{title}</p>
        <p className="min-h-8 text-2xl font-bold">{signature ? `${signature.name}, ${clockWords(wallMsOf(signature.at))}` : ''}</p>
      </div>
      {!signature && button}
    </div>
  )
  return (
    <div>
      {row(
        'Installer',
        installer,
        <button type="button" className="slab" onClick={() => sign('installer')}>
          {data.acting.name} signs
        </button>,
      )}
      {row(
        data.shopHasOthers ? 'Checked by another person' : 'Second pass by the same person',
        second,
        samePerson ? (
          <span className="max-w-56 text-right text-second">Another person checks: tap the name at the top and change who acts.</span>
        ) : (
          <button type="button" className="slab" onClick={() => sign(asSecond)} disabled={!installer}>
            {data.acting.name} has checked
          </button>
        ),
      )}
    </div>
  )
}

function HandOverSlab({ data, job, may, handOver }: { data: JobData; job: LiveJob; may: boolean; handOver: HandOver }) {
  const [busy, setBusy] = useState(false)
  const [sentences, setSentences] = useState<string[]>([])
  const waiting = job.log.waiting.size
  const go = async () => {
    setBusy(true)
    try {
      const outcome = await handOver(data.id)
      if (outcome.status === 'done') return window.location.reload()
      setSentences(outcome.sentences)
    } catch {
      setSentences(['The shop can’t be reached. Nothing was lost; try again when it can.'])
    }
    setBusy(false)
  }
  return (
    <div>
      <button type="button" className="slab w-full !min-h-[84px] text-3xl" disabled={!may || busy || waiting > 0} onClick={go}>
        {busy ? 'Handing over…' : 'Hand over'}
      </button>
      <p className="mt-2 min-h-6 text-lg" role="alert">
        {waiting > 0 ? `Waits until ${waiting} taps kept here are in the shop.` : sentences.join(' ')}
      </p>
    </div>
  )
}
