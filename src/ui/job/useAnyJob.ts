import { forPuttingBack } from '@/core/strip/putBack'
import { stripDocument } from '@/core/strip/stripDocument'
import { useJob, type Folds, type JobData, type LiveJob } from './useJob'

const AS_STATED: Folds = { document: stripDocument, byWhat: forPuttingBack }

/**
 * A live job of either kind. The bay's own page does without: a job that follows a plan loads nothing of what a strip
 * needs.
 */
export function useAnyJob(data: JobData): LiveJob {
  return useJob(data, data.kind === 'strip' ? AS_STATED : undefined)
}
