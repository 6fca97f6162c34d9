'use client'
import type { ChangeActing } from '../shell/ActingButton'
import { JobInTheBay } from './JobInTheBay'
import { useAnyJob } from './useAnyJob'
import type { JobData } from './useJob'

/** A strip whose vehicle goes back together, or does not yet. */
export function StripJob(props: { data: JobData; change: ChangeActing; cardId: string | null }) {
  return <JobInTheBay {...props} job={useAnyJob(props.data)} />
}
