import { Check } from 'lucide-react'
import { isStepDone, stepsInHand } from '@/core/job/workSteps'
import type { WorkItem } from '@/core/shop/workItem'
import { mediaUrl } from '@/client/media'
import { workStepWords } from '@/words/workStepWords'
import { intoView } from '../shell/intoView'
import { kitOfJob } from './kitOfJob'
import { StepMarkOfWork } from './StepMarkOfWork'
import type { PlannedJob } from './useJob'

/** The card of a piece of work: its steps in order, what is done, what the next tap confirms. */
export function WorkCard({ job, work }: { job: PlannedJob; work: WorkItem }) {
  const kit = kitOfJob(job)
  const hand = stepsInHand(job.state, work)
  const inTap = new Set(hand?.steps.map(({ id }) => id))
  return (
    <>
      <ol aria-label="Steps of this work" className="min-w-0">
        {work.steps.map((step) => {
          const words = workStepWords(kit, step)
          const done = isStepDone(job.state, work, step)
          const now = step.id === hand?.first.id
          const said = job.state.stepsDone.get(`${work.id}/${step.id}`)?.reading
          return (
            <li
              key={step.id}
              ref={now ? intoView : undefined}
              className="relative flex items-center gap-4 border-b border-hair py-2"
              aria-current={now ? 'step' : undefined}
            >
              <span
                aria-hidden="true"
                className={`absolute -left-[18px] top-0 h-full w-3 ${done ? 'bg-petrol' : 'hollow'}`}
              />
              <span
                aria-hidden="true"
                className={`absolute -left-[24px] size-6 rounded-full border-[3px] ${now ? 'border-ink bg-ink' : done ? 'border-ink bg-ground' : 'border-untravelled bg-ground'}`}
              />
              <span className={`ml-5 ${done ? 'text-second' : ''}`}>
                <StepMarkOfWork kit={kit} step={step} size={30} />
              </span>
              <span className="min-w-0 flex-1">
                <span
                  className={`block text-[22px] leading-tight ${done ? 'text-second' : now ? 'font-bold' : 'font-semibold'}`}
                >
                  {words.title}
                </span>
                <span className="block text-[16px] leading-tight text-second">
                  {[said && `read: ${said}`, words.how, words.mind].filter(Boolean).join(' · ')}
                </span>
              </span>
              {done ? (
                <Check aria-label="done" size={28} className="shrink-0" />
              ) : now ? (
                <span
                  className="shrink-0 bg-ink py-1.5 pl-6 pr-3 text-lg font-bold text-ground"
                  style={{ clipPath: 'polygon(0.7em 0, 100% 0, 100% 100%, 0.7em 100%, 0 50%)' }}
                >
                  now
                </span>
              ) : (
                inTap.has(step.id) && <span className="shrink-0 text-[16px] text-second">with it</span>
              )}
            </li>
          )
        })}
      </ol>
      {work.photoId && (
        // eslint-disable-next-line @next/next/no-img-element
        <img src={mediaUrl(work.photoId)} alt={`Photo: ${work.name}`} className="mt-3 max-h-80 border border-hair" />
      )}
    </>
  )
}
