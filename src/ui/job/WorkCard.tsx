import { isStepDone, stepsInHand } from '@/core/job/workSteps'
import type { WorkItem } from '@/core/shop/workItem'
import { mediaUrl } from '@/client/media'
import { workStepWords } from '@/words/workStepWords'
import { kitOfJob } from './kitOfJob'
import { StepMarkOfWork } from './StepMarkOfWork'
import { StepRow } from './StepRow'
import type { PlannedJob } from './useJob'

/** The card of a piece of work: its steps in order, what is done, what the next tap confirms. */
export function WorkCard({ job, work }: { job: PlannedJob; work: WorkItem }) {
  const kit = kitOfJob(job)
  const hand = stepsInHand(job.state, work)
  // The picture of what is meant now goes before that of the whole.
  const photoId = hand?.first.photoId ?? work.photoId
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
            <StepRow
              key={step.id}
              mark={<StepMarkOfWork document={job.document} step={step} size={30} />}
              title={words.title}
              below={[said && `read: ${said}`, words.how, words.mind].filter(Boolean).join(' · ')}
              done={done}
              now={now}
              ahead={inTap.has(step.id) && <span className="shrink-0 text-[16px] text-second">with it</span>}
            />
          )
        })}
      </ol>
      {photoId && (
        // eslint-disable-next-line @next/next/no-img-element
        <img src={mediaUrl(photoId)} alt={`Photo: ${work.name}`} className="mt-3 max-h-80 border border-hair" />
      )}
    </>
  )
}
