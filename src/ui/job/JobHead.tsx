import Link from 'next/link'
import { ProductSign } from '../marks/Signs'
import { Tape } from '../marks/Tape'
import { ActingButton, type ChangeActing } from '../shell/ActingButton'
import { Lamps } from './Lamps'
import { SavedSign } from './SavedSign'
import type { JobData, LiveJob } from './useJob'

/** The head of every job screen: which vehicle, the power lamps, who acts, where the taps are. */
export function JobHead({ data, job, change, back }: { data: JobData; job: LiveJob; change: ChangeActing; back: string }) {
  return (
    <header className="no-print flex min-h-[76px] flex-wrap items-center gap-x-6 gap-y-2 px-4 py-2">
      <Link href={back} aria-label={back === '/today' ? 'To Today' : 'To the job'} className="grid size-14 shrink-0 place-items-center rounded">
        <ProductSign size={36} />
      </Link>
      <Tape label={data.vehicle.label.toUpperCase()} size="l" />
      <div className="min-w-0 max-w-56 leading-tight">
        <p className="truncate font-bold">{data.title}</p>
        <p className="truncate text-[15px] text-second">{[data.vehicle.customer, data.bay].filter(Boolean).join(', ')}</p>
        <SavedSign log={job.log} />
      </div>
      <Lamps model={job.model} document={data.document} state={job.state} />
      <div className="border-l border-untravelled pl-3">
        <ActingButton acting={data.acting} crew={data.crew} change={change} large />
      </div>
    </header>
  )
}
