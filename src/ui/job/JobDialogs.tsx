'use client'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import { isDone, toFasten, type NextTap } from '@/core/job/progress'
import type { JobPlan } from '@/core/plan/planFrom'
import { levelNow } from '@/core/job/fold'
import { atLeast } from '@/core/procedure/levels'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { StepMark } from './ActionSign'
import { stepWords } from '../words/operations'
import { holderWords } from '../words/items'
import { Counter, HeadChoice } from './fastenerInputs'

type Record = (happenings: readonly Happening[]) => void
type Common = { model: ProcedureForBuild; tap: NextTap; record: Record; close: () => void }

/**
 * "Found something else than the record says": on the way in another count changes this vehicle's account; on the way out
 * fewer than came off may go in, and the rest stays open. Anything else said is proposed to the record.
 */
export function Different({ model, state, tap, record, leave, close }: Common & { state: JobState; leave: () => void }) {
  const holder = model.holders.get(tap.step.operation.itemId)
  const fastening = holder !== undefined && tap.step.operation.act === 'fasten'
  const owed = fastening ? toFasten(state.holders.get(holder.id)!) : { old: 0, fresh: 0 }
  const expected = fastening ? owed.old : (holder?.count ?? 0)
  const [count, setCount] = useState(expected)
  const [words, setWords] = useState('')
  const [head, setHead] = useState('')
  const save = () => {
    const happenings: Happening[] = []
    if (fastening && count < expected) {
      if (count > 0) happenings.push({ kind: 'fastened', holderId: holder.id, count, stage: 'final' })
      leave()
    } else if (holder && !fastening && count !== holder.count) {
      const what = count < holder.count ? 'missing' : 'extra'
      happenings.push({ kind: 'as found', holderId: holder.id, what, count: Math.abs(holder.count - count), note: words })
      happenings.push({ kind: 'different from the record', itemId: holder.id, field: 'count', value: String(count) })
    }
    if (head !== '') happenings.push({ kind: 'different from the record', itemId: holder!.id, field: 'head', value: head })
    if (words.trim()) happenings.push({ kind: 'different from the record', itemId: tap.step.operation.itemId, field: 'note', value: words.trim() })
    if (happenings.length > 0) record(happenings)
    close()
  }
  const countable = holder !== undefined && (tap.step.operation.act === 'undo' || fastening)
  return (
    <div className="space-y-5">
      {countable && <Counter label={fastening ? `How many went in? ${expected} came off.` : `How many are there? The record says ${holder.count}.`} value={count} max={fastening ? expected : 99} min={0} onChange={setCount} />}
      {holder && <HeadChoice holder={holder} value={head} onChange={setHead} />}
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">What is different?</span>
        <textarea className="field min-h-24 text-lg" maxLength={300} value={words} onChange={(event) => setWords(event.target.value)} placeholder="a second clip behind the lower edge" />
      </label>
      <p className="text-second">The record is not changed by this: a lead decides about it after the job.</p>
      <button type="button" className="slab w-full" onClick={save} disabled={words.trim() === '' && head === '' && (!countable || count === expected)}>
        Keep it
      </button>
    </div>
  )
}

const LEAVE_OUT = ['holds without it', 'its hole is torn', 'none to be had', 'the customer wants it so'] as const

/**
 * Something broke: how many of which group of this card, whether it was back in already, and what becomes of it. A new one is asked
 * for on the way back, the pieces in the balance; one that is ordered stands on the shop's list; one left out says why.
 */
