'use client'
import dynamic from 'next/dynamic'
import { Dialog } from '../shell/Dialog'
import { cardNameIn } from '@/words/modelNames'
import type { MoreAsk } from './MoreDialog'
import { NoteForm } from './NoteForm'
import type { AskProps } from './askProps'
import { AsksOfTap } from './AsksOfTap'

const MissingTool = dynamic(() => import('./MissingTool').then((file) => file.MissingTool))
const MoreDialog = dynamic(() => import('./MoreDialog').then((file) => file.MoreDialog))
const PeopleDialog = dynamic(() => import('./PeopleDialog').then((file) => file.PeopleDialog))
const AlreadyHereForm = dynamic(() => import('./AlreadyHereForm').then((file) => file.AlreadyHereForm))
const PauseDialog = dynamic(() => import('./PauseDialog').then((file) => file.PauseDialog))
const JobPhoto = dynamic(() => import('./JobPhoto').then((file) => file.JobPhoto))
const TestFailed = dynamic(() => import('./TestFailed').then((file) => file.TestFailed))
const ReplanDialog = dynamic(() => import('./ReplanDialog').then((file) => file.ReplanDialog))

/** Every dialog of the job in the bay; one is open, or none. */
export function JobAsks({
  data,
  job,
  tap,
  ask,
  setAsk,
  failed,
  save,
  foundOtherwise,
  later,
  tell,
  replan,
  fails,
  look,
}: AskProps) {
  const { model, state } = job
  const close = () => setAsk(null)
  const operation = tap?.step.operation ?? null
  const more = (what: MoreAsk) => {
    close()
    if (what === 'intake') look()
    else if (what === 'replan') replan.ask()
    else setAsk(what)
  }
  const asksReplan = replan.replanning.state !== 'idle' && replan.replanning.state !== 'quiet'
  return (
    <>
      {tap && (
        <AsksOfTap
          data={data}
          job={job}
          tap={tap}
          ask={ask}
          setAsk={setAsk}
          save={save}
          foundOtherwise={foundOtherwise}
          later={later}
          replan={replan}
          fails={fails}
          close={close}
        />
      )}
      <Dialog title="Why did it fail?" open={ask === 'failed'} onClose={close} wide>
        <TestFailed job={job} functionId={failed} close={close} />
      </Dialog>
      <Dialog title="Note" open={ask === 'note'} onClose={close}>
        <NoteForm record={job.record} close={close} itemId={operation?.itemId ?? null} />
      </Dialog>
      <Dialog title="Photo" open={ask === 'photo'} onClose={close}>
        <JobPhoto
          shopId={data.shopId}
          jobId={data.id}
          itemId={photographed(tap)}
          what={tap && photographed(tap) ? cardNameIn(model, tap.card) : 'kept with this job'}
          record={job.record}
          close={close}
        />
      </Dialog>
      <Dialog title="Pause" open={ask === 'pause'} onClose={close} wide>
        <PauseDialog
          job={job}
          putBack={(happenings) =>
            replan.ask(job.request, state.people, { atOnce: true, also: job.record([...happenings]) })
          }
          close={close}
        />
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
        <MissingTool
          job={job}
          without={(tool) => (
            close(),
            replan.ask({
              ...job.request,
              without: { ...job.request.without, tools: [...new Set([...job.request.without.tools, tool])] },
            })
          )}
        />
      </Dialog>
      {asksReplan && <ReplanDialog job={job} replan={replan} />}
    </>
  )
}

/** What a photo taken now is of: the panel of the card, or the piece of work. */
function photographed(tap: AskProps['tap']): string | null {
  if (!tap) return null
  return tap.card.thing === 'work' ? tap.step.operation.itemId : tap.card.partId
}
