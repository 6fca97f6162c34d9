'use client'
import { Axe, CircleX, EqualNot, NotebookPen, Unplug } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useCallback, useMemo, useState } from 'react'
import type { Happening } from '@/core/job/event'
import { unreadCautions } from '@/core/job/acknowledged'
import { delayLeft, happeningsFor, isDone, nextTap, toolsTakenUp, type NextTap } from '@/core/job/progress'
import { uRows } from '@/core/job/uRows'
import { turnsOf, type Turn } from '@/core/job/whoDoesWhat'
import { judged } from '@/core/plan/demandsOf'
import { traysFor } from '@/core/plan/trays'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { refusals, waitLeftS } from '@/core/vehicle/judge'
import { StopSign } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import { Dialog } from '../shell/Dialog'
import { cardNameIn } from '../words/modelNames'
import { capital, stepWords } from '../words/operations'
import { ActionSign } from './ActionSign'
import { AllDone } from './AllDone'
import { CardSteps } from './CardSteps'
import { JobHead } from './JobHead'
import { JobAside } from './JobAside'
import type { MoreAsk } from './MoreDialog'
import { NoteForm } from './NoteForm'
import { Strayed } from './Strayed'
import { ConfirmPreparations, FacetSlabs, LeaveButton, SlabButton, UndoSlab, waitWords } from './slabs'
import { TestNeeds } from './TestNeeds'
import type { JobData, PlannedJob } from './useJob'
import { useAwake } from './useAwake'
import { useJobKeys } from './useJobKeys'
import { useLaterParts } from './useLaterParts'
import { usePhotoOutbox } from './usePhotoOutbox'
import { usePreference } from './usePreference'
import { useReadAloud } from './useReadAloud'
import { useReady } from './useReady'
import type { Replan } from './useReplan'

const PartMap = dynamic(() => import('../map/PartMap').then((file) => file.PartMap), { ssr: false })
const Different = dynamic(() => import('./JobDialogs').then((file) => file.Different))
const Broken = dynamic(() => import('./JobDialogs').then((file) => file.Broken))
const WontMove = dynamic(() => import('./JobDialogs').then((file) => file.WontMove))
const ReadingForm = dynamic(() => import('./ReadingForm').then((file) => file.ReadingForm))
const MissingTool = dynamic(() => import('./MissingTool').then((file) => file.MissingTool))
const MoreDialog = dynamic(() => import('./MoreDialog').then((file) => file.MoreDialog))
const PeopleDialog = dynamic(() => import('./PeopleDialog').then((file) => file.PeopleDialog))
const AlreadyHereForm = dynamic(() => import('./AlreadyHereForm').then((file) => file.AlreadyHereForm))
const PauseDialog = dynamic(() => import('./PauseDialog').then((file) => file.PauseDialog))
const JobPhoto = dynamic(() => import('./JobPhoto').then((file) => file.JobPhoto))
const TestFailed = dynamic(() => import('./TestFailed').then((file) => file.TestFailed))
const WorkDone = dynamic(() => import('./WorkDone').then((file) => file.WorkDone))
const RefitSheet = dynamic(() => import('../record/RefitSheet').then((file) => file.RefitSheet))
const Waiting = dynamic(() => import('./Waiting').then((file) => file.Waiting))
const ReplanDialog = dynamic(() => import('./ReplanDialog').then((file) => file.ReplanDialog))

type Ask = 'different' | 'broken' | 'wont-move' | 'note' | 'refit' | 'photo' | 'pause' | 'more' | 'failed' | 'work' | 'reading' | Exclude<MoreAsk, 'intake' | 'replan'> | null

