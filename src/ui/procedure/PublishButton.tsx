'use client'
import { useState } from 'react'

export type Publish = (
  procedureId: string,
  note: string,
) => Promise<{ status: 'done'; number: number } | { status: 'refused'; sentence: string }>
export function PublishButton({
  id,
  may,
  isDraft,
  blocked,
  publish,
}: {
  id: string
  may: boolean
  isDraft: boolean
  blocked: boolean
  publish: Publish
}) {
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState(false)
  if (!isDraft) return null
  const go = async () => {
    setBusy(true)
    const outcome = await publish(id, '').catch(() => ({
      status: 'refused' as const,
      sentence: 'The shop can’t be reached. Try again when it can.',
    }))
    if (outcome.status === 'done') window.location.reload()
    else setSaid(outcome.sentence)
    setBusy(false)
  }
  return (
    <>
      <button type="button" className="desk-button main" disabled={!may || blocked || busy} onClick={() => void go()}>
        Publish
      </button>
      {(!may || blocked) && (
        <span className="text-sm text-second">
          {may ? 'mend what carries the circle of arrows first' : 'a lead publishes'}
        </span>
      )}
      {said && (
        <p role="alert" className="w-full font-semibold">
          {said}
        </p>
      )}
    </>
  )
}
