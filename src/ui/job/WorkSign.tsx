import type { NextTap } from '@/core/job/progress'
import { isStepDone, stepsInHand } from '@/core/job/workSteps'
import { judged } from '@/core/plan/derive/demandsOf'
import { isAtBench } from '@/core/shop/atBench'
import type { WorkItem } from '@/core/shop/workItem'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { toolWords } from '@/words/items'
import { workStepWords } from '@/words/workStepWords'
import { SignalPlate } from '../marks/Signs'
import { kitOfJob } from './kitOfJob'
import { StepMarkOfWork } from './StepMarkOfWork'
import type { PlannedJob } from './useJob'

/** The one sign of a piece of work: its next step, readable from a metre. */
export function WorkSign({ job, work, tap }: { job: PlannedJob; work: WorkItem; tap: NextTap }) {
  const kit = kitOfJob(job)
  const hand = stepsInHand(job.state, work)
  const first = hand?.first
  const words = first ? workStepWords(kit, first) : { title: work.name, how: '', mind: '' }
  const done = work.steps.filter((step) => isStepDone(job.state, work, step)).length
  const cautions = cautionsFor(job.model, judged(job.plan.job, tap.step.operation), job.circumstances)
  const also = [work.tool, ...work.alsoTools].filter((tool) => tool !== 'hand' && tool !== '').map(toolWords)
  return (
    <section aria-label="Next" className="on-sign rounded-br px-6 py-4" aria-live="polite">
      <div className="flex justify-between gap-4 text-2xl font-semibold">
        <span>
          {work.name}
          <span className="ml-3 font-normal">{isAtBench(work) ? 'at the bench' : 'at the vehicle'}</span>
        </span>
        <span className="shrink-0">
          <span className="num">{done}</span> of <span className="num">{work.steps.length}</span> done
        </span>
      </div>
      <h1
        className={`mt-1 flex items-center gap-4 font-extrabold ${words.title.length > 32 ? 'text-[clamp(30px,3.4vw,42px)]' : 'text-[clamp(38px,4.6vw,58px)]'} !leading-[1.05]`}
        data-next={tap.step.operation.key}
        data-step={first?.id}
      >
        {first && <StepMarkOfWork document={job.document} step={first} size={60} />}
        <span className="min-w-0 [overflow-wrap:anywhere]">{words.title}</span>
      </h1>
      <p className="mt-1 min-h-10 text-[clamp(20px,2.3vw,30px)] font-medium leading-tight">{words.how}</p>
      {words.mind && <p className="mt-1 text-[clamp(20px,2.1vw,27px)] font-bold leading-tight">{words.mind}</p>}
      <p className="mt-1 text-[clamp(18px,1.8vw,23px)] leading-snug">
        {[
          also.length > 0 && `with ${also.join(', ')}`,
          work.heldMeanwhile && `held meanwhile: ${work.heldMeanwhile}`,
          work.note,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      <ul className="mt-2 space-y-1.5">
        {cautions.slice(0, 2).map((caution) => (
          <li
            key={caution.id}
            className="flex items-start gap-3 text-[clamp(17px,1.6vw,21px)] font-semibold leading-snug"
          >
            <SignalPlate severity={caution.severity} />
            <span>{caution.sentence}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