/** The job in the bay: the U, the one next action of whoever acts, the card of the panel, and the slabs a glove can hit. */
export function JobAtWork({ data, job, change, tell, replan, cardId, look }: { data: JobData; job: PlannedJob; change: ChangeActing; tell: (facetId: string, choiceId: string) => void; replan: Replan; cardId: string | null; look: () => void }) {
  const { model, plan, state } = job
  const [ask, setAsk] = useState<Ask>(null)
  const [failed, setFailed] = useState('')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const turns = useMemo(() => (state.people.length > 1 ? turnsOf(plan, state, left) : null), [plan, state, left])
  const alone = useMemo(() => (state.people.length > 1 ? null : nextTap(plan, state, left)), [plan, state, left])
  const turn: Turn = turns ? (turns.get(data.acting.id) ?? { tap: null, wait: { kind: 'done' } }) : { tap: alone, wait: null }
  const { tap } = turn
  const rows = useMemo(() => uRows(plan, state), [plan, state])
  const trays = useMemo(() => new Map(traysFor(plan).flatMap((tray) => tray.holderIds.map((id) => [id, tray.label] as const))), [plan])
  const trayOf = useCallback((id: string) => trays.get(id), [trays])
  const close = () => setAsk(null)

  const act = tap ? judged(plan.job, tap.step.operation) : null
  const refusal = act ? (refusals(model, job.vehicle, act, job.circumstances)[0]?.rule ?? null) : null
  const waitS = act ? Math.ceil(waitLeftS(model, job.vehicle, act, job.circumstances)) : 0
  const delay = tap ? delayLeft(plan, state, tap.step.operation, job.nowMs) : null
  const cautions = act ? cautionsFor(model, act, job.circumstances) : []
  const unread = unreadCautions(cautions, state, data.acting.id)
  const save = (happenings: readonly Happening[]) => tap && job.record([...toolsTakenUp(state, tap.steps), ...happenings])
  const operation = tap?.step.operation ?? null
  const work = operation?.act === 'work' ? plan.job.works.get(operation.itemId) : undefined
  const changes = work ? job.terms.changes.filter((item) => item.what === work.kind && !state.changes.has(item.id)) : []
  const readingUnit = operation?.act === 'test' ? (model.functions.get(operation.itemId)?.readingUnit ?? plan.job.added.get(operation.itemId)?.readingUnit ?? '') : ''
  const done = () => {
    if (!tap || ask || refusal || tap.step.operation.act === 'decide') return
    if (unread.length > 0) return void job.record(unread.map((caution) => ({ kind: 'caution read', cautionId: caution.id })))
    if (changes.length > 0) return setAsk('work')
    if (readingUnit !== '') return setAsk('reading')
    save(tap.steps.flatMap((step) => happeningsFor(state, step.operation)))
  }
  const fails = () => {
    job.record([{ kind: 'tested', functionId: operation!.itemId, result: 'failed', reading: '', note: '' }])
    setFailed(operation!.itemId)
    setAsk('failed')
  }
  /** Another head asks for another tool: the rest is planned with it. */
  const foundOtherwise = (happenings: readonly Happening[]) => {
    const also = job.record(happenings)
    if (data.kind === 'job' && happenings.some((what) => what.kind === 'different from the record' && what.field === 'head')) replan.ask(job.request, state.people, { atOnce: true, also })
  }
  const more = (what: MoreAsk) => {
    close()
    if (what === 'intake') look()
    else if (what === 'replan') replan.ask()
    else setAsk(what)
  }
  const asksReplan = replan.replanning.state !== 'idle' && replan.replanning.state !== 'quiet'
  const [letters] = usePreference('letters')
  const [aloud] = usePreference('aloud')
  const ready = useReady()
  useAwake()
  useLaterParts()
  usePhotoOutbox(data.shopId)
  useJobKeys({ done, takeBack: job.takeBack, note: () => setAsk('note'), different: () => setAsk('different'), jobId: data.id }, ask !== null || asksReplan, letters)
  useReadAloud(operation ? [stepWords(model, operation).title, stepWords(model, operation).how, ...cautions.map((caution) => caution.sentence)].join('. ') : '', aloud)

  const toolsOut = job.balance.openRows.flatMap((row) => (row.account === 'tool' ? [row.id] : []))
  const later = useCallback((key: string) => setLeft((now) => new Set([...now, key])), [])
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col lg:h-dvh lg:min-h-[600px]">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(320px,1fr)_2fr] lg:grid-rows-[minmax(0,1fr)]">
        <JobAside data={data} job={job} rows={rows} turns={turns} trayOf={trayOf} hasCard={(tap?.card.partId ?? null) !== null} ask={setAsk} />
        <section className="order-1 flex min-h-0 min-w-0 flex-col gap-3 pb-4 pr-4 lg:order-2" aria-label="The next action">
          <Strayed job={job} cardId={cardId} ask={() => replan.ask()} />
          {tap && operation ? (
            <>
              {refusal && (
                <p role="alert" className="flex items-start gap-3 text-xl font-semibold" data-refusal={refusal.id}>
                  <StopSign size={40} />
                  <span>
                    {refusal.sentence} {waitS > 0 ? <b>Still {waitWords(waitS)}.</b> : refusal.remedy}
                    {refusal.confirm.length > 0 && <ConfirmPreparations confirm={refusal.confirm} onDone={() => job.record([{ kind: 'caution read', cautionId: refusal.id }])} />}
                    {left.size > 0 && (
                      <>
                        {' What was left for later comes first: '}
                        <button type="button" className="jump min-h-14" onClick={() => setLeft(new Set())}>
                          do it now
                        </button>
                      </>
                    )}
                    {waitS === 0 && refusal.confirm.length === 0 && (
                      <button type="button" className="jump ml-2 min-h-14" onClick={() => replan.ask()}>
                        find the way from here
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
              {operation.act === 'test' && <TestNeeds plan={plan} state={state} functionId={operation.itemId} nowMs={job.nowMs} />}
              <div className={`grid min-h-0 flex-1 gap-6 pl-6 ${tap.card.partId ? 'md:grid-cols-[1.35fr_1fr]' : ''}`}>
                <div className="-ml-7 min-h-0 overflow-y-auto pl-7" tabIndex={0} role="group" aria-label="The card, scrolls">
                  <CardSteps model={model} state={state} tap={tap} trayOf={trayOf} left={left} leave={later} />
                </div>
                {tap.card.partId && (
                  <div className="relative hidden min-h-0 md:block">
                    <PartMap document={job.document} partId={tap.card.partId} nowItemId={operation.itemId} />
                  </div>
                )}
              </div>
              <div className="sticky bottom-0 grid grid-cols-2 gap-2 bg-ground pt-1 md:grid-cols-[2.4fr_repeat(4,1fr)]">
                {operation.act === 'decide' ? (
                  <div className="col-span-2 md:col-span-1">
                    <FacetSlabs document={job.document} facetId={operation.itemId} onTell={(choiceId) => tell(operation.itemId, choiceId)} />
                  </div>
                ) : (
                  <button type="button" className="slab col-span-2 !min-h-[84px] flex-col !items-start !gap-0 !px-6 !text-left md:col-span-1" onClick={done} disabled={refusal !== null || !ready} data-testid="done" data-asks={unread.length > 0 ? 'read' : changes.length > 0 ? 'work' : readingUnit !== '' ? 'reading' : 'nothing'}>
                    <span className="text-[30px] leading-tight">{unread.length > 0 ? 'I have read it' : operation.act === 'test' ? 'It works' : 'Done as written'}</span>
                    <span className="text-[17px] font-semibold leading-tight">{unread.length > 0 ? `${unread[0]!.severity}: asked once, and again when the state changes` : doneWords(tap.steps.map((step) => stepWords(model, step.operation).done))}</span>
                  </button>
                )}
                <SlabButton icon={<EqualNot size={28} aria-hidden />} words="Different" onClick={() => setAsk('different')} />
                <SecondSlab tap={tap} broken={() => setAsk('broken')} fails={fails} reading={() => setAsk('work')} />
                <ThirdSlab tap={tap} leave={() => later(operation.key)} wontMove={() => setAsk('wont-move')} />
                <UndoSlab atMs={job.lastAct?.atMs ?? null} can={job.lastAct !== null} onClick={job.takeBack} />
              </div>
            </>
          ) : turn.wait && (turn.wait.kind !== 'done' || !state.people.some((hand) => hand.personId === data.acting.id)) ? (
            <Waiting data={data} job={job} wait={turn.wait} />
          ) : (
            <AllDone jobId={data.id} left={left.size} open={job.balance.openRows.length} tools={toolsOut} toolsBack={() => job.record(toolsOut.map((tool) => ({ kind: 'tool back', tool })))} again={() => setLeft(new Set())} />
          )}
        </section>
      </main>
      {tap && operation && (
        <>
          <Dialog title="Different from the record" open={ask === 'different'} onClose={close}>
            <Different model={model} state={state} tap={tap} record={foundOtherwise} leave={() => later(operation.key)} close={close} />
          </Dialog>
          <Dialog title="Broken" open={ask === 'broken'} onClose={close}>
            <Broken model={model} state={state} tap={tap} record={job.record} close={close} />
          </Dialog>
          <Dialog title="It won’t move" open={ask === 'wont-move'} onClose={close}>
            <WontMove
              model={model}
              plan={plan}
              state={state}
              tap={tap}
              photo={() => setAsk('photo')}
              leave={(partId) => {
                close()
                replan.ask({ ...job.request, without: { ...job.request.without, parts: [...new Set([...job.request.without.parts, partId])] } })
              }}
            />
          </Dialog>
          <Dialog title={operation.name ?? 'Work'} open={ask === 'work'} onClose={close}>
            <WorkDone work={{ workId: operation.itemId, name: operation.name ?? 'Work', changes }} record={save} close={close} />
          </Dialog>
          <Dialog title={`Test: ${stepWords(model, operation).title}`} open={ask === 'reading'} onClose={close}>
            <ReadingForm unit={readingUnit} keep={(reading) => (save([{ kind: 'tested', functionId: operation.itemId, result: 'passed', reading, note: '' }]), close())} />
          </Dialog>
          <Dialog title={`${cardNameIn(model, tap.card)}: how it goes back`} open={ask === 'refit' && tap.card.partId !== null} onClose={close} wide>
            {tap.card.partId && <RefitSheet job={job} partId={tap.card.partId} words={data.words} close={close} />}
          </Dialog>
        </>
      )}
      <Dialog title="Why did it fail?" open={ask === 'failed'} onClose={close} wide>
        <TestFailed job={job} functionId={failed} close={close} />
      </Dialog>
      <Dialog title="Note" open={ask === 'note'} onClose={close}>
        <NoteForm record={job.record} close={close} itemId={operation?.itemId ?? null} />
      </Dialog>
      <Dialog title="Photo" open={ask === 'photo'} onClose={close}>
        <JobPhoto shopId={data.shopId} jobId={data.id} itemId={tap?.card.partId ?? null} what={tap?.card.partId ? cardNameIn(model, tap.card) : 'kept with this job'} record={job.record} close={close} />
      </Dialog>
      <Dialog title="Pause" open={ask === 'pause'} onClose={close}>
        <PauseDialog job={job} close={close} />
      </Dialog>
      <Dialog title="More" open={ask === 'more'} onClose={close} wide>
        <MoreDialog data={data} job={job} ask={more} tell={(facetId, choiceId) => (close(), tell(facetId, choiceId))} />
      </Dialog>
      <Dialog title="I’m already here" open={ask === 'here'} onClose={close} wide>
        <AlreadyHereForm job={job} close={close} />
      </Dialog>
      <Dialog title="Who is on it" open={ask === 'people'} onClose={close} wide>
        <PeopleDialog data={data} job={job} share={(people) => (close(), replan.ask(job.request, people))} />
      </Dialog>
      <Dialog title="Which tool is missing?" open={ask === 'tool'} onClose={close}>
        <MissingTool job={job} without={(tool) => (close(), replan.ask({ ...job.request, without: { ...job.request.without, tools: [...new Set([...job.request.without.tools, tool])] } }))} />
      </Dialog>
      {asksReplan && <ReplanDialog job={job} replan={replan} />}
    </div>
  )
}

/** "9 out, none broken; and 2 more". */
function doneWords(done: string[]): string {
  return capital(done.length > 2 ? `${done[0]}, and ${done.length - 1} more steps` : done.join('; '))
}

/** What can go wrong with this step: a test fails, work has a reading, something breaks. */
function SecondSlab({ tap, broken, fails, reading }: { tap: NextTap; broken: () => void; fails: () => void; reading: () => void }) {
  const { act } = tap.step.operation
  if (act === 'test') return <SlabButton icon={<CircleX size={28} aria-hidden />} words="It fails" onClick={fails} />
  if (act === 'work') return <SlabButton icon={<NotebookPen size={28} aria-hidden />} words="With a reading" onClick={reading} />
  return <SlabButton icon={<Unplug size={28} aria-hidden />} words="Broken" onClick={broken} />
}

function ThirdSlab({ tap, leave, wontMove }: { tap: NextTap; leave: () => void; wontMove: () => void }) {
  return tap.card.phase === 'in' ? <SlabButton icon={<Axe size={28} aria-hidden />} words="Won’t move" onClick={wontMove} /> : <LeaveButton onClick={leave} />
}
