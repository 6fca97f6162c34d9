'use client'
import dynamic from 'next/dynamic'
import type { ChangeActing } from '../shell/ActingButton'
import { JobInTheBay } from './JobInTheBay'
import { useJob, type JobData } from './useJob'

const StripJob = dynamic(() => import('./StripJob').then((file) => file.StripJob))

type Props = { data: JobData; change: ChangeActing; cardId: string | null }

/** A job's own page. What only a strip needs is loaded for strips only. */
export function JobScreen(props: Props) {
  return props.data.kind === 'strip' ? <StripJob {...props} /> : <PlannedFromTheStart {...props} />
}

function PlannedFromTheStart(props: Props) {
  return <JobInTheBay {...props} job={useJob(props.data)} />
}
