'use client'
import Link from 'next/link'
import { useLayoutEffect, useMemo, useState } from 'react'
import type { Happening } from '@/core/job/event'
import { intakeOf, readNumber, type IntakeItem } from '@/core/job/intake'
import { summarise } from '@/core/plan/show/summary'
import { ClosedTick } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import { Dialog } from '../shell/Dialog'
import { capital, settingTo } from '@/words/operations'
import { INTAKE_WORDS } from '@/words/intakeWords'
import { itemWords, plural, toolWords } from '@/words/items'
import { changeWords, overlayWords } from '@/words/overlayWords'
import { FastenersBefore } from './FastenersBefore'
import { JobHead } from './JobHead'
import { JobPhoto } from './JobPhoto'
import { ReplanDialog } from './ReplanDialog'
import { FacetSlabs } from './slabs'
import type { JobData, PlannedJob } from './useJob'
import { useReady } from './useReady'
import type { Replan } from './useReplan'

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

function FacetQuestion({
  item,
  job,
  tell,
}: {
  item: Extract<IntakeItem, { kind: 'facet' }>
  job: PlannedJob
  tell: (choiceId: string) => void
}) {
  const facet = job.document.facets.find((other) => other.id === item.facetId)!
  return (
    <fieldset className="space-y-2" data-facet={facet.id}>
      <legend className="mb-1 text-2xl font-bold">{facet.name}?</legend>
      <FacetSlabs document={job.document} facetId={facet.id} told={job.state.facets.get(facet.id)} onTell={tell} />
    </fieldset>
  )
}

/** One thing worth a look: well with one tap, or written down. */
function Offered({
  item,
  job,
  photo,
  fasteners,
}: {
  item: IntakeItem
  job: PlannedJob
  photo: () => void
  fasteners: () => void
}) {
  const { document, state } = job
  if (item.kind === 'facet') return null
  if (item.kind === 'known') {
    const said: Happening = {
      kind: 'as found',
      holderId: item.holderId,
      what: item.what,
      count: item.count,
      note: 'known from before',
    }
    return (
      <Row
        title={`${item.count} ${item.what === 'missing' ? 'missing' : 'too many'}: ${itemWords(document, item.holderId)}`}
        why="by an earlier job on this vehicle"
        done={item.done ? 'still so' : ''}
      >
        <button type="button" className="ghost" disabled={item.done} onClick={() => job.record([said])}>
          Still so
        </button>
      </Row>
    )
  }
  if (item.kind === 'standing') return <Standing item={item} job={job} />
  if (item.kind === 'function') {
    const known = state.workedBefore.get(item.functionId)
    const how = job.model.functions.get(item.functionId)?.how
    const say = (works: boolean) =>
      job.record([{ kind: 'worked before', functionId: item.functionId, works, note: '' }])
    return (
      <Row
        title={`${itemWords(document, item.functionId)}: does it work now?`}
        why={item.tooLate ? 'its plug has been open: nobody can tell any more' : how || 'tried before we touch it'}
        done={known ? (known.works ? 'works' : 'did not work before') : ''}
      >
        <button
          type="button"
          className="ghost"
          disabled={item.tooLate}
          aria-pressed={known?.works === true}
          onClick={() => say(true)}
        >
          Works
        </button>
        <button
          type="button"
          className="ghost"
          disabled={item.tooLate}
          aria-pressed={known?.works === false}
          onClick={() => say(false)}
        >
          Does not
        </button>
      </Row>
    )
  }
  if (item.point === 'fasteners') return <Fasteners job={job} open={fasteners} />
  return <Point key={item.point} point={item.point} job={job} photo={photo} />
}

