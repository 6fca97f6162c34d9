'use client'
import { Axe, CircleX, ClipboardList, CornerDownRight, NotebookPen, EqualNot, Undo2, Unplug } from 'lucide-react'
import Link from 'next/link'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import { delayLeft, happeningsFor, isDone, nextTap } from '@/core/job/progress'
import { bottomOf, outAndBack, uRows } from '@/core/job/uRows'
import { traysFor } from '@/core/plan/summary'
import { judged } from '@/core/plan/demandsOf'
import { refusals, waitLeftS } from '@/core/vehicle/judge'
import { StopSign } from '../marks/Signs'
import { Dialog } from '../shell/Dialog'
import type { ChangeActing } from '../shell/ActingButton'
import { PartMap } from '../map/PartMap'
import { stepWords } from '../words/operations'
import { cardNameIn } from '../words/modelNames'
import { RefitSheet } from '../record/RefitSheet'
import { ActionSign } from './ActionSign'
import { CardSteps } from './CardSteps'
import { Broken, Different, NoteForm, WontMove } from './JobDialogs'
import { JobHead } from './JobHead'
import { JobU } from './JobU'
import { WithoutPlan } from './WithoutPlan'
import { bottomWords, isPlanned, useJob, type JobData, type LiveJob, type PlannedJob } from './useJob'
import { useJobKeys } from './useJobKeys'

type Ask = 'different' | 'broken' | 'wont-move' | 'note' | 'refit' | null
const UNDO_MS = 10_000

/** The job in the bay: the U, the one next action, the card of the panel, and the slabs a glove can hit. */
export function JobScreen({ data, change }: { data: JobData; change: ChangeActing }) {
  const job = useJob(data)
  return isPlanned(job) ? <JobAtWork data={data} job={job} change={change} /> : <WithoutPlan data={data} job={job} change={change} />
}

