'use client'
import { useState } from 'react'
import { backBeforePause } from '@/core/job/decide/beforePause'
import type { Happening } from '@/core/job/event'
import { leaveGate } from '@/core/job/leaveGate'
import { powerGate } from '@/core/vehicle/powerGate'
import { MayRing, StopSign } from '../marks/Signs'
import { itemWords } from '@/words/items'
import { capital } from '@/words/operations'
import type { LiveJob } from './useJob'

const REASONS = [
  'parts awaited',
  'a tool is missing',
  'the day ends',
  'another job comes first',
  'the customer is asked',
]

type Props = {
  job: LiveJob
  /** A setting is back: written down, and the rest planned from there. */
  putBack: (happenings: readonly Happening[]) => void
  close: () => void
}

/**
 * Leaving for a while: why, until when, what goes back first, and whether the vehicle may be moved or used meanwhile.
 */
export function PauseDialog({ job, putBack, close }: Props) {
  const awaited = [...job.state.awaited]
  const [reason, setReason] = useState(
    awaited.length > 0
      ? `parts awaited: ${awaited.map(([id, count]) => `${count} for ${itemWords(job.document, id)}`).join(', ')}`.slice(
          0,
          200,
        )
      : '',
  )
  const [until, setUntil] = useState('')
  const leave = leaveGate(job.model, job.state, job.vehicle, job.circumstances, job.terms)
  const back = backBeforePause(job.model, job.vehicle, job.circumstances)
  const power = powerGate(job.model, job.vehicle, job.circumstances).ignition
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        job.record([{ kind: 'paused', reason: reason.trim(), until }])
        close()
      }}
    >
      <div className="flex flex-wrap gap-2">
        {REASONS.map((words) => (
          <button
            key={words}
            type="button"
            className="ghost text-lg"
            aria-pressed={reason === words}
            onClick={() => setReason(words)}
          >
            {words}
          </button>
        ))}
      </div>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">What does it wait for?</span>
        <input
          className="field !min-h-14 text-lg"
          maxLength={200}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Until (may be left)</span>
        <input
          type="date"
          className="field !min-h-14 text-lg"
          value={until}
          onChange={(event) => setUntil(event.target.value)}
        />
      </label>
      {back.map((setting) => (
        <p key={setting.id} className="flex flex-wrap items-center gap-3 border-y border-hair py-2">
          <span className="min-w-0 flex-1 text-xl font-semibold">
            {capital(setting.name)} back to {setting.asFound} before you leave it.
            <span className="block text-lg font-normal">
              The way on from there brings it out again when it is needed.
            </span>
          </span>
          <button
            type="button"
            className="slab"
            onClick={() => putBack([{ kind: 'set', settingId: setting.id, value: setting.asFound, methodId: null }])}
          >
            It is {setting.asFound}
          </button>
        </p>
      ))}
      <p className="flex items-center gap-3 text-xl font-semibold" data-may-leave={leave.allowed}>
        {leave.allowed ? <MayRing size={44} /> : <StopSign size={44} />}
        {leave.allowed
          ? 'It may be used as it stands.'
          : power.allowed
            ? 'It is not to be used as it stands: the tag says so.'
            : 'Nobody may switch it on: the tag says so.'}
      </p>
      <button className="slab w-full !min-h-[84px] text-2xl" disabled={reason.trim() === ''}>
        Pause
      </button>
    </form>
  )
}
