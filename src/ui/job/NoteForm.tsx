'use client'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'

/** A note for this job, with the thing that is in hand. */
export function NoteForm({
  record,
  close,
  itemId,
}: {
  record: (happenings: readonly Happening[]) => void
  close: () => void
  itemId: string | null
}) {
  const [text, setText] = useState('')
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        record([{ kind: 'noted', itemId, text: text.trim() }])
        close()
      }}
    >
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Note for this job</span>
        <textarea
          autoFocus
          className="field min-h-32 text-lg"
          maxLength={1000}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button className="slab w-full" disabled={text.trim() === ''}>
        Keep the note
      </button>
    </form>
  )
}
