'use client'
import { whatHolds, type StillHolding } from '@/core/job/decide/whatHolds'
import type { JobState } from '@/core/job/jobState'
import type { NextTap } from '@/core/job/progress'
import type { SettingAct } from '@/core/order/operation'
import { methodsTo } from '@/core/order/settingAct'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { holderWords } from '@/words/items'
import { motionsWords, startWords, stepWords } from '@/words/operations'
import { StepMark } from './ActionSign'

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

const NOTHING_HOLDS: StillHolding = { steps: [], trappedBy: [], assumed: [], hidden: [], withThePull: [] }

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
  plan: PlanOnCards
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
  const holding = partId ? whatHolds(model, plan, state, partId) : NOTHING_HOLDS
  const trapping = holding.trappedBy.map((id) => model.parts.get(id)!.name)
  return (
    <div className="space-y-4 text-lg">
      {part && part.release.motions.length > 0 && (
        <p>
          By the record it moves like this: <b>{motionsWords(part)}</b>
          {holding.withThePull.length > 0 &&
            `, and ${holding.withThePull.map(holderWords).join(' and ')} let go with it${part.release.start ? `: ${startWords(part.release.start)}, one clip after the other` : ''}`}
          {part.release.effort !== 'light' && `, ${part.release.effort}`}
          {part.release.mustNot && <>. {part.release.mustNot}.</>}
        </p>
      )}
      <h3 className="text-xl">
        {holding.steps.length + trapping.length > 0
          ? 'What still holds it'
          : 'Everything recorded is undone. Commonly missed'}
      </h3>
      <ul className="space-y-2">
        {holding.steps.map(({ operation }) => (
          <li key={operation.key} className="flex items-center gap-3">
            <StepMark model={model} operation={operation} /> {stepWords(model, operation).title},{' '}
            {stepWords(model, operation).how}
          </li>
        ))}
        {trapping.map((name) => (
          <li key={name}>The {name.toLowerCase()} lies over its edge.</li>
        ))}
        {holding.assumed.map((holder) => (
          <li key={holder.id}>{holderWords(holder)}: only assumed to be out. Count them.</li>
        ))}
        {holding.hidden.map((holder) => (
          <li key={holder.id}>{holderWords(holder)}, hidden: is one more behind it?</li>
        ))}
        {holding.steps.length === 0 && (
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