function JobAtWork({ data, job, change }: { data: JobData; job: PlannedJob; change: ChangeActing }) {
  const { model, plan, state } = job
  const [ask, setAsk] = useState<Ask>(null)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const tap = useMemo(() => nextTap(plan, state, left), [plan, state, left])
  const rows = useMemo(() => uRows(plan, state), [plan, state])
  const trays = useMemo(() => new Map(traysFor(plan).flatMap((tray) => tray.holderIds.map((id) => [id, tray.label] as const))), [plan])
  const trayOf = useCallback((id: string) => trays.get(id), [trays])
  const counts = outAndBack(rows)

  const act = tap ? judged(plan.job, tap.step.operation) : null
  const refusal = act ? (refusals(model, job.vehicle, act, job.circumstances)[0]?.rule ?? null) : null
  const waitS = act ? Math.ceil(waitLeftS(model, job.vehicle, act, job.circumstances)) : 0
  const delay = tap ? delayLeft(plan, state, tap.step.operation, job.nowMs) : null
  const done = () => {
    if (!tap || ask || refusal || tap.step.operation.act === 'decide') return
    job.record(tap.steps.flatMap((step) => happeningsFor(state, step.operation)))
  }
  const undoLeftMs = useCountdown(job.lastAct?.atMs ?? null)
  const takeBack = () => job.takeBack()
  useJobKeys({ done, takeBack, note: () => setAsk('note'), different: () => setAsk('different'), jobId: data.id }, ask !== null)

  const reached = rows.every((row) => row.wayIn === 'done')
  const bottom = { goals: bottomWords(data, job), ...bottomOf(plan, state), reached }
  const settings = [...model.settings.values()]
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col lg:h-dvh lg:min-h-[600px]">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(320px,1fr)_2fr] lg:grid-rows-[minmax(0,1fr)]">
        <aside className="order-2 flex min-h-0 min-w-0 flex-col gap-2 px-4 pb-4 lg:order-1" aria-label="The whole job">
          <div className="-mx-4 min-h-0 flex-1 overflow-y-auto px-4 pb-2" tabIndex={0} role="group" aria-label="The U, scrolls">
            <JobU model={model} rows={rows} bottom={bottom} trayOf={trayOf} size="bay" middle={`${counts.out} out, ${counts.back} back`} />
          </div>
          <dl className="flex flex-wrap justify-between gap-x-4 gap-y-1 border-t border-hair pt-3">
            {settings.map((setting) => {
              const value = state.settings.get(setting.id) ?? setting.asFound
              return (
                <div key={setting.id}>
                  <dt className="text-[15px] text-second">{setting.name}</dt>
                  <dd className={`text-[17px] font-bold ${value !== setting.asFound ? 'border-b-2 border-ink' : ''}`}>{value}</dd>
                </div>
              )
            })}
          </dl>
          <div className="grid grid-cols-2 gap-2">
            <button type="button" className="ghost text-lg" onClick={() => setAsk('note')}>
              <NotebookPen size={22} aria-hidden /> Note
            </button>
            <Link href={`/jobs/${data.id}/balance`} className="ghost text-lg">
              <ClipboardList size={22} aria-hidden /> Balance
            </Link>
            {data.kind === 'strip' && (
              <>
                <button type="button" className="ghost text-lg" disabled={!tap?.card.partId} onClick={() => setAsk('refit')}>
                  How it goes back
                </button>
                <Link href={`/jobs/${data.id}/record`} className="ghost text-lg">
                  Recording
                </Link>
              </>
            )}
          </div>
        </aside>
        <section className="order-1 flex min-h-0 min-w-0 flex-col gap-3 pb-4 pr-4 lg:order-2" aria-label="The next action">
          {tap ? (
            <>
              {refusal && (
                <p role="alert" className="flex items-start gap-3 text-xl font-semibold" data-refusal={refusal.id}>
                  <StopSign size={40} />
                  <span>
                    {refusal.sentence} {waitS > 0 ? <b>Still {waitWords(waitS)}.</b> : refusal.remedy}
                    {refusal.confirm.length > 0 && <ConfirmPreparations confirm={refusal.confirm} onDone={() => job.record([{ kind: 'caution read', cautionId: refusal.id }])} />}
                    {left.size > 0 && ' What was left for later comes first: '}
                    {left.size > 0 && (
                      <button type="button" className="jump min-h-14" onClick={() => setLeft(new Set())}>
                        do it now
                      </button>
                    )}
                  </span>
                </p>
              )}
              {delay && (
                <p role="status" className="pl-6 text-xl font-semibold" data-delay={delay.workId}>
                  {plan.job.works.get(delay.workId)?.name}: still {waitWords(delay.leftS)} until it has set or cooled.
                </p>
              )}
              <ActionSign document={job.document} job={job} tap={tap} done={tap.card.steps.filter((step) => isDone(state, step.operation)).length} />
              <div className={`grid min-h-0 flex-1 gap-6 pl-6 ${tap.card.partId ? 'md:grid-cols-[1.35fr_1fr]' : ''}`}>
                <div className="-ml-7 min-h-0 overflow-y-auto pl-7" tabIndex={0} role="group" aria-label="The card, scrolls">
                  <CardSteps model={model} state={state} tap={tap} trayOf={trayOf} left={left} leave={(key) => setLeft(new Set([...left, key]))} />
                </div>
                {tap.card.partId && (
                  <div className="relative hidden min-h-0 md:block">
                    <PartMap document={job.document} partId={tap.card.partId} nowItemId={tap.step.operation.itemId} />
                  </div>
                )}
              </div>
              <div className="sticky bottom-0 grid grid-cols-2 gap-2 bg-ground pt-1 md:grid-cols-[2.4fr_repeat(4,1fr)]">
                {tap.step.operation.act === 'decide' ? <FacetSlabs document={job.document} facetId={tap.step.operation.itemId} record={job.record} /> : <button type="button" className="slab col-span-2 !min-h-[84px] flex-col !items-start !gap-0 !px-6 !text-left md:col-span-1" onClick={done} disabled={refusal !== null} data-testid="done">
                  <span className="text-[30px] leading-tight">{tap.step.operation.act === 'test' ? 'It works' : 'Done as written'}</span>
                  <span className="text-[17px] font-semibold leading-tight">{doneWords(tap.steps.map((step) => stepWords(model, step.operation).done))}</span>
                </button>}
                <SlabButton icon={<EqualNot size={28} aria-hidden />} words="Different" onClick={() => setAsk('different')} />
                {tap.step.operation.act === 'test' ? <SlabButton icon={<CircleX size={28} aria-hidden />} words="It fails" onClick={() => job.record([{ kind: 'tested', functionId: tap.step.operation.itemId, result: 'failed', reading: '', note: '' }])} /> : tap.card.phase === 'out' && !tap.own ? <LeaveButton onClick={() => setLeft(new Set([...left, tap.step.operation.key]))} /> : <SlabButton icon={<Unplug size={28} aria-hidden />} words="Broken" onClick={() => setAsk('broken')} />}
                {tap.card.phase !== 'in' ? (
                  tap.own ? (
                    <LeaveButton onClick={() => setLeft(new Set([...left, tap.step.operation.key]))} />
                  ) : (
                    <SlabButton icon={<Unplug size={28} aria-hidden />} words="Broken" onClick={() => setAsk('broken')} />
                  )
                ) : (
                  <SlabButton icon={<Axe size={28} aria-hidden />} words="Won’t move" onClick={() => setAsk('wont-move')} />
                )}
                <UndoSlab leftMs={undoLeftMs} can={job.lastAct !== null} onClick={takeBack} />
              </div>
            </>
          ) : (
            <AllDone jobId={data.id} left={left.size} open={job.balance.openRows.length} again={() => setLeft(new Set())} />
          )}
        </section>
      </main>
      {tap && (
        <>
          <Dialog title="Different from the record" open={ask === 'different'} onClose={() => setAsk(null)}>
            <Different model={model} state={state} tap={tap} record={job.record} leave={() => setLeft(new Set([...left, tap.step.operation.key]))} close={() => setAsk(null)} />
          </Dialog>
          <Dialog title="Broken" open={ask === 'broken'} onClose={() => setAsk(null)}>
            <Broken model={model} tap={tap} record={job.record} close={() => setAsk(null)} />
          </Dialog>
          <Dialog title="It won’t move" open={ask === 'wont-move'} onClose={() => setAsk(null)}>
            <WontMove model={model} plan={plan} state={state} tap={tap} />
          </Dialog>
        </>
      )}
      {tap?.card.partId && (
        <Dialog title={`${cardNameIn(model, tap.card)}: how it goes back`} open={ask === 'refit'} onClose={() => setAsk(null)} wide>
          <RefitSheet job={job} partId={tap.card.partId} words={data.words} close={() => setAsk(null)} />
        </Dialog>
      )}
      <Dialog title="Note" open={ask === 'note'} onClose={() => setAsk(null)}>
        <NoteForm record={job.record} close={() => setAsk(null)} itemId={tap?.step.operation.itemId ?? null} />
      </Dialog>
    </div>
  )
}

