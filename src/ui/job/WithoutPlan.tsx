import Link from 'next/link'
import type { ChangeActing } from '../shell/ActingButton'
import { planErrorSentence } from '@/words/problems'
import { JobHead } from './JobHead'
import type { JobData, LiveJob } from './useJob'

/**
 * A strip that nobody has begun to put back, or whose record does not give an order yet: what is wrong, and the ways
 * on.
 */
export function WithoutPlan({ data, job, change }: { data: JobData; job: LiveJob; change: ChangeActing }) {
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="flex-1 px-6 py-6">
        <h1 className="text-5xl font-extrabold">
          {job.planError ? 'The record gives no order yet' : 'Still coming apart'}
        </h1>
        <p className="mt-4 max-w-3xl text-2xl">
          {job.planError
            ? `${planErrorSentence(job.document, job.planError)} Put the vehicle back by the balance: it names everything that is out, and counts it. Or mend the record first.`
            : 'This vehicle is being recorded. Its order of putting back is worked out once you say that it goes back.'}
        </p>
        <div className="mt-8 flex flex-wrap gap-3">
          <Link className="slab" href={`/jobs/${data.id}/record`}>
            To the recording
          </Link>
          <Link className="ghost" href={`/jobs/${data.id}/balance`}>
            To the balance
          </Link>
        </div>
      </main>
    </div>
  )
}
