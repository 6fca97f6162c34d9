'use client'
import { Axe, CircleX, EqualNot, NotebookPen, Unplug } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import type { Happening } from '@/core/job/event'
import { unreadCautions } from '@/core/job/acknowledged'
import { tappedDone, withTools } from '@/core/job/decide/done'
import { changesOwed, readingAsked } from '@/core/job/decide/owedHere'
import { delayLeft, isDone, nextTap, type NextTap } from '@/core/job/progress'
import { turnsOf, type Turn } from '@/core/job/whoDoesWhat'
import { judged } from '@/core/plan/derive/demandsOf'
import { traysFor } from '@/core/plan/show/trays'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { refusals, waitLeftS } from '@/core/vehicle/judge'
import { StopSign } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import type { Operation } from '@/core/order/operation'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { capital, stepWords } from '@/words/operations'
import { ActionSign } from './ActionSign'
import { AllDone } from './AllDone'
import { CardSteps } from './CardSteps'
import { JobHead } from './JobHead'
import { JobAside } from './JobAside'
import { JobAsks, type Ask } from './JobAsks'
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
const Waiting = dynamic(() => import('./Waiting').then((file) => file.Waiting))

/**
 * The job in the bay: the U, the one next action of whoever acts, the card of the panel, and the slabs a glove can hit.
 */