/** "9 min 40 s". */
function waitWords(seconds: number): string {
  return seconds >= 60 ? `${Math.floor(seconds / 60)} min ${seconds % 60} s` : `${seconds} s`
}

/** A facet that can now be told: one slab a choice. */
function FacetSlabs({ document, facetId, record }: { document: ProcedureDocument; facetId: string; record: LiveJob['record'] }) {
  const facet = document.facets.find((item) => item.id === facetId)
  return (
    <div className="col-span-2 grid grid-cols-2 gap-2 md:col-span-1">
      {facet?.choices.map((choice) => (
        <button key={choice.id} type="button" className="slab !min-h-[84px] flex-col !gap-0" onClick={() => record([{ kind: 'facet told', facetId, choiceId: choice.id }])}>
          <span className="text-2xl leading-tight">{choice.name}</span>
          <span className="text-[15px] font-semibold leading-tight">{choice.tell}</span>
        </button>
      ))}
    </div>
  )
}

/** What a person has to have seen to before a rule lets the act pass, each point ticked by hand. */
function ConfirmPreparations({ confirm, onDone }: { confirm: readonly string[]; onDone: () => void }) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  return (
    <span className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
      {confirm.map((words) => (
        <label key={words} className="flex min-h-14 items-center gap-2">
          <input type="checkbox" className="size-7" checked={ticked.has(words)} onChange={(event) => setTicked(new Set(event.target.checked ? [...ticked, words] : [...ticked].filter((other) => other !== words)))} />
          {words}
        </label>
      ))}
      <button type="button" className="slab" disabled={ticked.size < confirm.length} onClick={onDone}>
        All seen to
      </button>
    </span>
  )
}

