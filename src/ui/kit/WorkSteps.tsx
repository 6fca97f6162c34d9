'use client'
import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { newId } from '@/client/newId'
import type { Facet } from '@/core/procedure/facet'
import type { Kit } from '@/core/shop/kit'
import type { WorkItem } from '@/core/shop/workItem'
import { WORK_STEP_ACTS, WorkStep, type StepThing, type WorkStepAct } from '@/core/shop/workStep'
import { holderWords } from '@/words/items'
import { workStepWords } from '@/words/workStepWords'
import { TextField } from '../forms/Field'
import { MaybeNumber, Pick, Select } from './kitFields'
import { PictureField } from './PictureField'
import { WhenPicker } from './WhenPicker'

const ACTS = Object.keys(WORK_STEP_ACTS) as WorkStepAct[]
const SIDES = ['left', 'right', 'both'] as const
const STAGES = ['started', 'adjusted', 'snug'] as const

/** Things of the kit that an act can be about, with their names. */
function thingsFor(kit: Kit, of: StepThing): [string, string][] {
  const ofPart = (id: string | null | undefined) => kit.parts.find((part) => part.id === id)?.name ?? ''
  switch (of) {
    case 'part':
      return kit.parts.map((part) => [part.id, part.name || 'unnamed part'])
    case 'holder':
      return kit.holders.map((holder) => [
        holder.id,
        [holderWords({ ...holder, howMany: 'counted' }), ofPart(holder.holds[0])].filter(Boolean).join(' of '),
      ])
    case 'plug':
      return kit.plugs.map((plug) => [plug.id, [plug.name, ofPart(plug.partId)].filter(Boolean).join(' of ')])
    case 'setting':
      return kit.settings.map((setting) => [setting.id, setting.name || 'unnamed setting'])
    case 'nothing':
      return []
  }
}

/** What a work does, tap by tap. All of a part (fit it, fasten it, plug it) comes with one button. */
export function WorkSteps({
  kit,
  work,
  facets,
  change,
}: {
  kit: Kit
  work: WorkItem
  facets: readonly Facet[]
  change: (steps: WorkStep[]) => void
}) {
  const { steps } = work
  const isNamed = (id: string) => kit.works.some((other) => other.steps.some(({ itemId }) => itemId === id))
  const left = kit.parts.filter((part) => !part.supply.consumable && !isNamed(part.id))
  const move = (i: number, by: -1 | 1) => change(steps.toSpliced(i, 1).toSpliced(i + by, 0, steps[i]!))
  return (
    <div className="sm:col-span-2 lg:col-span-4">
      <p className="text-[15px] font-semibold">Steps, in this order</p>
      {steps.length === 0 && <p className="text-second">None: one tap confirms all of it.</p>}
      <ol>
        {steps.map((step, i) => (
          <li key={step.id} className="flex items-start gap-2 border-b border-hair py-1" data-step={step.id}>
            <span className="num w-6 pt-1 text-right text-second">{i + 1}</span>
            <StepEntry
              kit={kit}
              step={step}
              facets={facets}
              change={(more) => change(steps.with(i, { ...step, ...more }))}
            />
            <span className="flex gap-1">
              <button
                type="button"
                className="desk-button !px-2"
                disabled={i === 0}
                aria-label="Earlier"
                onClick={() => move(i, -1)}
              >
                <ArrowUp size={15} aria-hidden />
              </button>
              <button
                type="button"
                className="desk-button !px-2"
                disabled={i === steps.length - 1}
                aria-label="Later"
                onClick={() => move(i, 1)}
              >
                <ArrowDown size={15} aria-hidden />
              </button>
              <button
                type="button"
                className="desk-button !px-2"
                aria-label="Remove this step"
                onClick={() => change(steps.toSpliced(i, 1))}
              >
                <Trash2 size={15} aria-hidden />
              </button>
            </span>
          </li>
        ))}
      </ol>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="desk-button"
          onClick={() => change([...steps, WorkStep.parse({ id: newId('step') })])}
        >
          <Plus size={16} aria-hidden /> Add a step
        </button>
        {left.map((part) => (
          <button
            key={part.id}
            type="button"
            className="desk-button"
            onClick={() => change([...steps, ...allOf(kit, part.id)])}
          >
            <Plus size={16} aria-hidden /> All of {part.name || 'unnamed part'}
          </button>
        ))}
      </div>
    </div>
  )
}

