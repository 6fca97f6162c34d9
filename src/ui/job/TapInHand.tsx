'use client'
import type { ReactNode } from 'react'
import type { KnownOfTap } from '@/core/job/decide/knownOfTap'
import { isDone, type NextTap } from '@/core/job/progress'
import { stepsInHand } from '@/core/job/workSteps'
import { KitPicture, kitViewOf } from '../map/KitPicture'
import { LeadPicture } from '../map/LeadPicture'
import { ActionSign } from './ActionSign'
import { CardSteps } from './CardSteps'
import { leadDrawn } from './leadDrawn'
import type { Ask } from './askProps'
import { waitWords } from './slabs'
import { TestNeeds } from './TestNeeds'
import { WorkCard } from './WorkCard'
import { WorkSign } from './WorkSign'
import type { PlannedJob } from './useJob'
import { Refused } from './Refused'
import { ActionSlabs } from './ActionSlabs'

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
  const work = operation.act === 'work' ? plan.job.works.get(operation.itemId) : undefined
  const hasDrawing = work !== undefined && kitViewOf(job.document, work.steps) !== undefined
  const lead = work && leadDrawn(job, work)
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
      {work && work.steps.length > 0 ? (
        <WorkSign job={job} work={work} tap={tap} />
      ) : (
        <ActionSign
          document={job.document}
          job={job}
          tap={tap}
          done={tap.card.steps.filter((step) => isDone(state, step.operation)).length}
        />
      )}
      {operation.act === 'test' && (
        <TestNeeds plan={plan} state={state} functionId={operation.itemId} nowMs={job.nowMs} />
      )}
      <div
        className={`grid min-h-0 flex-1 gap-6 pl-6 ${tap.card.partId || hasDrawing || lead ? 'md:grid-cols-[1.35fr_1fr]' : ''}`}
      >
        <div
          className="-ml-7 min-h-0 overflow-y-auto pl-7 lg:contain-strict"
          tabIndex={0}
          role="group"
          aria-label="The card, scrolls"
        >
          {work && work.steps.length > 0 ? (
            <WorkCard job={job} work={work} />
          ) : (
            <CardSteps model={model} state={state} tap={tap} trayOf={trayOf} left={left} leave={acts.later} />
          )}
        </div>
        {tap.card.partId && <div className="relative hidden min-h-0 md:block">{map}</div>}
        {lead && (
          <div className="hidden min-h-0 md:block">
            <LeadPicture document={job.document} {...lead} />
          </div>
        )}
        {hasDrawing && work && (
          <div className="hidden min-h-0 md:block">
            <KitPicture
              document={job.document}
              steps={work.steps}
              nowItemId={stepsInHand(state, work)?.first.itemId ?? null}
            />
          </div>
        )}
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
