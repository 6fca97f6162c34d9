'use client'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'
import type { Holder } from '@/core/procedure/holder'
import { holderKindWords, holderWords } from '@/words/items'
import { Counter } from './fastenerInputs'

/** How many there were, where the record does not know: asked at the first undo, and owed as counted. */
export function CountFirst({
  groups,
  happenings,
  record,
  close,
}: {
  groups: readonly Holder[]
  happenings: readonly Happening[]
  record: (happenings: readonly Happening[]) => void
  close: () => void
}) {
  const [counts, setCounts] = useState<{ [id: string]: number }>({})
  const missing = groups.some((holder) => counts[holder.id] === undefined)
  const save = () => {
    record(
      happenings.flatMap((what): Happening[] =>
        what.kind !== 'undone' || counts[what.holderId] === undefined
          ? [what]
          : counts[what.holderId] === 0
            ? []
            : [{ ...what, count: counts[what.holderId]! }],
      ),
    )
    close()
  }
  return (
    <div className="space-y-5">
      {groups.map((holder) => (
        <Counter
          key={holder.id}
          label={`How many ${holderKindWords(holder)} came out? The record says ${holderWords(holder)}.`}
          value={counts[holder.id] ?? 0}
          min={0}
          max={99}
          onChange={(count) => setCounts({ ...counts, [holder.id]: count })}
        />
      ))}
      <p className="text-second">As many are owed back as came out.</p>
      <button type="button" className="slab w-full" disabled={missing} onClick={save}>
        Counted
      </button>
    </div>
  )
}