/** Everything of a part, in the order of a hand: set what is set on it, lead and plug, put it in, fasten it. */
function allOf(kit: Kit, partId: string): WorkStep[] {
  const step = (act: WorkStepAct, itemId: string, more: object = {}) =>
    WorkStep.parse({ id: newId('step'), act, itemId, ...more })
  const plugs = kit.plugs.filter((plug) => plug.partId === partId)
  return [
    ...kit.settings.filter((setting) => setting.partId === partId).map(({ id }) => step('set', id)),
    ...plugs.filter(({ leadThrough }) => leadThrough !== '').map(({ id }) => step('lead through', id)),
    ...plugs.map(({ id }) => step('plug', id)),
    step('fit', partId),
    ...kit.holders.filter(({ holds }) => holds[0] === partId).map(({ id }) => step('fasten', id, { stage: 'snug' })),
  ]
}

function StepEntry({
  kit,
  step,
  facets,
  change,
}: {
  kit: Kit
  step: WorkStep
  facets: readonly Facet[]
  change: (more: Partial<WorkStep>) => void
}) {
  const { of } = WORK_STEP_ACTS[step.act]
  const things = thingsFor(kit, of)
  // A new one stands open until somebody folds it.
  const [open, setOpen] = useState(step.itemId === null && step.words === '')
  return (
    <details className="min-w-0 flex-1" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-8 cursor-pointer pt-1 text-[16px]">{workStepWords(kit, step).title}</summary>
      <div className="grid gap-3 pb-2 sm:grid-cols-2 lg:grid-cols-4">
        <Select
          label="Act"
          value={step.act}
          options={ACTS}
          onChange={(act) => {
            const same = WORK_STEP_ACTS[act as WorkStepAct].of === of
            change({ act: act as WorkStepAct, itemId: same ? step.itemId : null })
          }}
        />
        {of !== 'nothing' && (
          <Pick
            label="What"
            value={step.itemId}
            options={things}
            empty="choose…"
            onChange={(itemId) => change({ itemId })}
          />
        )}
        <TextField
          label="In words"
          value={step.words}
          maxLength={160}
          onChange={(event) => change({ words: event.target.value })}
        />
        {(of === 'part' || of === 'holder') && (
          <MaybeNumber label="How many (empty: all)" value={step.count} onChange={(count) => change({ count })} />
        )}
        {step.act === 'do' && (
          <MaybeNumber label="One by one: how many" value={step.count} onChange={(count) => change({ count })} />
        )}
        {of === 'holder' && (
          <Pick
            label="How far"
            value={step.stage}
            options={STAGES.map((stage) => [stage, stage])}
            empty="home"
            onChange={(stage) => change({ stage: stage as WorkStep['stage'] })}
          />
        )}
        <Pick
          label="Side"
          value={step.side}
          options={SIDES.map((side) => [side, side])}
          empty="no side"
          onChange={(side) => change({ side: side as WorkStep['side'] })}
        />
        <TextField
          label="With"
          value={step.tool}
          maxLength={40}
          onChange={(event) => change({ tool: event.target.value })}
        />
        <TextField
          label="Mind"
          value={step.caution}
          maxLength={200}
          onChange={(event) => change({ caution: event.target.value })}
        />
        <PictureField value={step.photoId} onChange={(photoId) => change({ photoId })} />
        {step.act === 'read' && <ReadingFields step={step} change={change} />}
        <WhenPicker facets={facets} when={step.when} onChange={(when) => change({ when })} />
      </div>
    </details>
  )
}

function ReadingFields({ step, change }: { step: WorkStep; change: (more: Partial<WorkStep>) => void }) {
  const reading = step.reading ?? { unit: '', least: null, most: null }
  const put = (more: Partial<typeof reading>) => change({ reading: { ...reading, ...more } })
  return (
    <>
      <TextField
        label="Unit"
        value={reading.unit}
        maxLength={12}
        onChange={(event) => put({ unit: event.target.value })}
      />
      <MaybeNumber label="At least" step="any" value={reading.least} onChange={(least) => put({ least })} />
      <MaybeNumber label="At most" step="any" value={reading.most} onChange={(most) => put({ most })} />
    </>
  )
}