export function Broken({ model, state, tap, record, close }: Common & { state: JobState }) {
  const groups = tap.card.steps.flatMap(({ operation }) => (operation.act === 'undo' || operation.act === 'fasten' ? [model.holders.get(operation.itemId)!] : []))
  const [holderId, setHolderId] = useState(groups.find((group) => group.id === tap.step.operation.itemId)?.id ?? groups[0]?.id ?? '')
  const [count, setCount] = useState(1)
  const [reason, setReason] = useState('')
  const [leaving, setLeaving] = useState(false)
  const holder = groups.find((group) => group.id === holderId)
  if (!holder) return <p className="text-lg">Nothing on this card is counted. Write a note about what broke instead.</p>
  const c = state.holders.get(holderId)
  const wasFitted = (c?.fastenedOld ?? 0) > 0 ? 'old' : (c?.fittedNew ?? 0) > 0 ? 'new' : 'no'
  const save = (then: Happening[]) => {
    record([{ kind: 'broken', holderId, count, wasFitted, note: '' }, ...then])
    close()
  }
  return (
    <div className="space-y-5">
      <fieldset className="grid gap-2">
        <legend className="mb-1 text-lg font-semibold">Which broke?</legend>
        {groups.map((group) => (
          <label key={group.id} className="ghost !justify-start text-lg">
            <input type="radio" name="group" className="size-5 accent-current" checked={group.id === holderId} onChange={() => setHolderId(group.id)} />
            {holderWords(group)}
          </label>
        ))}
      </fieldset>
      <Counter label="How many?" value={count} min={1} max={holder.count} onChange={setCount} />
      <div className="grid gap-2 sm:grid-cols-3">
        <button type="button" className="slab flex-col !gap-0" onClick={() => save([])}>
          A new one goes in <span className="text-[15px] font-semibold">from stock</span>
        </button>
        <button type="button" className="ghost flex-col !gap-0" onClick={() => save([{ kind: 'ordered', holderId, count, note: '' }])}>
          Order it <span className="text-[15px] font-semibold">on the shop’s list</span>
        </button>
        <button type="button" className="ghost flex-col !gap-0" aria-expanded={leaving} onClick={() => setLeaving(!leaving)}>
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
            <input className="field !min-h-14 text-lg" maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
          </label>
          <button type="button" className="slab w-full" disabled={reason.trim() === ''} onClick={() => save([{ kind: 'left out', holderId, count, reason: reason.trim() }])}>
            {count} left out
          </button>
        </div>
      )}
    </div>
  )
}

/** It won't move: what still holds it by the record, commonly missed first; then leave it and find another way. */
export function WontMove({ model, plan, state, tap, leave, photo }: { model: ProcedureForBuild; plan: JobPlan; state: JobState; tap: NextTap; leave: (partId: string) => void; photo: () => void }) {
  const partId = tap.card.partId
  const part = partId ? model.parts.get(partId) : undefined
  const still = [...plan.wayIn.flatMap((card) => card.steps)].filter((step) => step.operation.partId === partId && (step.operation.act === 'undo' || step.operation.act === 'open') && !isDone(state, step.operation))
  const guessed = (model.holdersOf.get(partId ?? '') ?? []).filter((holder) => state.assumed.has(holder.id))
  const hidden = (model.holdersOf.get(partId ?? '') ?? []).filter((holder) => (model.needsOf.get(`undo:${holder.id}`) ?? []).some((need) => need.reason === 'covers'))
  const trapping = (model.needsOf.get(`release:${partId}`) ?? []).flatMap((need) => (need.needs.kind === 'part' && !atLeast(levelNow(state, need.needs.partId), need.needs.level) ? [model.parts.get(need.needs.partId)!.name] : []))
  return (
    <div className="space-y-4 text-lg">
      {part && part.release.motions.length > 0 && (
        <p>
          By the record it moves like this: <b>{stepWords(model, { key: '', phase: 'in', act: 'release', itemId: part.id, partId: part.id, setting: null, nth: 1 }).title}</b>
          {part.release.effort !== 'light' && `, ${part.release.effort}`}
          {part.release.mustNot && <>. {part.release.mustNot}.</>}
        </p>
      )}
      <h3 className="text-xl">{still.length + trapping.length > 0 ? 'What still holds it' : 'Everything recorded is undone. Commonly missed'}</h3>
      <ul className="space-y-2">
        {still.map(({ operation }) => (
          <li key={operation.key} className="flex items-center gap-3">
            <StepMark model={model} operation={operation} /> {stepWords(model, operation).title}, {stepWords(model, operation).how}
          </li>
        ))}
        {trapping.map((name) => (
          <li key={name}>The {name.toLowerCase()} lies over its edge.</li>
        ))}
        {guessed.map((holder) => (
          <li key={holder.id}>{holderWords(holder)}: only assumed to be out. Count them.</li>
        ))}
        {hidden.map((holder) => (
          <li key={holder.id}>{holderWords(holder)}, hidden: is one more behind it?</li>
        ))}
        {still.length === 0 && <li>A screw under a cap, mat or liner; behind the glovebox; under the edge of the neighbour.</li>}
      </ul>
      <p className="text-second">Never lever harder than the record says.</p>
      <div className="grid gap-2 sm:grid-cols-2">
        <button type="button" className="ghost text-lg" onClick={photo}>
          Take a photo of it
        </button>
        <button type="button" className="slab" disabled={!partId} onClick={() => leave(partId!)}>
          Leave it: another way
        </button>
      </div>
    </div>
  )
}
