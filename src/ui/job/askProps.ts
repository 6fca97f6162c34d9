import type { Happening } from '@/core/job/event'
import type { NextTap } from '@/core/job/progress'
import type { MoreAsk } from './MoreDialog'
import type { JobData, PlannedJob } from './useJob'
import type { Replan } from './useReplan'

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
  | 'step'
  | 'reading'
  | 'count'
  | 'place'
  | 'buried'
  | Exclude<MoreAsk, 'intake' | 'replan'>
  | null

export type AskProps = {
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
  /** The test in hand failed, with a reading where one was taken. */
  fails: (reading: string) => void
  look: () => void
}
