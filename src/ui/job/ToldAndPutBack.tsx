'use client'
import { useState } from 'react'
import { functionName, lossesOf } from '@/core/job/handover'
import { toRestore } from '@/core/job/intake'
import type { LastingChange } from '@/core/shop/workItem'
import { Dialog } from '../shell/Dialog'
import { INTAKE_WORDS } from '@/words/intakeWords'
import { changeWords } from '@/words/overlayWords'
import { itemWords } from '@/words/items'
import type { JobData, LiveJob } from './useJob'
import { ChangeForm } from './WorkDone'

/** What has to be told or put back before anybody signs: losses, and what the intake noted. */
export function ToldAndPutBack({ data, job }: { data: JobData; job: LiveJob }) {
  const { state, terms } = job
  const [by, setBy] = useState('')
  const losses = lossesOf(job.document, state, terms)
  const untold = losses.filter((id) => !state.lossAccepted?.functionIds.includes(id))
  const restore = toRestore(state)
  const unrecorded = state.works.size > 0 ? terms.changes.filter((change) => !state.changes.has(change.id)) : []
  const [change, setChange] = useState<LastingChange | null>(null)
  if (losses.length + restore.length + unrecorded.length === 0) return null
  return (
    <section className="mt-6" id="told" aria-label="Told and put back">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Told and put back</h2>
      <ul>
        {restore.map((point) => (
          <li key={point} className="flex items-center justify-between gap-4 border-b border-hair py-2 text-lg">
            <span>
              <b>{INTAKE_WORDS[point].name}</b>: was “{state.intake.get(point)!.value}”
            </span>
            <button type="button" className="slab" onClick={() => job.record([{ kind: 'restored', point }])}>
              It is so again
            </button>
          </li>
        ))}
        {unrecorded.map((item) => (
          <li key={item.id} className="flex items-center justify-between gap-4 border-b border-hair py-2 text-lg">
            <span>
              <b>{item.where}</b>: {item.what} for good
            </span>
            <button type="button" className="slab" onClick={() => setChange(item)}>
              What was done
            </button>
          </li>
        ))}
        {losses.length > 0 && (
          <li className="border-b border-hair py-2 text-lg">
            <p>
              The vehicle can’t do any more:{' '}
              <b>{losses.map((id) => functionName(job.document, terms, id)).join(', ')}</b>.
              {state.lossAccepted && untold.length === 0 && ` Accepted by ${state.lossAccepted.by}.`}
            </p>
            {untold.length > 0 && (
              <form
                className="mt-2 flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                  event.preventDefault()
                  job.record([{ kind: 'loss accepted', functionIds: losses, by: by.trim() }])
                }}
              >
                <label className="block flex-1">
                  <span className="mb-1 block font-semibold">Told to, and accepted by</span>
                  <input
                    className="field !min-h-14 text-lg"
                    maxLength={80}
                    value={by}
                    onChange={(event) => setBy(event.target.value)}
                    placeholder={data.vehicle.customer}
                  />
                </label>
                <button className="slab" disabled={by.trim() === ''}>
                  Accepted
                </button>
              </form>
            )}
          </li>
        )}
      </ul>
      <Dialog title="Changed for good" open={change !== null} onClose={() => setChange(null)}>
        {change && <ChangeForm change={change} record={job.record} close={() => setChange(null)} />}
      </Dialog>
    </section>
  )
}

/** What was changed for good, and what was left out: it stands on the sheet. */
export function ChangedForGood({ job }: { job: LiveJob }) {
  const { changes, leftOut } = job.state
  if (changes.size + leftOut.length === 0) return null
  return (
    <section className="mt-6">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Changed for good</h2>
      <ul>
        {[...changes.values()].map((item) => (
          <li key={item.changeId} className="border-b border-hair py-2 text-lg">
            {changeWords(item)}. Agreed by {item.consentBy}.{item.edgeTreated ? ' Edge treated.' : ' Edge not treated.'}
          </li>
        ))}
        {leftOut.map((item, i) => (
          <li key={i} className="border-b border-hair py-2 text-lg">
            {item.count} left out, {itemWords(job.document, item.holderId)}: {item.reason}
          </li>
        ))}
      </ul>
    </section>
  )
}