/** "9 out, none broken; and 2 more". */
function doneWords(done: string[]): string {
  return done.length > 2 ? `${done[0]}, and ${done.length - 1} more steps` : done.join('; ')
}

function SlabButton({ icon, words, onClick, disabled = false }: { icon: React.ReactNode; words: string; onClick: () => void; disabled?: boolean }) {
  return (
    <button type="button" className="ghost !min-h-[84px] flex-col !gap-1 text-lg" onClick={onClick} disabled={disabled}>
      {icon}
      {words}
    </button>
  )
}

function LeaveButton({ onClick }: { onClick: () => void }) {
  return <SlabButton icon={<CornerDownRight size={28} aria-hidden />} words="Leave for later" onClick={onClick} />
}

/** Undo stays in sight for ten seconds after each tap; the last act can still be taken back after that. */
function UndoSlab({ leftMs, can, onClick }: { leftMs: number; can: boolean; onClick: () => void }) {
  return (
    <button type="button" className="ghost relative !min-h-[84px] flex-col !gap-1 overflow-hidden text-lg disabled:opacity-60" onClick={onClick} disabled={!can}>
      <Undo2 size={28} aria-hidden />
      {leftMs > 0 ? `Undo ${Math.ceil(leftMs / 1000)} s` : 'Take back'}
      {leftMs > 0 && <span aria-hidden="true" className="absolute bottom-0 left-0 h-1.5 bg-ink" style={{ width: `${(leftMs / UNDO_MS) * 100}%` }} />}
    </button>
  )
}

function AllDone({ jobId, left, open, again }: { jobId: string; left: number; open: number; again: () => void }) {
  return (
    <div className="on-sign flex flex-1 flex-col items-start justify-center gap-6 rounded-br p-10">
      <h1 className="text-[clamp(44px,6vw,76px)] font-extrabold leading-none">{open === 0 ? 'Everything is back' : left > 0 ? `${left} left for later` : 'The steps are done'}</h1>
      <p className="text-3xl">{open === 0 ? 'The balance is closed. Test, sign, hand over.' : `${open} open in the balance.`}</p>
      <div className="flex flex-wrap gap-3">
        {left > 0 && (
          <button type="button" className="min-h-[84px] rounded bg-white px-8 text-2xl font-bold text-[#0f1315]" onClick={again}>
            Do what was left
          </button>
        )}
        <Link href={`/jobs/${jobId}/balance`} className="grid min-h-[84px] place-items-center rounded bg-white px-8 text-2xl font-bold text-[#0f1315]">
          To the balance
        </Link>
        <Link href={`/jobs/${jobId}/handover`} className="grid min-h-[84px] place-items-center rounded border-2 border-white px-8 text-2xl font-bold">
          To the hand-over
        </Link>
      </div>
    </div>
  )
}

function useCountdown(sinceMs: number | null): number {
  const [now, setNow] = useState(() => Date.now())
  const timer = useRef<ReturnType<typeof setInterval> | null>(null)
  useEffect(() => {
    if (sinceMs === null) return
    timer.current = setInterval(() => setNow(Date.now()), 250)
    return () => clearInterval(timer.current!)
  }, [sinceMs])
  return sinceMs === null ? 0 : Math.max(0, Math.min(UNDO_MS, UNDO_MS - (now - sinceMs)))
}
