'use client'
import { Plus, Trash2 } from 'lucide-react'
import type { ProcedureDocument } from '@/core/procedure/document'
import { ENDINGS } from '@/core/procedure/endings'
import type { Facet } from '@/core/procedure/facet'
import type { Kit } from '@/core/shop/kit'
import { FitEnding, type KitFit } from '@/core/shop/kitFit'
import { holderWords, itemWords, ownerWords } from '@/words/items'
import { CheckList } from '../forms/CheckList'
import { SelectField } from '../forms/Field'
import { Select } from './kitFields'
import { WhenPicker } from './WhenPicker'

export type FitEdited = {
  kit: Kit
  fit: KitFit
  document: ProcedureDocument
  facets: readonly Facet[]
  change: (more: Partial<KitFit>) => void
}

/** What does not simply go back: what becomes of it, and where it is carried to. */
export function FitEndings({ kit, fit, document, facets, change }: FitEdited) {
  const things = [
    ...document.parts.map((part) => [part.id, part.name] as const),
    ...document.tethers.map((tether) => [tether.id, `plug ${tether.name} of ${ownerWords(document, tether)}`] as const),
  ]
  return (
    <div className="py-2">
      <p className="text-[15px] font-semibold">What does not simply go back</p>
      {fit.endings.map((ending, i) => {
        const set = (more: Partial<FitEnding>) => change({ endings: fit.endings.with(i, { ...ending, ...more }) })
        const isPart = document.parts.some(({ id }) => id === ending.itemId)
        return (
          <div key={i} className="flex flex-wrap items-end gap-2 py-1">
            <SelectField
              label="Thing"
              value={ending.itemId}
              onChange={(event) => set({ itemId: event.target.value, ...NOWHERE })}
            >
              {things.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
            <Select
              label="Is"
              value={ending.ending}
              options={ENDINGS}
              onChange={(value) => set({ ending: value as FitEnding['ending'], ...NOWHERE })}
            />
            {ending.ending === 'moved' && isPart && (
              <KitPartField
                {...{ kit, label: 'Onto', none: 'elsewhere', value: ending.onto }}
                onChange={(onto) => set({ ...NOWHERE, onto })}
              />
            )}
            {ending.ending === 'replaced' && isPart && (
              <KitPartField
                {...{ kit, label: 'By', none: 'one like it', value: ending.by }}
                onChange={(by) => set({ ...NOWHERE, by })}
              />
            )}
            <button
              type="button"
              className="desk-button"
              aria-label={`Take this end of ${itemWords(document, ending.itemId)} away`}
              onClick={() => change({ endings: fit.endings.toSpliced(i, 1) })}
            >
              <Trash2 size={16} aria-hidden />
            </button>
            {(ending.onto ?? ending.by) !== null && (
              <CheckList
                className="basis-full"
                label={ending.by === null ? 'Fastened there by' : 'Of the old fasteners these are used again'}
                options={fastenersFor(kit, document, ending)}
                chosen={ending.fastenedBy}
                onChange={(fastenedBy) => set({ fastenedBy })}
              />
            )}
            <WhenPicker facets={facets} when={ending.when} onChange={(when) => set({ when })} />
          </div>
        )
      })}
      <button
        type="button"
        className="desk-button mt-1"
        disabled={things.length === 0}
        onClick={() =>
          change({ endings: [...fit.endings, FitEnding.parse({ itemId: things[0]![0], ending: 'replaced' })] })
        }
      >
        <Plus size={16} aria-hidden /> Add an end
      </button>
    </div>
  )
}

/** Where a thing goes and what holds it there, as long as nobody has said. */
const NOWHERE = { onto: null, by: null, fastenedBy: [] }

/** A part of the kit, or none of them. */
function KitPartField({
  kit,
  label,
  none,
  value,
  onChange,
}: {
  kit: Kit
  label: string
  none: string
  value: string | null
  onChange: (partId: string | null) => void
}) {
  return (
    <SelectField label={label} value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
      <option value="">{none}</option>
      {kit.parts.map((part) => (
        <option key={part.id} value={part.id}>
          {part.name}
        </option>
      ))}
    </SelectField>
  )
}

/** What can hold it at its new place; what stands in for it is fastened by the steps of the kit's own work. */
function fastenersFor(kit: Kit, document: ProcedureDocument, { itemId, by }: FitEnding) {
  const own = document.holders
    .filter(({ holds }) => holds.includes(itemId))
    .map((holder) => [holder.id, `its own ${holderWords(holder)}`] as const)
  const ofKit = kit.holders.map((holder) => [holder.id, `${holderWords(holder)} of the kit`] as const)
  return by === null ? [...own, ...ofKit] : own
}
