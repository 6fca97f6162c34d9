'use client'
import { useState } from 'react'
import { foundBefore } from '@/core/job/decide/foundBefore'
import type { Happening } from '@/core/job/event'
import { countedIn } from '@/core/order/operation'
import { headOf } from '@/core/procedure/heads'
import type { Holder } from '@/core/procedure/holder'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { itemWords, holderWords } from '@/words/items'
import { hiddenWords } from '@/words/operations'
import { headInWords } from '@/words/items'
import { Counter, HeadChoice } from './fastenerInputs'
import type { PlannedJob } from './useJob'

/**
 * Before the first screw: which fasteners of this plan are missing, too many or of another kind. What is said replaces
 * what was said here before; it counts for this vehicle alone.
 */
export function FastenersBefore({
  job,
  replan,
  close,
}: {
  job: PlannedJob
  replan: (also: ReturnType<PlannedJob['record']>) => void
  close: () => void
}) {
  const { plan, state, document } = job
  const groups = plan.wayIn.flatMap((card) =>
    card.steps.flatMap(({ operation }) =>
      countedIn(operation).flatMap((id) =>
        (state.holders.get(id)?.undone ?? 0) === 0
          ? [{ card, holder: document.holders.find((item) => item.id === id)! }]
          : [],
      ),
    ),
  )
  const [pickedId, setPicked] = useState<string | null>(null)
  const picked = groups.find(({ holder }) => holder.id === pickedId)?.holder
  if (picked)
    return (
      <OneGroup
        key={picked.id}
        job={job}
        holder={picked}
        keep={(happenings, before) => {
          const also = [...(before.length > 0 ? job.takeBackEvents(before) : []), ...job.record(happenings)]
          if (happenings.some((what) => what.kind === 'different from the record') || before.length > 0) replan(also)
          setPicked(null)
        }}
        back={() => setPicked(null)}
      />
    )
  return (
    <div className="space-y-4">
      <p className="text-lg text-second">
        Tap what is not as written. Hidden ones are counted when they come into sight.
      </p>
      <ul className="border-t-2 border-ink">
        {groups.map(({ card, holder }) => {
          const words = foundWords(job, holder)
          return (
            <li key={holder.id} className="border-b border-hair">
              <button
                type="button"
                className="flex min-h-14 w-full items-center gap-4 py-1 text-left text-lg"
                onClick={() => setPicked(holder.id)}
              >
                <FastenerMark shape={shapeOf(holder)} hidden={isHidden(job, holder)} size={26} />
                <span className="min-w-0 flex-1">
                  <b>{holderWords(holder)}</b>
                  {card.partId && <span className="text-second"> {itemWords(document, card.partId)}</span>}
                </span>
                {words && <b className="shrink-0">{words}</b>}
              </button>
            </li>
          )
        })}
      </ul>
      <button type="button" className="slab w-full" onClick={close}>
        {groups.some(({ holder }) => foundWords(job, holder) !== '') ? 'The rest is as written' : 'All as written'}
      </button>
    </div>
  )
}

function OneGroup({
  job,
  holder,
  keep,
  back,
}: {
  job: PlannedJob
  holder: Holder
  keep: (happenings: Happening[], before: string[]) => void
  back: () => void
}) {
  const c = job.state.holders.get(holder.id)
  const there = holder.count - (c?.missing ?? 0) + (c?.extra ?? 0)
  const [count, setCount] = useState(there)
  const [head, setHead] = useState(headFound(job, holder))
  const save = () => {
    const found = foundBefore(holder, job.log.events, count, head, job.request.heads[holder.id] !== undefined)
    keep(found.happenings, found.takeBack)
  }
  return (
    <div className="space-y-5">
      <p className="flex items-center gap-3 text-2xl font-bold">
        <FastenerMark shape={shapeOf(holder)} hidden={false} size={30} />
        {holderWords(holder)}
      </p>
      <Counter
        label={`How many are there? The record says ${holder.count}.`}
        value={count}
        min={0}
        max={99}
        onChange={setCount}
      />
      <HeadChoice holder={holder} value={head} onChange={setHead} />
      <div className="grid grid-cols-2 gap-2">
        <button type="button" className="ghost" onClick={back}>
          Back to the list
        </button>
        <button
          type="button"
          className="slab"
          disabled={count === there && head === headFound(job, holder)}
          onClick={save}
        >
          Keep it
        </button>
      </div>
    </div>
  )
}

/** The head this vehicle has, by this job or by an earlier one, where it is not the recorded one; else empty. */
function headFound(job: PlannedJob, holder: Holder): string {
  const now = job.model.holders.get(holder.id)
  return now && headOf(now) !== headOf(holder) ? (headOf(now) ?? '') : ''
}

/** "2 missing, six-lobe T15": what was said of a group on this job; empty while it is as written. */
function foundWords(job: PlannedJob, holder: Holder): string {
  const c = job.state.holders.get(holder.id)
  const head = headFound(job, holder)
  return [
    c && c.missing > 0 && `${c.missing} missing`,
    c && c.extra > 0 && `${c.extra} too many`,
    head && headInWords(head),
  ]
    .filter(Boolean)
    .join(', ')
}

function isHidden(job: PlannedJob, holder: Holder): boolean {
  return hiddenWords(job.model, holder.id) !== ''
}
