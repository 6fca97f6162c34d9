'use client'
import type { ReactNode } from 'react'
import type { Rule } from '@/core/vehicle/rule'
import { delayLeft, isDone, type NextTap } from '@/core/job/progress'
import { unreadCautions } from '@/core/job/acknowledged'
import { changesOwed, readingAsked } from '@/core/job/decide/owedHere'
import { judged } from '@/core/plan/derive/demandsOf'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { refusals, waitLeftS } from '@/core/vehicle/judge'
import { ActionSign } from './ActionSign'
import { CardSteps } from './CardSteps'
import type { Ask } from './askProps'
import { waitWords } from './slabs'
import { TestNeeds } from './TestNeeds'
import type { PlannedJob } from './useJob'
import { Refused } from './Refused'
import { ActionSlabs, type AskedFirst } from './ActionSlabs'

/** What is known of the step in hand: what refuses it, what it waits for, what has to be read or said first. */
export type KnownOfTap = {
  refusal: Rule | null
  waitS: number
  delay: ReturnType<typeof delayLeft>
  cautions: ReturnType<typeof cautionsFor>
  asked: AskedFirst
}

export function knownOfTap(job: PlannedJob, tap: NextTap | null, actingId: string): KnownOfTap {
  const { model, plan, state, vehicle, circumstances } = job
  if (!tap)
    return { refusal: null, waitS: 0, delay: null, cautions: [], asked: { unread: [], changes: 0, readingUnit: '' } }
  const { operation } = tap.step
  const act = judged(plan.job, operation)
  const cautions = cautionsFor(model, act, circumstances)
  return {
    refusal: refusals(model, vehicle, act, circumstances)[0]?.rule ?? null,
    waitS: Math.ceil(waitLeftS(model, vehicle, act, circumstances)),
    delay: delayLeft(plan, state, operation, job.nowMs),
    cautions,
    asked: {
      unread: unreadCautions(cautions, state, actingId),
      changes: changesOwed(plan, job.terms, state, operation).length,
      readingUnit: readingAsked(model, plan, operation),
    },
  }
}

/** What a tap on the screen of the job does. */
type Acts = {
  done: () => void
  takeBack: () => void
  fails: () => void
  tell: (facetId: string, choiceId: string) => void
  later: (key: string) => void
  ask: (ask: Ask) => void
  again: () => void
  replan: () => void
}

/** The one next action: what refuses it, its sign, its card beside the map, and the slabs. */
export function TapInHand({
  job,
  tap,
  known: { refusal, waitS, delay, asked },
  trayOf,
  left,
  ready,
  acts,
  map,
}: {
  job: PlannedJob
  tap: NextTap
  known: KnownOfTap
  trayOf: (id: string) => string | undefined
  left: ReadonlySet<string>
  ready: boolean
  acts: Acts
  map: ReactNode
}) {
  const { model, plan, state } = job
  const { operation } = tap.step
  return (
    <>
      {refusal && (
        <Refused rule={refusal} waitS={waitS} job={job} left={left.size} again={acts.again} replan={acts.replan} />
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
          <CardSteps model={model} state={state} tap={tap} trayOf={trayOf} left={left} leave={acts.later} />
        </div>
        {tap.card.partId && <div className="relative hidden min-h-0 md:block">{map}</div>}
      </div>
      <ActionSlabs
        job={job}
        tap={tap}
        asked={asked}
        disabled={refusal !== null || !ready}
        done={acts.done}
        takeBack={acts.takeBack}
        fails={acts.fails}
        tell={acts.tell}
        later={acts.later}
        ask={acts.ask}
      />
    </>
  )
}
