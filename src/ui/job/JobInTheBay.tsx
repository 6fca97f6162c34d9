'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { ChangeActing } from '../shell/ActingButton'
import { JobAtWork } from './JobAtWork'
import { JobHead } from './JobHead'
import { isPlanned, type JobData, type LiveJob, type PlannedJob } from './useJob'
import { useReplan } from './useReplan'

const WithoutPlan = dynamic(() => import('./WithoutPlan').then((file) => file.WithoutPlan))
const PausedScreen = dynamic(() => import('./PausedScreen').then((file) => file.PausedScreen))
const IntakeScreen = dynamic(() => import('./IntakeScreen').then((file) => file.IntakeScreen))

type Props = { data: JobData; change: ChangeActing; cardId: string | null; job: LiveJob }

/** The job in the bay: looked at before the first screw, at work, or waiting. */
export function JobInTheBay({ data, change, cardId, job }: Props) {
  if (job.working && !isPlanned(job)) return <Working data={data} job={job} change={change} />
  if (job.state.paused && !isPlanned(job))
    return <PausedScreen data={data} job={job} change={change} changed={() => undefined} />
  return isPlanned(job) ? (
    <Planned data={data} job={job} change={change} cardId={cardId} />
  ) : (
    <WithoutPlan data={data} job={job} change={change} />
  )
}

/** The order is looked for anew: a moment, once. */
function Working({ data, job, change }: { data: JobData; job: LiveJob; change: ChangeActing }) {
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back="/today" />
      <p role="status" className="p-10 text-3xl font-semibold">
        Working out the order…
      </p>
    </div>
  )
}

function Planned({
  data,
  job,
  change,
  cardId,
}: {
  data: JobData
  job: PlannedJob
  change: ChangeActing
  cardId: string | null
}) {
  const [looking, setLooking] = useState(false)
  const replan = useReplan(data, job)
  const { state } = job
  const begun =
    state.moved.size + state.tethersTouched.size + state.settingChangedAt.size > 0 ||
    [...state.holders.values()].some((c) => c.undone > 0)
  // What is told on the way counts for the rest: the plan from here is adopted with it.
  const tell = (facetId: string, choiceId: string) => {
    const also = job.record([{ kind: 'facet told', facetId, choiceId }])
    if (data.kind === 'job')
      replan.ask({ ...job.request, build: { ...job.request.build, [facetId]: choiceId } }, state.people, {
        atOnce: true,
        also,
      })
  }
  if (state.paused)
    return (
      <PausedScreen
        data={data}
        job={job}
        change={change}
        changed={(also) => replan.ask(job.request, state.people, { atOnce: true, also })}
      />
    )
  const shared = { data, job, change, tell, replan }
  if (data.kind === 'job' && (looking || (!begun && !state.intake.has('workplace'))))
    return <IntakeScreen {...shared} begun={begun || state.intake.has('workplace')} back={() => setLooking(false)} />
  return <JobAtWork {...shared} cardId={cardId} look={() => setLooking(true)} />
}
