'use client'
import dynamic from 'next/dynamic'
import { changesOwed, readingAsked } from '@/core/job/decide/owedHere'
import type { Happening } from '@/core/job/event'
import { happeningsFor, toBeCounted, type NextTap } from '@/core/job/progress'
import { Dialog } from '../shell/Dialog'
import { cardNameIn } from '@/words/modelNames'
import { stepWords } from '@/words/operations'
import type { MoreAsk } from './MoreDialog'
import { NoteForm } from './NoteForm'
import type { JobData, PlannedJob } from './useJob'
import type { Replan } from './useReplan'

const Different = dynamic(() => import('./Different').then((file) => file.Different))
const CountFirst = dynamic(() => import('./CountFirst').then((file) => file.CountFirst))
const Broken = dynamic(() => import('./Broken').then((file) => file.Broken))
const WontMove = dynamic(() => import('./WontMove').then((file) => file.WontMove))
const ReadingForm = dynamic(() => import('./ReadingForm').then((file) => file.ReadingForm))
const MissingTool = dynamic(() => import('./MissingTool').then((file) => file.MissingTool))
const MoreDialog = dynamic(() => import('./MoreDialog').then((file) => file.MoreDialog))
const PeopleDialog = dynamic(() => import('./PeopleDialog').then((file) => file.PeopleDialog))
const AlreadyHereForm = dynamic(() => import('./AlreadyHereForm').then((file) => file.AlreadyHereForm))
const PauseDialog = dynamic(() => import('./PauseDialog').then((file) => file.PauseDialog))
const JobPhoto = dynamic(() => import('./JobPhoto').then((file) => file.JobPhoto))
const TestFailed = dynamic(() => import('./TestFailed').then((file) => file.TestFailed))
const WorkDone = dynamic(() => import('./WorkDone').then((file) => file.WorkDone))
const RefitSheet = dynamic(() => import('./RefitSheet').then((file) => file.RefitSheet))
const ReplanDialog = dynamic(() => import('./ReplanDialog').then((file) => file.ReplanDialog))

/** What somebody asked for beside the next tap. */
export type Ask =
  | 'different'
  | 'broken'
  | 'wont-move'
  | 'note'
  | 'refit'
  | 'photo'
  | 'pause'
  | 'more'
  | 'failed'
  | 'work'
  | 'reading'
  | 'count'
  | Exclude<MoreAsk, 'intake' | 'replan'>
  | null

type Props = {
  data: JobData
  job: PlannedJob
  tap: NextTap | null
  ask: Ask
  setAsk: (ask: Ask) => void
  /** The function whose test failed. */
  failed: string
  save: (happenings: readonly Happening[]) => void
  foundOtherwise: (happenings: readonly Happening[]) => void
  later: (key: string) => void
  tell: (facetId: string, choiceId: string) => void
  replan: Replan
  look: () => void
}

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
  look,
}: Props) {
  const { model, plan, state } = job
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
      {tap && operation && (
        <>
          <Dialog title="Different from the record" open={ask === 'different'} onClose={close}>
            <Different model={model} state={state} tap={tap} record={foundOtherwise} leave={later} close={close} />
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
              otherWay={(methodId) => {
                close()
                const act = operation.setting!
                replan.ask({
                  ...job.request,
                  policy: {
                    ...job.request.policy,
                    methods: { ...job.request.policy.methods, [`${act.settingId}=${act.to}`]: methodId },
                  },
                })
              }}
              leave={(partId) => {
                close()
                replan.ask({
                  ...job.request,
                  without: { ...job.request.without, parts: [...new Set([...job.request.without.parts, partId])] },
                })
              }}
            />
          </Dialog>
          <Dialog title="How many came out?" open={ask === 'count'} onClose={close}>
            <CountFirst
              key={operation.key}
              groups={toBeCounted(
                state,
                tap.steps.map((step) => step.operation),
              ).map((id) => model.holders.get(id)!)}
              happenings={tap.steps.flatMap((step) => happeningsFor(state, step.operation))}
              record={save}
              close={close}
            />
          </Dialog>
          <Dialog title={operation.name ?? 'Work'} open={ask === 'work'} onClose={close}>
            <WorkDone
              work={{
                workId: operation.itemId,
                name: operation.name ?? 'Work',
                changes: changesOwed(plan, job.terms, state, operation),
              }}
              record={save}
              close={close}
            />
          </Dialog>
          <Dialog title={`Test: ${stepWords(model, operation).title}`} open={ask === 'reading'} onClose={close}>
            <ReadingForm
              unit={readingAsked(model, plan, operation)}
              keep={(reading) => (
                save([{ kind: 'tested', functionId: operation.itemId, result: 'passed', reading, note: '' }]),
                close()
              )}
            />
          </Dialog>
          <Dialog
            title={`${cardNameIn(model, tap.card)}: how it goes back`}
            open={ask === 'refit' && tap.card.partId !== null}
            onClose={close}
            wide
          >
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
        <JobPhoto
          shopId={data.shopId}
          jobId={data.id}
          itemId={tap?.card.partId ?? null}
          what={tap?.card.partId ? cardNameIn(model, tap.card) : 'kept with this job'}
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
