'use client'
import dynamic from 'next/dynamic'
import { changesOwed, testAsked } from '@/core/job/decide/owedHere'
import { workHappenings } from '@/core/job/workSteps'
import { happeningsFor, toBeCounted, type NextTap } from '@/core/job/progress'
import { Dialog } from '../shell/Dialog'
import { cardNameIn } from '@/words/modelNames'
import { stepWords } from '@/words/operations'
import type { AskProps } from './askProps'

const Different = dynamic(() => import('./Different').then((file) => file.Different))
const CountFirst = dynamic(() => import('./CountFirst').then((file) => file.CountFirst))
const Broken = dynamic(() => import('./Broken').then((file) => file.Broken))
const WontMove = dynamic(() => import('./WontMove').then((file) => file.WontMove))
const ReadingForm = dynamic(() => import('./ReadingForm').then((file) => file.ReadingForm))
const PlaceAsk = dynamic(() => import('./PlaceAsk').then((file) => file.PlaceAsk))
const Buried = dynamic(() => import('./Buried').then((file) => file.Buried))
const StepAsk = dynamic(() => import('./StepAsk').then((file) => file.StepAsk))
const WorkDone = dynamic(() => import('./WorkDone').then((file) => file.WorkDone))
const RefitSheet = dynamic(() => import('./RefitSheet').then((file) => file.RefitSheet))

/** What can be asked about the step in hand; one is open, or none. */
export function AsksOfTap({
  data,
  job,
  tap,
  ask,
  setAsk,
  save,
  foundOtherwise,
  later,
  replan,
  fails,
  close,
}: Pick<AskProps, 'data' | 'job' | 'ask' | 'setAsk' | 'save' | 'foundOtherwise' | 'later' | 'replan' | 'fails'> & {
  tap: NextTap
  close: () => void
}) {
  const { model, plan, state } = job
  const { operation } = tap.step
  return (
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
          happenings={tap.steps.flatMap((step) => happeningsFor(state, step.operation, plan.job))}
          record={save}
          close={close}
        />
      </Dialog>
      <Dialog title={operation.name ?? 'Work'} open={ask === 'step'} onClose={close}>
        <StepAsk
          key={`${operation.key} ${job.state.stepsDone.size}`}
          {...{ data, job, close, record: save, workId: operation.itemId }}
        />
      </Dialog>
      <Dialog title={`${operation.name ?? 'Work'}: the place`} open={ask === 'place'} onClose={close} wide>
        <PlaceAsk job={job} workId={operation.itemId} shopId={data.shopId} jobId={data.id} close={close} />
      </Dialog>
      <Dialog title="This closes over something that is wanted" open={ask === 'buried'} onClose={close}>
        <Buried job={job} keys={tap.steps.map((step) => step.operation.key)} close={close} />
      </Dialog>
      <Dialog title={operation.name ?? 'Work'} open={ask === 'work'} onClose={close}>
        <WorkDone
          work={{
            workId: operation.itemId,
            name: operation.name ?? 'Work',
            changes: changesOwed(plan, job.terms, state, operation),
            before: workHappenings(state, plan.job, operation.itemId).slice(0, -1),
          }}
          record={save}
          close={close}
        />
      </Dialog>
      <Dialog title={`Test: ${stepWords(model, operation).title}`} open={ask === 'reading'} onClose={close}>
        <ReadingForm
          asked={testAsked(model, plan, operation)}
          keep={(reading) => (
            save([{ kind: 'tested', functionId: operation.itemId, result: 'passed', reading, note: '' }]),
            close()
          )}
          fails={(reading) => (close(), fails(reading))}
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
  )
}
