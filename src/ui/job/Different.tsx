'use client'
import { useState } from 'react'
import { foundDifferent, groupsInTap } from '@/core/job/decide/different'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import type { NextTap } from '@/core/job/progress'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { holderWords } from '@/words/items'
import { Counter, HeadChoice } from './fastenerInputs'

type Props = {
  model: ProcedureForBuild
  state: JobState
  tap: NextTap
  record: (happenings: readonly Happening[]) => void
  /** Leaves an operation for later. */
  leave: (key: string) => void
  close: () => void
}

/**
 * "Found something else than the record says": on the way in another count changes this vehicle's account; on the way
 * out fewer than came off may go in, and the rest stays open. Anything else said is proposed to the record.
 */
export function Different({ model, state, tap, record, leave, close }: Props) {
  const groups = groupsInTap(model, state, tap)
  const fastening = tap.card.phase === 'out'
  const [counts, setCounts] = useState<{ [id: string]: number }>(
    Object.fromEntries(groups.map(({ holder, expected }) => [holder.id, expected])),
  )
  const [words, setWords] = useState('')
  const [heads, setHeads] = useState<{ [id: string]: string }>({})
  const said = words.trim()
  const save = () => {
    const found = foundDifferent(model, state, tap, { counts, heads, words: said })
    for (const key of found.leave) leave(key)
    if (found.happenings.length > 0) record(found.happenings)
    close()
  }
  const changed =
    groups.some(({ holder, expected }) => counts[holder.id] !== expected) ||
    Object.values(heads).some((head) => head !== '')
  return (
    <div className="space-y-5">
      {groups.map(({ holder, expected }) => (
        <div key={holder.id} className="space-y-3">
          <Counter
            label={
              fastening
                ? `${holderWords(holder)}: how many went in? ${expected} came off.`
                : `${holderWords(holder)}: how many are there?${expected === holder.count ? '' : ` Said before: ${expected}.`}`
            }
            value={counts[holder.id]!}
            max={fastening ? expected : 99}
            min={0}
            onChange={(count) => setCounts({ ...counts, [holder.id]: count })}
          />
          <HeadChoice
            holder={holder}
            value={heads[holder.id] ?? ''}
            onChange={(head) => setHeads({ ...heads, [holder.id]: head })}
          />
        </div>
      ))}
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">What is different?</span>
        <textarea
          className="field min-h-24 text-lg"
          maxLength={300}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          placeholder="a second clip behind the lower edge"
        />
      </label>
      <p className="text-second">The record is not changed by this: a lead decides about it after the job.</p>
      <button type="button" className="slab w-full" onClick={save} disabled={said === '' && !changed}>
        Keep it
      </button>
    </div>
  )
}