/** Lever, brake, chocks, battery in one glance: as the record finds them, or which is not. */
function Standing({ item, job }: { item: Extract<IntakeItem, { kind: 'standing' }>; job: PlannedJob }) {
  const [otherwise, setOtherwise] = useState(false)
  const words = INTAKE_WORDS['settings as recorded']
  const so = () => job.record([{ kind: 'checked in', point: 'settings as recorded', value: '' }])
  const named = item.settings.map(({ settingId, value }) => settingTo(itemWords(job.document, settingId), value))
  return (
    <>
      <Row title={capital(named.join(', '))} why={words.why} done={item.done ? 'looked at' : ''}>
        <button type="button" className="ghost" aria-pressed={item.done} onClick={so}>
          All so
        </button>
        <button type="button" className="ghost" aria-expanded={otherwise} onClick={() => setOtherwise(!otherwise)}>
          Say which is not
        </button>
      </Row>
      {otherwise && (
        <li className="space-y-2 border-b border-hair py-3 pl-4">
          {item.settings.map(({ settingId, value }) => (
            <span key={settingId} className="flex flex-wrap items-center gap-2 text-lg">
              <b className="min-w-36">{capital(itemWords(job.document, settingId))}</b>
              {job.model.settings.get(settingId)!.values.map((other) => (
                <button
                  key={other}
                  type="button"
                  className="ghost"
                  aria-pressed={other === value}
                  onClick={() =>
                    other !== value && job.record([{ kind: 'set', settingId, value: other, methodId: null }])
                  }
                >
                  {other}
                </button>
              ))}
            </span>
          ))}
        </li>
      )}
    </>
  )
}

/** Missing or foreign ones are counted group by group, in a list of their own. */
function Fasteners({ job, open }: { job: PlannedJob; open: () => void }) {
  const words = INTAKE_WORDS.fasteners
  const missing = [...job.state.holders.values()].reduce((sum, c) => sum + c.missing, 0)
  const heads = job.state.deviations.filter(({ field }) => field === 'head').length
  const found = [missing > 0 && `${missing} missing`, heads > 0 && `${heads} with another head`]
    .filter(Boolean)
    .join(', ')
  return (
    <Row title={words.name} why={words.why} done={found || (job.state.intake.has('fasteners') ? words.fine : '')}>
      <button
        type="button"
        className="ghost"
        disabled={found !== ''}
        aria-pressed={found === '' && job.state.intake.has('fasteners')}
        onClick={() => job.record([{ kind: 'checked in', point: 'fasteners', value: '' }])}
      >
        {words.fine}
      </button>
      <button type="button" className="ghost" onClick={open}>
        Say which are not
      </button>
    </Row>
  )
}

function Point({
  point,
  job,
  photo,
}: {
  point: Extract<IntakeItem, { kind: 'point' }>['point']
  job: PlannedJob
  photo: () => void
}) {
  const words = INTAKE_WORDS[point]
  const known = job.state.intake.get(point)
  const [value, setValue] = useState('')
  const [trouble, setTrouble] = useState('')
  const say = (said: string) => {
    if (words.unit && readNumber(said) === null)
      return setTrouble(`A number in ${words.unit}, such as ${words.unit === 'V' ? '12.4' : '3.5'}.`)
    setTrouble('')
    job.record([{ kind: 'checked in', point, value: said }])
    setValue('')
  }
  return (
    <Row
      title={words.name}
      why={words.why}
      trouble={trouble}
      done={known ? (known.value === '' ? words.fine : `${known.value}${words.unit ? ` ${words.unit}` : ''}`) : ''}
    >
      {words.fine && (
        <button type="button" className="ghost" aria-pressed={known?.value === ''} onClick={() => say('')}>
          {words.fine}
        </button>
      )}
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (value.trim() !== '') say(value.trim())
        }}
      >
        <input
          aria-label={`${words.name}: ${words.write}`}
          placeholder={words.write}
          className={`field !min-h-14 text-lg ${words.unit ? 'num !w-28' : '!w-44'}`}
          inputMode={words.unit ? 'decimal' : 'text'}
          maxLength={200}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
        {words.unit && <span className="text-lg">{words.unit}</span>}
        <button className="ghost" disabled={value.trim() === ''}>
          Keep
        </button>
      </form>
      {point === 'marks and damage' && (
        <button type="button" className="ghost" onClick={photo}>
          Photo
        </button>
      )}
    </Row>
  )
}

function Row({
  title,
  why,
  done,
  trouble = '',
  children,
}: {
  title: string
  why: string
  done: string
  trouble?: string
  children: React.ReactNode
}) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair py-2">
      <div className="min-w-56 flex-1">
        <p className="flex items-center gap-2 text-[20px] font-bold leading-tight">
          {done !== '' && <ClosedTick size={22} />}
          {title}
        </p>
        <p className="text-[16px] leading-tight text-second">
          {done !== '' ? <b className="text-ink">{done}</b> : why}
        </p>
        {trouble !== '' && (
          <p role="alert" className="text-[16px] font-bold">
            {trouble}
          </p>
        )}
      </div>
      <div className="flex flex-wrap gap-2">{children}</div>
    </li>
  )
}
