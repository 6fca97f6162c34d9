'use client'
import { useState } from 'react'
import { brokenHappenings, mayHaveBroken, type BrokeWhere } from '@/core/job/decide/broken'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import type { NextTap } from '@/core/job/progress'
import { countedIn } from '@/core/order/operation'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { holderWords } from '@/words/items'
import { Counter } from './fastenerInputs'

type Props = {
  model: ProcedureForBuild
  state: JobState
  tap: NextTap
  record: (happenings: readonly Happening[]) => void
  close: () => void
}

const BROKE_WHERE: Record<BrokeWhere, string> = { 'in hand': 'No, in my hand', standing: 'Yes, where it belongs' }

const LEAVE_OUT = ['holds without it', 'its hole is torn', 'none to be had', 'the customer wants it so'] as const

/**
 * Something broke: how many of which group of this card, whether it was back in already, and what becomes of it. A new
 * one is asked for on the way back, the pieces in the balance; one that is ordered stands on the shop's list; one left
 * out says why.
 */
export function Broken({ model, state, tap, record, close }: Props) {
  const groups = [...new Set(tap.card.steps.flatMap(({ operation }) => countedIn(operation)))].map((id) =>
    model.holders.get(id)!,
  )
  const [holderId, setHolderId] = useState(countedIn(tap.step.operation)[0] ?? groups[0]?.id ?? '')
  const [count, setCount] = useState(1)
  const [reason, setReason] = useState('')
  const [leaving, setLeaving] = useState(false)
  const [said, setSaid] = useState<BrokeWhere | null>(null)
  const holder = groups.find((group) => group.id === holderId)
  if (!holder) return <p className="text-lg">Nothing on this card is counted. Write a note about what broke instead.</p>
  const counts = state.holders.get(holderId)!
  const places = mayHaveBroken(counts, tap.card.phase, count)
  const where = places.length === 1 ? places[0]! : said
  const save = (then: Happening[]) => {
    if (where) record([...brokenHappenings(holderId, counts, tap.card.phase, count, where), ...then])
    close()
  }
  return (
    <div className="space-y-5">
      <fieldset className="grid gap-2">
        <legend className="mb-1 text-lg font-semibold">Which broke?</legend>
        {groups.map((group) => (
          <label key={group.id} className="ghost !justify-start text-lg">
            <input
              type="radio"
              name="group"
              className="size-5 accent-current"
              checked={group.id === holderId}
              onChange={() => setHolderId(group.id)}
            />
            {holderWords(group)}
          </label>
        ))}
      </fieldset>
      <Counter label="How many?" value={count} min={1} max={holder.count} onChange={setCount} />
      {places.length > 1 && (
        <fieldset className="flex flex-wrap items-center gap-2">
          <legend className="mb-1 text-lg font-semibold">Was it in already?</legend>
          {places.map((place) => (
            <label key={place} className="ghost text-lg">
              <input
                type="radio"
                name="where"
                className="size-5 accent-current"
                checked={said === place}
                onChange={() => setSaid(place)}
              />
              {BROKE_WHERE[place]}
            </label>
          ))}
        </fieldset>
      )}
      <div className="grid gap-2 sm:grid-cols-3">
        <button type="button" className="slab flex-col !gap-0" disabled={where === null} onClick={() => save([])}>
          A new one goes in <span className="text-[15px] font-semibold">from stock</span>
        </button>
        <button
          type="button"
          className="ghost flex-col !gap-0"
          disabled={where === null}
          onClick={() => save([{ kind: 'ordered', holderId, count, note: '' }])}
        >
          Order it <span className="text-[15px] font-semibold">on the shop’s list</span>
        </button>
        <button
          type="button"
          className="ghost flex-col !gap-0"
          disabled={where === null}
          aria-expanded={leaving}
          onClick={() => setLeaving(!leaving)}
        >
          Leave it out <span className="text-[15px] font-semibold">with a reason</span>
        </button>
      </div>
      {leaving && (
        <div className="space-y-3">
          <div className="flex flex-wrap gap-2">
            {LEAVE_OUT.map((words) => (
              <button key={words} type="button" className="ghost text-lg" onClick={() => setReason(words)}>
                {words}
              </button>
            ))}
          </div>
          <label className="block">
            <span className="mb-1 block text-lg font-semibold">Why is it left out?</span>
            <input
              className="field !min-h-14 text-lg"
              maxLength={200}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
          <button
            type="button"
            className="slab w-full"
            disabled={reason.trim() === ''}
            onClick={() => save([{ kind: 'left out', holderId, count, reason: reason.trim() }])}
          >
            {count} left out
          </button>
        </div>
      )}
    </div>
  )
}
