'use client'
import { useState } from 'react'
import type { LaidAnswer } from '@/client/planning'
import type { FoundRun, LeadLayout } from '@/core/plan/leads/leadLayout'
import type { OtherWay } from '@/core/plan/leads/otherWays'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { FittedKit } from '@/core/shop/kitHere'
import type { KitLead } from '@/core/shop/lead'
import { itemWords } from '@/words/items'
import { electricWords, layoutProofWords, noWayWords, otherWayWords, secondsWords } from '@/words/leadWords'
import { lengthWords } from '@/words/leadNotes'
import { planErrorSentence } from '@/words/problems'
import { Beadline } from '../marks/Beadline'
import { leadLetter } from '../marks/leadLetter'
import { LeadMaps } from './LeadMaps'

type Laid = Extract<LeadLayout, { kind: 'laid' }>

/** The leads of a job: which way each goes, how long it is, and what another way would cost. */
export function LeadRows({
  answer,
  document,
  kits,
  notThere,
  onNotThere,
}: {
  answer: LaidAnswer
  document: ProcedureDocument
  kits: readonly FittedKit[]
  /** Ways the crew does without, by lead. */
  notThere: Readonly<Record<string, readonly string[]>>
  onNotThere: (leadId: string, wayIds: readonly string[]) => void
}) {
  const leads = kits.flatMap(({ kit }) => kit.leads)
  const nameOf = (id: string) => leads.find((lead) => lead.id === id)?.name ?? 'a lead'
  if (!answer.ok)
    return <p className="mt-6 border-l-8 border-stop py-2 pl-5 text-lg">{planErrorSentence(document, answer.error)}</p>
  const { layout } = answer.value
  if (layout.kind === 'no way')
    return (
      <NoWayForLeads
        said={noWayWords(document, layout.because, nameOf)}
        shut={Object.entries(notThere).filter(([, ways]) => ways.length > 0)}
        nameOf={nameOf}
        onNotThere={onNotThere}
      />
    )
  if (layout.runs.length + layout.bySight.length === 0) return null
  return (
    <section className="mt-8 max-w-3xl" aria-label="Leads">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">
        {layout.runs.length === 1 ? '1 lead' : `${layout.runs.length} leads`}
        <span className="ml-3 text-lg font-normal">
          {secondsWords(layout.layS)} to lay,{' '}
          {layout.openS > 0 ? `${secondsWords(layout.openS)} to open and make ready` : 'nothing more to open'}
        </span>
      </h2>
      <ul>
        {layout.runs.map((run, i) => (
          <LeadRow
            key={run.leadId}
            letter={leadLetter(i)}
            lead={leads.find(({ id }) => id === run.leadId)!}
            run={run}
            layout={layout}
            document={document}
            notThere={notThere[run.leadId] ?? []}
            onNotThere={(ways) => onNotThere(run.leadId, ways)}
          />
        ))}
        {layout.bySight.map((id) => (
          <li key={id} className="border-b border-hair py-2">
            <b>{nameOf(id)}</b> is laid by sight: this record has no points or ways for it yet.
          </li>
        ))}
      </ul>
      <p className="mt-2 text-second">{layoutProofWords(layout)}</p>
      <LeadMaps document={document} runs={layout.runs} leads={leads} />
    </section>
  )
}

