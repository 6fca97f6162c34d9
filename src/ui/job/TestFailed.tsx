'use client'
import { useState } from 'react'
import { suspectsFor, type Suspect } from '@/core/job/troubles'
import { capital } from '@/words/operations'
import type { LiveJob } from './useJob'

const FROM: Record<Suspect['from'], string> = {
  'this job': 'by this job’s log',
  record: 'found before',
  practice: 'common practice',
}

/** A test failed: what to look at, likeliest first. What it was is kept, and proposed to the record. */
export function TestFailed({ job, functionId, close }: { job: LiveJob; functionId: string; close: () => void }) {
  const [cause, setCause] = useState('')
  const [cure, setCure] = useState('')
  const added = job.terms.added.find(({ id }) => id === functionId)
  const suspects = suspectsFor(job.model, job.state, functionId, added)
  const found = (suspect: { symptom: string; cause: string; cure: string }) => {
    job.record([
      { kind: 'trouble found', functionId, symptom: suspect.symptom, cause: suspect.cause, cure: suspect.cure },
    ])
    close()
  }
  return (
    <div className="space-y-4">
      {suspects.length > 0 && (
        <ol aria-label="What to look at" className="border-t border-hair">
          {suspects.map((suspect) => (
            <li key={suspect.cause} className="flex flex-wrap items-center gap-3 border-b border-hair py-2">
              <div className="min-w-0 flex-1">
                <p className="text-xl font-bold">{suspect.cause}</p>
                {suspect.check && <p className="text-lg">{capital(suspect.check)}</p>}
                {suspect.cure && <p className="text-lg">Cure: {suspect.cure}</p>}
                <p className="text-[15px] text-second">
                  {[suspect.symptom, FROM[suspect.from]].filter(Boolean).join(', ')}
                </p>
              </div>
              <button type="button" className="ghost" onClick={() => found(suspect)}>
                It was this
              </button>
            </li>
          ))}
        </ol>
      )}
      <form
        className="grid gap-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault()
          found({ symptom: '', cause: cause.trim(), cure: cure.trim() })
        }}
      >
        <label className="block">
          <span className="mb-1 block text-lg font-semibold">Something else: what was it?</span>
          <input
            className="field !min-h-14 text-lg"
            maxLength={120}
            value={cause}
            onChange={(event) => setCause(event.target.value)}
          />
        </label>
        <label className="block">
          <span className="mb-1 block text-lg font-semibold">What cured it?</span>
          <input
            className="field !min-h-14 text-lg"
            maxLength={120}
            value={cure}
            onChange={(event) => setCure(event.target.value)}
          />
        </label>
        <button className="slab sm:col-span-2" disabled={cause.trim() === ''}>
          Keep it, and test again
        </button>
      </form>
      <p className="text-second">
        Opening a plug of the airbag system again, or measuring at one, is for people authorised for it.
      </p>
    </div>
  )
}
