'use client'
import { BoxCheck } from './BoxCheck'
import { SignsToSee } from './SignsToSee'
import Link from 'next/link'
import { useLayoutEffect, useMemo, useState } from 'react'
import { intakeOf } from '@/core/job/intake'
import { summarise } from '@/core/plan/show/summary'
import type { ChangeActing } from '../shell/ActingButton'
import { Dialog } from '../shell/Dialog'
import { itemWords, plural, toolWords } from '@/words/items'
import { changeWords, overlayWords } from '@/words/overlayWords'
import { FastenersBefore } from './FastenersBefore'
import { JobHead } from './JobHead'
import { JobPhoto } from './JobPhoto'
import { ReplanDialog } from './ReplanDialog'
import type { JobData, PlannedJob } from './useJob'
import { useReady } from '../shell/useReady'
import type { Replan } from './useReplan'
import { Offered, FacetQuestion } from './IntakeRows'

/**
 * Before the first screw: what changes this plan has to be told, the rest is offered. What is found counts at once and
 * stays with the vehicle.
 */
export function IntakeScreen({
  data,
  job,
  change,
  tell,
  replan,
  begun,
  back,
}: {
  data: JobData
  job: PlannedJob
  change: ChangeActing
  tell: (facetId: string, choiceId: string) => void
  replan: Replan
  begun: boolean
  back: () => void
}) {
  const list = useMemo(
    () => intakeOf(job.plan, job.document, job.state, data.known),
    [job.plan, job.document, job.state, data.known],
  )
  const [photo, setPhoto] = useState(false)
  const [fasteners, setFasteners] = useState(false)
  const known = [
    ...overlayWords(job.document, { ...data.known, holders: new Map() }),
    ...data.known.changes.map((item) => `${changeWords(item)} (for good)`),
  ]
  const open = list.required.filter((item) => !item.done)
  const offered = list.offered.filter((item) => !(item.kind === 'point' && item.point === 'workplace'))
  const begin = () => {
    if (!job.state.intake.has('workplace')) job.record([{ kind: 'checked in', point: 'workplace', value: '' }])
    back()
  }
  const ready = useReady()
  usePedal(begin, open.length > 0 || photo || fasteners)
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col lg:h-dvh">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="grid min-h-0 flex-1 gap-x-8 gap-y-4 px-4 pb-4 lg:grid-cols-[1fr_1.35fr] lg:grid-rows-[minmax(0,1fr)]">
        <section className="flex min-h-0 flex-col gap-4 overflow-y-auto" aria-label="What changes this plan">
          <div className="on-sign rounded-br px-6 py-4">
            <p className="text-2xl font-semibold">Before the first screw</p>
            <h1 className="text-[clamp(38px,4.6vw,60px)] font-extrabold leading-none">
              {open.length === 0
                ? begun
                  ? 'As it was found'
                  : 'Look round, then begin'
                : open.length === 1
                  ? 'One thing changes the plan'
                  : `${open.length} things change the plan`}
            </h1>
          </div>
          {list.required.map(
            (item) =>
              item.kind === 'facet' && (
                <FacetQuestion
                  key={item.facetId}
                  item={item}
                  job={job}
                  tell={(choiceId) => tell(item.facetId, choiceId)}
                />
              ),
          )}
          {list.later.map((id) => (
            <SignsToSee key={id} facetId={id} job={job} threshold={data.house.tellThreshold} />
          ))}
          {list.later.length > 0 && (
            <p className="text-lg text-second">
              Told on the way, when it can be seen: {list.later.map((id) => itemWords(job.document, id)).join(', ')}.
            </p>
          )}
          <Bring job={job} jobId={data.id} />
          {known.length > 0 && (
            <div className="text-lg">
              <h2 className="text-xl">Known of {data.vehicle.label}</h2>
              <ul className="list-disc pl-6">
                {known.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </div>
          )}
          <div className="mt-auto grid gap-2">
            <button
              type="button"
              className="slab !min-h-[84px] flex-col !gap-0"
              disabled={open.length > 0 || !ready}
              onClick={begin}
            >
              <span className="text-[30px] leading-tight">{begun ? 'Back to the job' : 'Begin the job'}</span>
              <span className="text-[17px] font-semibold leading-tight">
                {begun ? 'what is said here counts at once' : 'cloth and tape laid out, trays labelled, tools here'}
              </span>
            </button>
            {open.length > 0 && <p className="text-center text-lg text-second">Say first what changes the plan.</p>}
          </div>
        </section>
        <section className="min-h-0 overflow-y-auto" aria-label="Worth a look">
          <BoxCheck job={job} />
          <h2 className="border-b-2 border-ink pb-1 text-2xl">
            Worth a look <span className="font-normal text-second">what is left is left</span>
          </h2>
          <ul>
            {offered.map((item) => (
              <Offered
                key={JSON.stringify({ ...item, done: 0 })}
                item={item}
                job={job}
                photo={() => setPhoto(true)}
                fasteners={() => setFasteners(true)}
              />
            ))}
          </ul>
        </section>
      </main>
      <ReplanDialog job={job} replan={replan} />
      <Dialog title="Fasteners, as they are now" open={fasteners} onClose={() => setFasteners(false)} wide>
        <FastenersBefore
          job={job}
          replan={(also) => replan.ask(job.request, job.state.people, { atOnce: true, also })}
          close={() => {
            if (!job.state.intake.has('fasteners')) job.record([{ kind: 'checked in', point: 'fasteners', value: '' }])
            setFasteners(false)
          }}
        />
      </Dialog>
      <Dialog title="Photo" open={photo} onClose={() => setPhoto(false)}>
        <JobPhoto
          shopId={data.shopId}
          jobId={data.id}
          itemId={null}
          what="marks, damage, earlier work"
          record={job.record}
          close={() => setPhoto(false)}
        />
      </Dialog>
    </div>
  )
}

/** The foot pedal begins, as it confirms every card after it. */
function usePedal(begin: () => void, busy: boolean): void {
  // With the picture, not a moment after it: a press between the two would be lost.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (busy || event.repeat || event.key !== 'PageDown') return
      event.preventDefault()
      begin()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}

/** What lies ready before anybody begins: tools, trays, cloth. */
function Bring({ job, jobId }: { job: PlannedJob; jobId: string }) {
  const summary = useMemo(() => summarise(job.plan), [job.plan])
  const minutes = Math.round((job.plan.wayInS + job.plan.bottomS + job.plan.wayOutS) / 60)
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1 text-[18px]">
      <dt className="text-second">takes</dt>
      <dd>
        <b className="num">{minutes}</b> min by the house’s estimates, <b className="num">{summary.fasteners}</b>{' '}
        fasteners
      </dd>
      <dt className="text-second">bring</dt>
      <dd>
        {summary.tools.length === 0 ? 'nothing but hands' : summary.tools.map(({ tool }) => toolWords(tool)).join(', ')}
        {summary.consumables.length > 0 && `; to use up: ${summary.consumables.join(', ')}`}
      </dd>
      <dt className="text-second">lay out</dt>
      <dd>
        cloth and tape{summary.trays.length > 0 && ', '}
        {summary.trays.length > 0 && (
          <Link href={`/jobs/${jobId}/labels`} className="jump">
            {summary.trays.length} labelled {plural('tray', summary.trays.length)}
          </Link>
        )}
      </dd>
      {summary.together.length > 0 && (
        <>
          <dt className="text-second">call</dt>
          <dd>a second person: {summary.together.length} steps take two</dd>
        </>
      )}
    </dl>
  )
}