function NoWayForLeads({
  said,
  shut,
  nameOf,
  onNotThere,
}: {
  said: ReturnType<typeof noWayWords>
  shut: [string, readonly string[]][]
  nameOf: (id: string) => string
  onNotThere: (leadId: string, wayIds: readonly string[]) => void
}) {
  return (
    <div role="alert" className="border-l-8 border-stop bg-sheet p-5">
      <h2 className="text-2xl">There is no way for the leads.</h2>
      <p className="mt-2 text-lg">{said.sentence}</p>
      {said.border.length > 0 && (
        <ul className="mt-2 list-disc pl-6">
          {said.border.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <p className="mt-2">{said.remedy}</p>
      {shut.map(([leadId]) => (
        <button key={leadId} type="button" className="desk-button mt-3" onClick={() => onNotThere(leadId, [])}>
          Let {nameOf(leadId)} go every way again
        </button>
      ))}
    </div>
  )
}

function LeadRow({
  letter,
  lead,
  run,
  layout,
  document,
  notThere,
  onNotThere,
}: {
  letter: string
  lead: KitLead
  run: FoundRun
  layout: Laid
  document: ProcedureDocument
  notThere: readonly string[]
  onNotThere: (wayIds: readonly string[]) => void
}) {
  const [asked, setAsked] = useState(false)
  const name = (id: string) => itemWords(document, id)
  const ways = run.legs.map(({ wayId }) => document.ways.find(({ id }) => id === wayId)!)
  const others = layout.others.filter((other) => other.leadId === lead.id)
  return (
    <li className="border-b border-hair py-3" data-lead={lead.id}>
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <b className="text-lg">{lead.name}</b>
        <span>
          {run.cutMm !== null ? (
            <>
              cut <b className="num">{lengthWords(run.cutMm)}</b>
            </>
          ) : (
            <>
              needs <b className="num">{lengthWords(run.needMm)}</b>, {lengthWords(run.spareMm!)} over
            </>
          )}
        </span>
      </p>
      <Beadline
        letter={letter}
        kind={lead.class}
        points={run.pointIds.map(name)}
        legs={ways.map((way) => ({ lengthMm: way.lengthMm, passage: way.passage !== null, name: way.name }))}
        coilAt={run.coilAt}
      />
      <p className="text-second">
        {run.coilAt > 0 || lead.ends.some(({ connector }) => connector !== null)
          ? `Coil: ${name(run.pointIds[run.coilAt]!)}; drawn from there. `
          : ''}
        <button
          type="button"
          className="font-semibold text-petrol underline"
          aria-expanded={asked}
          onClick={() => setAsked(!asked)}
        >
          Why this way?
        </button>
      </p>
      {electricWords(lead, run) && <p>{electricWords(lead, run)}</p>}
      {asked && (
        <OtherWays
          others={others}
          document={document}
          notThere={notThere}
          onNotThere={onNotThere}
          known={layout.others.length > 0}
        />
      )}
      {notThere.length > 0 && (
        <button type="button" className="desk-button mt-2" onClick={() => onNotThere([])}>
          Go every way again: now without {notThere.map(name).join(', ')}
        </button>
      )}
    </li>
  )
}

function OtherWays({
  others,
  document,
  notThere,
  onNotThere,
  known,
}: {
  others: readonly OtherWay[]
  document: ProcedureDocument
  notThere: readonly string[]
  onNotThere: (wayIds: readonly string[]) => void
  known: boolean
}) {
  if (!known) return <p role="status">Working out what the other ways would cost…</p>
  // What leads nowhere for this lead is no answer to anything.
  const telling = others.filter(({ is, bars, moreS }) => is === 'taken' || bars.length > 0 || moreS !== null)
  const sorted = telling.sort(
    (a, b) => Number(b.is === 'taken') - Number(a.is === 'taken') || (a.moreS ?? 1e9) - (b.moreS ?? 1e9),
  )
  return (
    <table className="mt-1 w-full text-[15px]">
      <tbody>
        {sorted.map((other) => (
          <tr key={other.wayId} className="border-t border-hair align-top" data-way={other.wayId}>
            <th scope="row" className="w-1/3 py-1 pr-3 text-left font-semibold">
              {itemWords(document, other.wayId)}
              {other.is === 'taken' && <span className="ml-2 font-normal text-second">taken</span>}
            </th>
            <td className="py-1">{otherWayWords(document, other)}</td>
            <td className="py-1 text-right">
              {other.is === 'taken' && other.moreS !== null && (
                <button
                  type="button"
                  className="whitespace-nowrap font-semibold text-petrol underline"
                  onClick={() => onNotThere([...notThere, other.wayId])}
                >
                  not there
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
