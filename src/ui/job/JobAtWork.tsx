'use client'
import dynamic from 'next/dynamic'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import type { Happening } from '@/core/job/event'
import { tappedDone, withTools } from '@/core/job/decide/done'
import { nextTap } from '@/core/job/progress'
import { turnsOf, type Turn } from '@/core/job/whoDoesWhat'
import { traysFor } from '@/core/plan/show/trays'
import type { ChangeActing } from '../shell/ActingButton'
import type { Operation } from '@/core/order/operation'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { stepWords } from '@/words/operations'
import { AllDone } from './AllDone'
import { JobHead } from './JobHead'
import { JobAside } from './JobAside'
import type { Ask } from './askProps'
import { JobAsks } from './JobAsks'
import { Strayed } from './Strayed'
import type { JobData, PlannedJob } from './useJob'
import { useAwake } from './useAwake'
import { useJobKeys } from './useJobKeys'
import { useLaterParts } from './useLaterParts'
import { usePhotoOutbox } from './usePhotoOutbox'
import { usePreference } from './usePreference'
import { useReadAloud } from './useReadAloud'
import { useReady } from '../shell/useReady'
import type { Replan } from './useReplan'
import { knownOfTap } from '@/core/job/decide/knownOfTap'
import { TapInHand } from './TapInHand'

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
  const { turns, turn } = useTurn(job, data.acting.id, left)
  const { tap } = turn
  const trays = useMemo(
    () => new Map(traysFor(plan).flatMap((tray) => tray.holderIds.map((id) => [id, tray.label] as const))),
    [plan],
  )
  const later = useCallback((key: string) => setLeft((now) => new Set([...now, key])), [])
  const trayOf = useCallback((id: string) => trays.get(id), [trays])

  const known = knownOfTap(job, tap, data.acting.id)
  const save = (happenings: readonly Happening[]) => tap && job.record(withTools(state, tap, happenings))
  const operation = tap?.step.operation ?? null
  const done = () => {
    if (!tap || ask) return
    const answer = tappedDone(state, tap, { refusal: known.refusal, ...known.asked })
    if (answer.kind === 'read') job.record(answer.happenings)
    else if (answer.kind === 'ask') setAsk(answer.what)
    else if (answer.kind === 'keep') save(answer.happenings)
  }
  const fails = (reading = '') => {
    job.record([{ kind: 'tested', functionId: operation!.itemId, result: 'failed', reading, note: '' }])
    setFailed(operation!.itemId)
    setAsk('failed')
  }
  const { foundOtherwise, takeBack } = useFound(data, job, replan)
  const asksReplan = replan.replanning.state !== 'idle' && replan.replanning.state !== 'quiet'
  const ready = useReady()
  usePhotoOutbox(data.shopId)
  useLaterParts()
  useHands(
    { done, takeBack, note: () => setAsk('note'), different: () => setAsk('different'), jobId: data.id },
    ask !== null || asksReplan,
    operation
      ? [...spokenWords(model, operation), ...known.cautions.map((caution) => caution.sentence)].join('. ')
      : '',
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
  const asksNow = (
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
      fails={fails}
      look={look}
    />
  )
  const asksLater = useDeferredValue(asksNow)
  // What is put off may be put off again and again where a clock runs on a slow tablet: a question is not put off.
  const asks = ask === null ? asksLater : asksNow
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
            <TapInHand
              job={job}
              tap={tap}
              known={known}
              trayOf={trayOf}
              left={left}
              ready={ready}
              acts={{
                done,
                takeBack,
                fails: () => fails(),
                tell,
                later,
                ask: setAsk,
                again: () => setLeft(new Set()),
                replan: () => replan.ask(),
              }}
              map={map}
            />
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

/** Whose turn it is: of several people each has their own, of one it is the next tap. */
function useTurn({ plan, state }: PlannedJob, actingId: string, left: ReadonlySet<string>) {
  const turns = useMemo(() => (state.people.length > 1 ? turnsOf(plan, state, left) : null), [plan, state, left])
  const alone = useMemo(() => (state.people.length > 1 ? null : nextTap(plan, state, left)), [plan, state, left])
  const turn: Turn = turns ? (turns.get(actingId) ?? { tap: null, wait: { kind: 'done' } }) : { tap: alone, wait: null }
  return { turns, turn }
}

/** Pedal, keys, voice, and a screen that stays awake: what serves hands that are full. */
function useHands(acts: Parameters<typeof useJobKeys>[0], busy: boolean, spoken: string): void {
  const [letters] = usePreference('letters')
  const [aloud] = usePreference('aloud')
  useAwake()
  useJobKeys(acts, busy, letters)
  useReadAloud(spoken, aloud)
}

/** Another head asks for another tool: the rest is planned with it, and without it when that is taken back. */
function useFound(data: JobData, job: PlannedJob, replan: Replan) {
  const afterHead = (happenings: readonly Happening[], also: ReturnType<PlannedJob['record']>) => {
    const another = happenings.some((what) => what.kind === 'different from the record' && what.field === 'head')
    if (data.kind === 'job' && another) replan.ask(job.request, job.state.people, { atOnce: true, also })
  }
  return {
    foundOtherwise: (happenings: readonly Happening[]) => afterHead(happenings, job.record(happenings)),
    takeBack: () => {
      const gone = job.log.events.flatMap((event) => (job.lastAct?.eventIds.includes(event.id) ? [event.what] : []))
      afterHead(gone, job.takeBack())
    },
  }
}
