'use client'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { Station } from '@/core/procedure/station'
import { LanesPicture } from './LanesPicture'
import type { Planned, SharedOut } from './usePlanning'
import { numberWords } from '@/words/dates'

/** The work of two or three: being shared out, stopped, or as lanes. */
export function Shared({ plan, shared, starts }: { plan: PlanOnCards; shared: SharedOut; starts: readonly Station[] }) {
  if (shared.answer?.ok) return <LanesPicture plan={plan} lanes={shared.answer.value} starts={starts} />
  return (
    <p
      role="status"
      className="mt-8 flex max-w-xl flex-wrap items-center justify-between gap-3 border-l-8 border-untravelled py-2 pl-5 text-lg"
    >
      <span>
        {shared.answer
          ? tooFewWords(shared.answer.error.keys.length)
          : shared.working
            ? 'Sharing the work out…'
            : 'Stopped. Choose how many people again to share it out.'}
      </span>
      {shared.working && (
        <button type="button" className="desk-button" onClick={shared.stop}>
          Stop
        </button>
      )}
    </p>
  )
}

function tooFewWords(steps: number): string {
  return `${steps} ${steps === 1 ? 'step takes' : 'steps take'} more people than are chosen. Choose one more.`
}

/** Shown once an answer takes longer than half a second, and when somebody stopped it. */
export function Working({ planned }: { planned: Planned }) {
  if (planned.current && !planned.first) return null
  if (planned.stopped)
    return (
      <p role="status" className="mb-4 max-w-xl border-l-8 border-untravelled py-2 pl-5 text-lg">
        Stopped.{' '}
        {planned.first
          ? 'What stands here is safe, and was the best so far.'
          : planned.result
            ? 'What stands here is the answer to what was chosen before.'
            : ''}{' '}
        Change anything on the left to look again.
      </p>
    )
  if (!planned.progress) return null
  const { choice, expanded } = planned.progress
  return (
    <p
      role="status"
      className="mb-4 flex max-w-xl flex-wrap items-center justify-between gap-3 border-l-8 border-petrol py-2 pl-5 text-lg"
    >
      <span>
        {planned.first ? 'What stands here is safe. Looking for a better order' : 'Looking for the best safe order'}:{' '}
        {choice > 1 && `way ${choice} to choose, `}
        {numberWords(expanded)} possibilities looked at.
      </span>
      <button type="button" className="desk-button" onClick={planned.stop}>
        Stop
      </button>
    </p>
  )
}

/** Shown while the leads of a job are laid, before its plan is looked for. */
export function LayingLeads() {
  return (
    <p role="status" className="mb-4 max-w-xl border-l-8 border-petrol py-2 pl-5 text-lg">
      Laying the leads…
    </p>
  )
}

export function NoWayIn({ sentence }: { sentence: string }) {
  return (
    <div role="alert" className="border-l-8 border-stop bg-sheet p-5">
      <h2 className="text-2xl">There is no way in.</h2>
      <p className="mt-2 text-lg">{sentence}</p>
    </div>
  )
}

export function Empty({ words }: { words: string }) {
  return <p className="max-w-xl border-l-8 border-untravelled py-2 pl-5 text-xl">{words}</p>
}