export function JobAtWork({
  data,
  job,
  change,
  tell,
  replan,
  cardId,
  look,
}: {
  data: JobData
  job: PlannedJob
  change: ChangeActing
  tell: (facetId: string, choiceId: string) => void
  replan: Replan
  cardId: string | null
  look: () => void
}) {
  const { model, plan, state } = job
  const [ask, setAsk] = useState<Ask>(null)
  const [failed, setFailed] = useState('')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const turns = useMemo(() => (state.people.length > 1 ? turnsOf(plan, state, left) : null), [plan, state, left])
  const alone = useMemo(() => (state.people.length > 1 ? null : nextTap(plan, state, left)), [plan, state, left])
  const turn: Turn = turns
    ? (turns.get(data.acting.id) ?? { tap: null, wait: { kind: 'done' } })
    : { tap: alone, wait: null }
  const { tap } = turn
  const trays = useMemo(
    () => new Map(traysFor(plan).flatMap((tray) => tray.holderIds.map((id) => [id, tray.label] as const))),
    [plan],
  )
  const later = useCallback((key: string) => setLeft((now) => new Set([...now, key])), [])
  const trayOf = useCallback((id: string) => trays.get(id), [trays])

  const act = tap ? judged(plan.job, tap.step.operation) : null
  const refusal = act ? (refusals(model, job.vehicle, act, job.circumstances)[0]?.rule ?? null) : null
  const waitS = act ? Math.ceil(waitLeftS(model, job.vehicle, act, job.circumstances)) : 0
  const delay = tap ? delayLeft(plan, state, tap.step.operation, job.nowMs) : null
  const cautions = act ? cautionsFor(model, act, job.circumstances) : []
  const unread = unreadCautions(cautions, state, data.acting.id)
  const save = (happenings: readonly Happening[]) => tap && job.record(withTools(state, tap, happenings))
  const operation = tap?.step.operation ?? null
  const changes = operation ? changesOwed(plan, job.terms, state, operation) : []
  const readingUnit = operation ? readingAsked(model, plan, operation) : ''
  const done = () => {
    if (!tap || ask) return
    const answer = tappedDone(state, tap, { refusal, unread, changes: changes.length, readingUnit })
    if (answer.kind === 'read') job.record(answer.happenings)
    else if (answer.kind === 'ask') setAsk(answer.what)
    else if (answer.kind === 'keep') save(answer.happenings)
  }
  const fails = () => {
    job.record([{ kind: 'tested', functionId: operation!.itemId, result: 'failed', reading: '', note: '' }])
    setFailed(operation!.itemId)
    setAsk('failed')
  }
  /** Another head asks for another tool: the rest is planned with it, and without it when that is taken back. */
  const afterHead = (happenings: readonly Happening[], also: ReturnType<PlannedJob['record']>) => {
    if (
      data.kind === 'job' &&
      happenings.some((what) => what.kind === 'different from the record' && what.field === 'head')
    )
      replan.ask(job.request, state.people, { atOnce: true, also })
  }
  const foundOtherwise = (happenings: readonly Happening[]) => afterHead(happenings, job.record(happenings))
  const takeBack = () => {
    const gone = job.log.events.flatMap((event) => (job.lastAct?.eventIds.includes(event.id) ? [event.what] : []))
    afterHead(gone, job.takeBack())
  }
  const asksReplan = replan.replanning.state !== 'idle' && replan.replanning.state !== 'quiet'
  const [letters] = usePreference('letters')
  const [aloud] = usePreference('aloud')
  const ready = useReady()
  useAwake()
  useLaterParts()
  usePhotoOutbox(data.shopId)
  useJobKeys(
    { done, takeBack, note: () => setAsk('note'), different: () => setAsk('different'), jobId: data.id },
    ask !== null || asksReplan,
    letters,
  )
  useReadAloud(
    operation ? [...spokenWords(model, operation), ...cautions.map((caution) => caution.sentence)].join('. ') : '',
    aloud,
  )

  // What stands beside the next action follows a moment later: the answer to a tap is the sign, the card and the lamps.
  const aside = useDeferredValue(
    <JobAside
      data={data}
      job={job}
      turns={turns}
      trayOf={trayOf}
      hasCard={(tap?.card.partId ?? null) !== null}
      ask={setAsk}
    />,
  )
  const asks = useDeferredValue(
    <JobAsks
      data={data}
      job={job}
      tap={tap}
      ask={ask}
      setAsk={setAsk}
      failed={failed}
      save={save}
      foundOtherwise={foundOtherwise}
      later={later}
      tell={tell}
      replan={replan}
      look={look}
    />,
  )
  const map = useDeferredValue(
    tap?.card.partId ? (
      <PartMap document={job.document} partId={tap.card.partId} nowItemId={tap.step.operation.itemId} />
    ) : null,
  )
  const toolsOut = job.balance.openRows.flatMap((row) => (row.account === 'tool' ? [row.id] : []))
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col lg:h-dvh lg:min-h-[600px]">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(320px,1fr)_2fr] lg:grid-rows-[minmax(0,1fr)]">
        {aside}
        <section
          className="order-1 flex min-h-0 min-w-0 flex-col gap-3 px-3 pb-2 sm:pb-4 sm:pl-0 sm:pr-4 lg:order-2"
          aria-label="The next action"
        >
          {plan.anew && data.kind === 'job' && (
            <p role="status" className="border-l-4 border-ink pl-4 text-lg font-semibold">
              The order kept with this job no longer fits the record: it was worked out again. What is done stays done.{' '}
              <button type="button" className="jump min-h-14" onClick={() => replan.ask()}>
                find the way from here
              </button>
            </p>
          )}
          <Strayed job={job} cardId={cardId} ask={() => replan.ask()} />
          {tap && operation ? (
            <>
              {refusal && (
                <p role="alert" className="flex items-start gap-3 text-xl font-semibold" data-refusal={refusal.id}>
                  <StopSign size={40} />
                  <span>
                    {refusal.sentence} {waitS > 0 ? <b>Still {waitWords(waitS)}.</b> : refusal.remedy}
                    {refusal.confirm.length > 0 && (
                      <ConfirmPreparations
                        confirm={refusal.confirm}
                        onDone={() => job.record([{ kind: 'caution read', cautionId: refusal.id }])}
                      />
                    )}
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
              <ActionSign
                document={job.document}
                job={job}
                tap={tap}
                done={tap.card.steps.filter((step) => isDone(state, step.operation)).length}
              />
              {operation.act === 'test' && (
                <TestNeeds plan={plan} state={state} functionId={operation.itemId} nowMs={job.nowMs} />
              )}
              <div className={`grid min-h-0 flex-1 gap-6 pl-6 ${tap.card.partId ? 'md:grid-cols-[1.35fr_1fr]' : ''}`}>
                <div
                  className="-ml-7 min-h-0 overflow-y-auto pl-7 lg:contain-strict"
                  tabIndex={0}
                  role="group"
                  aria-label="The card, scrolls"
                >
                  <CardSteps model={model} state={state} tap={tap} trayOf={trayOf} left={left} leave={later} />
                </div>
                {tap.card.partId && <div className="relative hidden min-h-0 md:block">{map}</div>}
              </div>
              <div className="sticky bottom-0 z-10 grid grid-cols-4 gap-2 bg-ground pb-2 pt-1 sm:pb-0 md:grid-cols-[2.4fr_repeat(4,1fr)]">
                {operation.act === 'decide' ? (
                  <div className="col-span-4 md:col-span-1">
                    <FacetSlabs
                      document={job.document}
                      facetId={operation.itemId}
                      onTell={(choiceId) => tell(operation.itemId, choiceId)}
                    />
                  </div>
                ) : (
                  <button
                    type="button"
                    className="slab col-span-4 !min-h-16 flex-col sm:!min-h-[84px] !items-start !gap-0 !px-6 !text-left md:col-span-1"
                    onClick={done}
                    disabled={refusal !== null || !ready}
                    data-testid="done"
                    data-asks={
                      unread.length > 0
                        ? 'read'
                        : changes.length > 0
                          ? 'work'
                          : readingUnit !== ''
                            ? 'reading'
                            : 'nothing'
                    }
                  >
                    <span className="text-[24px] leading-tight sm:text-[30px]">
                      {unread.length > 0 ? 'I have read it' : operation.act === 'test' ? 'It works' : 'Done as written'}
                    </span>
                    <span className="text-[17px] font-semibold leading-tight">
                      {unread.length > 0
                        ? `${unread[0]!.severity}: asked once, and again when the state changes`
                        : doneWords(tap.steps.map((step) => stepWords(model, step.operation).done))}
                    </span>
                  </button>
                )}
                <SlabButton
                  icon={<EqualNot size={28} aria-hidden />}
                  words="Different"
                  onClick={() => setAsk('different')}
                />
                <SecondSlab tap={tap} broken={() => setAsk('broken')} fails={fails} reading={() => setAsk('work')} />
                <ThirdSlab tap={tap} leave={() => later(operation.key)} wontMove={() => setAsk('wont-move')} />
                <UndoSlab atMs={job.lastAct?.atMs ?? null} can={job.lastAct !== null} onClick={takeBack} />
              </div>
            </>
          ) : turn.wait &&
            (turn.wait.kind !== 'done' || !state.people.some((hand) => hand.personId === data.acting.id)) ? (
            <Waiting data={data} job={job} wait={turn.wait} />
          ) : (
            <AllDone
              jobId={data.id}
              left={left.size}
              open={job.balance.openRows.length}
              tools={toolsOut}
              toolsBack={() => job.record(toolsOut.map((tool) => ({ kind: 'tool back', tool })))}
              again={() => setLeft(new Set())}
            />
          )}
        </section>
      </main>
      {asks}
    </div>
  )
}

/** What is read aloud of a step: what must not be done before the pull, then the rest. */
function spokenWords(model: ProcedureForBuild, operation: Operation): string[] {
  const { title, how, mind, facts } = stepWords(model, operation)
  return [title, ...mind, how, ...facts].filter(Boolean)
}

/** "9 out, none broken; and 2 more". */
function doneWords(done: string[]): string {
  return capital(done.length > 2 ? `${done[0]}, and ${done.length - 1} more steps` : done.join('; '))
}

/** What can go wrong with this step: a test fails, work has a reading, something breaks. */
function SecondSlab({
  tap,
  broken,
  fails,
  reading,
}: {
  tap: NextTap
  broken: () => void
  fails: () => void
  reading: () => void
}) {
  const { act } = tap.step.operation
  if (act === 'test') return <SlabButton icon={<CircleX size={28} aria-hidden />} words="It fails" onClick={fails} />
  if (act === 'work')
    return <SlabButton icon={<NotebookPen size={28} aria-hidden />} words="With a reading" onClick={reading} />
  return <SlabButton icon={<Unplug size={28} aria-hidden />} words="Broken" onClick={broken} />
}

function ThirdSlab({ tap, leave, wontMove }: { tap: NextTap; leave: () => void; wontMove: () => void }) {
  return tap.card.phase === 'in' ? (
    <SlabButton icon={<Axe size={28} aria-hidden />} words="Won’t move" onClick={wontMove} />
  ) : (
    <LeaveButton onClick={leave} />
  )
}
