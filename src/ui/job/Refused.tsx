'use client'
import type { Rule } from '@/core/vehicle/rule'
import { StopSign } from '../marks/Signs'
import { ConfirmPreparations, waitWords } from './slabs'
import type { PlannedJob } from './useJob'

/** Why the next step may not be done now, and the ways on. */
export function Refused({
  rule,
  waitS,
  job,
  left,
  again,
  replan,
}: {
  rule: Rule
  waitS: number
  job: PlannedJob
  /** How many steps were left for later. */
  left: number
  again: () => void
  replan: () => void
}) {
  return (
    <p role="alert" className="flex items-start gap-3 text-xl font-semibold" data-refusal={rule.id}>
      <StopSign size={40} />
      <span>
        {rule.sentence} {waitS > 0 ? <b>Still {waitWords(waitS)}.</b> : rule.remedy}
        {rule.confirm.length > 0 && (
          <ConfirmPreparations
            confirm={rule.confirm}
            onDone={() => job.record([{ kind: 'caution read', cautionId: rule.id }])}
          />
        )}
        {left > 0 && (
          <>
            {' What was left for later comes first: '}
            <button type="button" className="jump min-h-14" onClick={again}>
              do it now
            </button>
          </>
        )}
        {waitS === 0 && rule.confirm.length === 0 && (
          <button type="button" className="jump ml-2 min-h-14" onClick={replan}>
            find the way from here
          </button>
        )}
      </span>
    </p>
  )
}
