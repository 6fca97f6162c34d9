'use client'
import type { KitLead } from '@/core/shop/lead'
import { leadTaskOf } from '@/core/shop/leadTask'
import type { WorkItem } from '@/core/shop/workItem'
import { workStepWords } from '@/words/workStepWords'
import { useAnyJob } from '../job/useAnyJob'
import type { JobData } from '../job/useJob'
import { leadLetter } from '../marks/leadLetter'
import { Tape } from '../marks/Tape'
import { PaperHead } from './PaperHead'
import { PaperPage } from './PaperPage'

const NO_THINGS = { parts: [], holders: [], plugs: [], settings: [] }

/** The leads of a job on one page: how long each is, where its tape marks sit, leg by leg, and what comes last. */
export function LeadSheet({ data, shopName, printedAt }: { data: JobData; shopName: string; printedAt: string }) {
  const { request, state } = useAnyJob(data)
  const kits = (request?.kits ?? []).map(({ kit }) => kit)
  const leads = kits.flatMap(({ leads }) => leads)
  const works = kits.flatMap((kit) => kit.works).filter(({ id }) => leadTaskOf(id) !== null)
  const of = (lead: KitLead) => works.filter(({ id }) => /^(lay|sight|fuse)\./.test(id) && id.split('.')[1] === lead.id)
  const shared = works.filter(({ id }) => ['ready', 'seal', 'moves'].includes(leadTaskOf(id)!))
  return (
    <PaperPage
      title="Run sheet"
      hint={leads.length === 0 ? '' : 'Wrap tape round each lead at its marks before it is drawn.'}
      back={`/jobs/${data.id}`}
      size="A4"
    >
      <article className="w-[190mm] text-[14px]" aria-label="Run sheet">
        <PaperHead
          title="Run sheet"
          of={`${data.vehicle.label}, ${data.title}`}
          shopName={shopName}
          stood={`as it stood ${printedAt}`}
        />
        {leads.length === 0 && (
          <p className="border-y border-current py-6 text-lg">No lead has to be laid on this job.</p>
        )}
        {leads.map((lead, i) => (
          <section key={lead.id} className="mt-4 break-inside-avoid">
            <h3 className="flex items-center gap-3 border-b-2 border-current pb-1 text-lg">
              <span className="tape-print">
                <Tape label={leadLetter(i)} size="s" />
              </span>
              {lead.name}
              <span className="ml-auto text-[14px] font-normal">
                {lead.class}, {lead.diameterMm} mm
              </span>
            </h3>
            {of(lead).map((work) => (
              <Legs key={work.id} work={work} isDone={(id) => state.stepsDone.has(`${work.id}/${id}`)} />
            ))}
          </section>
        ))}
        {shared.length > 0 && (
          <section className="mt-4 break-inside-avoid">
            <h3 className="border-b-2 border-current pb-1 text-lg">Walls, and what moves</h3>
            {shared.map((work) => (
              <Legs key={work.id} work={work} isDone={(id) => state.stepsDone.has(`${work.id}/${id}`)} />
            ))}
          </section>
        )}
        <Ruler />
      </article>
    </PaperPage>
  )
}

function Legs({ work, isDone }: { work: WorkItem; isDone: (stepId: string) => boolean }) {
  return (
    <>
      <p className="mt-1">
        <b>{work.name}</b>
        {work.note && `. ${work.note}`}
      </p>
      <ul>
        {work.steps.map((step) => {
          const { title, how, mind } = workStepWords(NO_THINGS, step)
          return (
            <li
              key={step.id}
              className="grid grid-cols-[7mm_1fr_70mm] items-baseline gap-x-3 border-b border-current/40 py-1"
            >
              <span
                className="inline-grid size-[5mm] place-items-center border-2 border-current text-[13px] font-extrabold leading-none"
                role="img"
                aria-label={isDone(step.id) ? 'done' : 'to do'}
              >
                {isDone(step.id) ? '✓' : ''}
              </span>
              <span>
                {title}
                {mind && <span className="block text-[12px] font-semibold">{mind}</span>}
              </span>
              <span>{how}</span>
            </li>
          )
        })}
      </ul>
    </>
  )
}

/** A line of a known length: a printer that scales is seen before anybody measures on the paper. */
function Ruler() {
  return (
    <p className="mt-5 flex items-center gap-3 text-[12px]">
      <span className="inline-block h-[2mm] w-[20mm] border-x-2 border-b-2 border-current" aria-hidden />
      20 mm, if the printer does not scale
    </p>
  )
}
