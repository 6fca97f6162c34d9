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
              onChange={(event) => set({ itemId: event.target.value, onto: null, fastenedBy: [] })}
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
              onChange={(value) => set({ ending: value as FitEnding['ending'] })}
            />
            {ending.ending === 'moved' && isPart && (
              <SelectField
                label="Onto"
                value={ending.onto ?? ''}
                onChange={(event) => set({ onto: event.target.value || null, fastenedBy: [] })}
              >
                <option value="">elsewhere</option>
                {kit.parts.map((part) => (
                  <option key={part.id} value={part.id}>
                    {part.name}
                  </option>
                ))}
              </SelectField>
            )}
            <button
              type="button"
              className="desk-button"
              aria-label={`Take this end of ${itemWords(document, ending.itemId)} away`}
              onClick={() => change({ endings: fit.endings.toSpliced(i, 1) })}
            >
              <Trash2 size={16} aria-hidden />
            </button>
            {ending.onto !== null && (
              <CheckList
                className="basis-full"
                label="Fastened there by"
                options={[
                  ...document.holders
                    .filter(({ holds }) => holds.includes(ending.itemId))
                    .map((holder) => [holder.id, `its own ${holderWords(holder)}`] as const),
                  ...kit.holders.map((holder) => [holder.id, `${holderWords(holder)} of the kit`] as const),
                ]}
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
