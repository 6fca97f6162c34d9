'use client'
import { Printer } from 'lucide-react'
import Link from 'next/link'
import { useState } from 'react'
import { wallMsOf } from '@/core/base/clock'
import { handoverBlocks, type HandoverBlock } from '@/core/job/handover'
import { MayRing, StopSign } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import { blockSentence } from '@/words/balanceWords'
import { reopenedWords } from '@/words/handoverFacts'
import { itemWords } from '@/words/items'
import { JobHead } from './JobHead'
import { HandoverTests } from './HandoverTests'
import { nameOf } from './nameOf'
import { ChangedForGood, ToldAndPutBack } from './ToldAndPutBack'
import { type JobData, type LiveJob } from './useJob'
import { useAnyJob } from './useAnyJob'
import { dateWords } from '@/words/dates'

export type HandOver = (jobId: string) => Promise<{ status: 'done' } | { status: 'refused'; sentences: string[] }>

/** Tests, open accounts, two signatures, and the gate: what is still in the way is named, never waved through. */
export function HandoverScreen({
  data,
  change,
  handOver,
}: {
  data: JobData
  change: ChangeActing
  handOver: HandOver
}) {
  const job = useAnyJob(data)
  const { state } = job
  const blocks = [...handoverBlocks(job.document, state, data.shopHasOthers, job.terms), ...blocksHere(job)]
  const handed = data.handedOver && state.handedOver !== null
  const accounts = blocks.filter((block) => block.kind === 'account')
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back={`/jobs/${data.id}`} />
      <main className="no-print grid flex-1 gap-x-10 gap-y-6 px-6 pb-8 lg:grid-cols-[1.2fr_1fr]">
        <section>
          <h1 className="mb-3 text-4xl">Hand-over</h1>
          {state.handedOver === null && state.handedOverBefore && (
            <p role="status" className="mb-4 border-l-8 border-ink pl-4 text-xl">
              {reopenedWords(dateWords(wallMsOf(state.handedOverBefore.at), 'printed', data.house.timeZone))}
            </p>
          )}
          <HandoverTests data={data} job={job} />
          {!handed && <ToldAndPutBack data={data} job={job} />}
          <ChangedForGood job={job} />
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
              <h2 className="text-4xl font-extrabold">
                {handed ? 'Handed over' : blocks.length === 0 ? 'Nothing left open' : `${blocks.length} in the way`}
              </h2>
            </div>
            {blocks.length > 0 && (
              <ul className="mt-4 list-disc space-y-2 pl-6 text-xl">
                {blocks.map((block, i) => (
                  <li key={i}>
                    <Link className="underline decoration-2 underline-offset-4" href={blockPlace(data.id, block)}>
                      {blockSentence(job.document, block)}
                    </Link>
                  </li>
                ))}
              </ul>
            )}
          </div>
          {accounts.length > 0 && (
            <Link className="slab" href={`/jobs/${data.id}/balance`}>
              To the balance: close {accounts.length} {accounts.length === 1 ? 'row' : 'rows'}
            </Link>
          )}
          {!handed && (
            <div id="signatures">
              <Signatures data={data} job={job} />
            </div>
          )}
          {!handed ? <HandOverSlab data={data} job={job} may={blocks.length === 0} handOver={handOver} /> : null}
          <Link className="ghost" href={`/jobs/${data.id}/customer`}>
            With the customer: {state.shown ? `shown to ${state.shown.by}` : 'show, teach, sign'}
          </Link>
          {job.terms.kits.length > 0 && (
            <Link className="ghost" href={`/jobs/${data.id}/commissioning`}>
              Setting up: the list
            </Link>
          )}
          <a className="ghost" href={`/jobs/${data.id}/sheet`} target="_blank" rel="noreferrer">
            <Printer size={22} aria-hidden /> The sheet as PDF
          </a>
        </section>
      </main>
    </div>
  )
}

/** What is in the way on this tablet alone. */
function blocksHere({ log }: LiveJob): HandoverBlock[] {
  const [newer, refused] = [log.notUnderstood.size, log.refused.size]
  return [
    ...(newer > 0 ? [{ kind: 'not understood', count: newer } as const] : []),
    ...(refused > 0 ? [{ kind: 'refused here', count: refused } as const] : []),
  ]
}

/** Where what is in the way is closed: its row of the balance, its test, the signatures, the job. */
function blockPlace(jobId: string, block: HandoverBlock): string {
  switch (block.kind) {
    case 'account':
      return `/jobs/${jobId}/balance#${block.row.account}:${block.row.id}`
    case 'not tested':
    case 'test failed':
    case 'tested before it was closed':
    case 'tested before it was closed over':
      return `#test:${block.functionId}`
    case 'change not recorded':
      return `/jobs/${jobId}`
    case 'loss not accepted':
    case 'not restored':
      return '#told'
    default:
      return '#signatures'
  }
}

function Signatures({ data, job }: { data: JobData; job: LiveJob }) {
  const { signatures } = job.state
  const installer = signatures.find((signature) => signature.as === 'installer')
  const second = signatures.find((signature) => signature.as !== 'installer')
  const asSecond = data.shopHasOthers ? 'checker' : 'second pass'
  const sign = (as: 'installer' | 'checker' | 'second pass') =>
    job.record([{ kind: 'countersigned', as, name: data.acting.name }])
  const samePerson = data.shopHasOthers && installer?.personId === data.acting.id
  const row = (title: string, signature: typeof installer, button: React.ReactNode) => (
    <div className="flex items-center justify-between gap-4 border-b-2 border-ink py-3">
      <div>
        <p className="text-second">{title}</p>
        <p className="min-h-8 text-2xl font-bold">
          {signature ? `${signature.name}, ${dateWords(wallMsOf(signature.at), 'clock', data.house.timeZone)}` : ''}
        </p>
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
          <span className="max-w-56 text-right text-second">
            Another person checks: tap the name at the top and change who acts.
          </span>
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
      <button
        type="button"
        className="slab w-full !min-h-[84px] text-3xl"
        disabled={!may || busy || waiting > 0}
        onClick={go}
      >
        {busy ? 'Handing over…' : 'Hand over'}
      </button>
      <p className="mt-2 min-h-6 text-lg" role="alert">
        {waiting > 0 ? `Waits until ${waiting} taps kept here are in the shop.` : sentences.join(' ')}
      </p>
    </div>
  )
}
