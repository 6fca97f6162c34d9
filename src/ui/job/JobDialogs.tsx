'use client'
import { useState } from 'react'
import { countFound } from '@/core/job/decide/countFound'
import type { Happening } from '@/core/job/event'
import type { JobState } from '@/core/job/jobState'
import { isDone, toFasten, type NextTap } from '@/core/job/progress'
import { countedIn, type SettingAct } from '@/core/order/operation'
import { methodsTo } from '@/core/order/settingAct'
import type { JobPlan } from '@/core/plan/planFrom'
import { levelNow } from '@/core/job/fold'
import { atLeast } from '@/core/procedure/levels'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Holder } from '@/core/procedure/holder'
import { StepMark } from './ActionSign'
import { hiddenWords, motionsWords, startWords, stepWords } from '../words/operations'
import { holderWords } from '../words/items'
import { Counter, HeadChoice } from './fastenerInputs'

type Record = (happenings: readonly Happening[]) => void
type Common = { model: ProcedureForBuild; tap: NextTap; record: Record; close: () => void }

/**
 * "Found something else than the record says": on the way in another count changes this vehicle's account; on the way
 * out fewer than came off may go in, and the rest stays open. Anything else said is proposed to the record.
 */
export function Different({
  model,
  state,
  tap,
  record,
  leave,
  close,
}: Common & { state: JobState; leave: (key: string) => void }) {
  const { operation } = tap.step
  // Every group that the tap would confirm: any of them may be otherwise.
  const counted = tap.steps
    .filter((step) => step.operation.act !== 'start')
    .flatMap((step) =>
      countedIn(step.operation).map((id) => ({ holder: model.holders.get(id)!, operation: step.operation })),
    )
  const groups = counted.map(({ holder }) => holder)
  const fastening = tap.card.phase === 'out'
  const expectedOf = (holder: Holder) => {
    const c = state.holders.get(holder.id)!
    return fastening ? toFasten(c).old : c.design - c.missing + c.extra
  }
  const [counts, setCounts] = useState<{ [id: string]: number }>(
    Object.fromEntries(groups.map((holder) => [holder.id, expectedOf(holder)])),
  )
  const [words, setWords] = useState('')
  const [heads, setHeads] = useState<{ [id: string]: string }>({})
  const said = words.trim()
  const short = fastening ? counted.filter(({ holder }) => counts[holder.id]! < expectedOf(holder)) : []
  const save = () => {
    const found = fastening
      ? []
      : groups.flatMap((holder) => countFound(holder, state.holders.get(holder.id)!, counts[holder.id]!, said))
    const fitted = short.flatMap(({ holder }): Happening[] =>
      counts[holder.id]! > 0
        ? [{ kind: 'fastened', holderId: holder.id, count: counts[holder.id]!, stage: 'final' }]
        : [],
    )
    // A panel goes home although one of its clips does not.
    const seats = new Set(short.filter((item) => item.operation.act === 'seat').map((item) => item.operation.itemId))
    const home = [...seats].map((partId): Happening => ({ kind: 'part at', partId, level: 'in place' }))
    for (const item of short) leave(item.operation.key)
    const otherwise: Happening[] = [
      ...Object.entries(heads).flatMap(([itemId, value]): Happening[] =>
        value === '' ? [] : [{ kind: 'different from the record', itemId, field: 'head', value }],
      ),
      ...(said
        ? [{ kind: 'different from the record', itemId: operation.itemId, field: 'note', value: said } as const]
        : []),
    ]
    const happenings = [...found, ...home, ...fitted, ...otherwise]
    if (happenings.length > 0) record(happenings)
    close()
  }
  const changed =
    groups.some((holder) => counts[holder.id] !== expectedOf(holder)) ||
    Object.values(heads).some((head) => head !== '')
  return (
    <div className="space-y-5">
      {groups.map((holder) => (
        <div key={holder.id} className="space-y-3">
          <Counter
            label={
              fastening
                ? `${holderWords(holder)}: how many went in? ${expectedOf(holder)} came off.`
                : `${holderWords(holder)}: how many are there?${expectedOf(holder) === holder.count ? '' : ` Said before: ${expectedOf(holder)}.`}`
            }
            value={counts[holder.id]!}
            max={fastening ? expectedOf(holder) : 99}
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

const LEAVE_OUT = ['holds without it', 'its hole is torn', 'none to be had', 'the customer wants it so'] as const

/**
 * Something broke: how many of which group of this card, whether it was back in already, and what becomes of it. A new
 * one is asked for on the way back, the pieces in the balance; one that is ordered stands on the shop's list; one left
 * out says why.
 */
export function Broken({ model, state, tap, record, close }: Common & { state: JobState }) {
  const groups = [...new Set(tap.card.steps.flatMap(({ operation }) => countedIn(operation)))].map((id) =>
    model.holders.get(id)!,
  )
  const [holderId, setHolderId] = useState(countedIn(tap.step.operation)[0] ?? groups[0]?.id ?? '')
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
      <div className="grid gap-2 sm:grid-cols-3">
        <button type="button" className="slab flex-col !gap-0" onClick={() => save([])}>
          A new one goes in <span className="text-[15px] font-semibold">from stock</span>
        </button>
        <button
          type="button"
          className="ghost flex-col !gap-0"
          onClick={() => save([{ kind: 'ordered', holderId, count, note: '' }])}
        >
          Order it <span className="text-[15px] font-semibold">on the shop’s list</span>
        </button>
        <button
          type="button"
          className="ghost flex-col !gap-0"
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

/** A lever or a vent that won't go: what its way asks for, and the other ways there are. */
function SettingStuck({
  model,
  act,
  otherWay,
  photo,
}: {
  model: ProcedureForBuild
  act: SettingAct
  otherWay: (methodId: string) => void
  photo: () => void
}) {
  const method = model.methods.get(act.methodId)?.method
  const others = methodsTo(model, act.settingId, act.to).filter((id) => id !== act.methodId)
  return (
    <div className="space-y-4 text-lg">
      <p>
        By the record: <b>{method?.name}</b>
        {method?.note && `. ${method.note}`}.
      </p>
      <p className="text-second">
        {others.length > 0
          ? 'There is another way; the rest is planned with it.'
          : 'The record has no other way. Look whether something blocks it, and take a photo.'}
      </p>
      <div className="grid gap-2 sm:grid-cols-2">
        {others.map((id) => (
          <button key={id} type="button" className="slab" onClick={() => otherWay(id)}>
            {model.methods.get(id)!.method.name}
          </button>
        ))}
        <button type="button" className="ghost text-lg" onClick={photo}>
          Take a photo of it
        </button>
      </div>
    </div>
  )
}

/** It won't move: what still holds it by the record, commonly missed first; then leave it and find another way. */
export function WontMove({
  model,
  plan,
  state,
  tap,
  leave,
  otherWay,
  photo,
}: {
  model: ProcedureForBuild
  plan: JobPlan
  state: JobState
  tap: NextTap
  leave: (partId: string) => void
  otherWay: (methodId: string) => void
  photo: () => void
}) {
  if (tap.step.operation.setting)
    return <SettingStuck model={model} act={tap.step.operation.setting} otherWay={otherWay} photo={photo} />
  const partId = tap.card.partId
  const part = partId ? model.parts.get(partId) : undefined
  const steps = plan.wayIn.flatMap((card) => card.steps).filter((step) => step.operation.partId === partId)
  const still = steps.filter(
    (step) => (step.operation.act === 'undo' || step.operation.act === 'open') && !isDone(state, step.operation),
  )
  const pull = steps.find((step) => step.operation.act === 'release')?.operation
  const clips = (pull?.pulled ?? []).map((id) => model.holders.get(id)!)
  const guessed = (model.holdersOf.get(partId ?? '') ?? []).filter((holder) => state.assumed.has(holder.id))
  const hidden = (model.holdersOf.get(partId ?? '') ?? []).filter((holder) => hiddenWords(model, holder.id) !== '')
  const trapping = (model.needsOf.get(`release:${partId}`) ?? []).flatMap((need) =>
    need.needs.kind === 'part' && !atLeast(levelNow(state, need.needs.partId), need.needs.level)
      ? [model.parts.get(need.needs.partId)!.name]
      : [],
  )
  return (
    <div className="space-y-4 text-lg">
      {part && part.release.motions.length > 0 && (
        <p>
          By the record it moves like this: <b>{motionsWords(part)}</b>
          {clips.length > 0 &&
            `, and ${clips.map(holderWords).join(' and ')} let go with it${part.release.start ? `: ${startWords(part.release.start)}, one clip after the other` : ''}`}
          {part.release.effort !== 'light' && `, ${part.release.effort}`}
          {part.release.mustNot && <>. {part.release.mustNot}.</>}
        </p>
      )}
      <h3 className="text-xl">
        {still.length + trapping.length > 0 ? 'What still holds it' : 'Everything recorded is undone. Commonly missed'}
      </h3>
      <ul className="space-y-2">
        {still.map(({ operation }) => (
          <li key={operation.key} className="flex items-center gap-3">
            <StepMark model={model} operation={operation} /> {stepWords(model, operation).title},{' '}
            {stepWords(model, operation).how}
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
        {still.length === 0 && (
          <li>A screw under a cap, mat or liner; behind the glovebox; under the edge of the neighbour.</li>
        )}
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
