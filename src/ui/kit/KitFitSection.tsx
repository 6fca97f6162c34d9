'use client'
import { Plus, Trash2 } from 'lucide-react'
import { ENDINGS } from '@/core/procedure/endings'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Kit } from '@/core/shop/kit'
import { FitEnding, type FitAccess, type KitFit } from '@/core/shop/kitFit'
import type { Facet } from '@/core/procedure/facet'
import { WhenPicker } from './WhenPicker'
import { SelectField } from '../forms/Field'
import { ownerWords } from '@/words/items'
import { Select } from './kitFields'
import { CheckList } from '../forms/CheckList'

export type KitModel = { procedureId: string; document: ProcedureDocument }
export function Fit({
  kit,
  fit,
  model,
  change,
  remove,
}: {
  kit: Kit
  fit: KitFit
  model: KitModel
  change: (more: Partial<KitFit>) => void
  remove: () => void
}) {
  const { document } = model
  const facets: readonly Facet[] = [...kit.facets, ...document.facets]
  const options: [string, string, FitAccess][] = [
    ...document.cavities.map((cavity): [string, string, FitAccess] => [
      `cavity:${cavity.id}`,
      cavity.name,
      { kind: 'cavity', cavityId: cavity.id, when: {} },
    ]),
    ...document.parts.map((part): [string, string, FitAccess] => [
      `part:${part.id}`,
      `${part.name} off`,
      { kind: 'part', partId: part.id, level: 'off', when: {} },
    ]),
  ]
  const keyOf = (access: FitAccess) =>
    access.kind === 'cavity' ? `cavity:${access.cavityId}` : `part:${access.partId}`
  const things: [string, string][] = [
    ...document.parts.map((part): [string, string] => [part.id, part.name]),
    ...document.tethers.map((tether): [string, string] => [
      tether.id,
      `plug ${tether.name} of ${ownerWords(document, tether)}`,
    ]),
  ]
  return (
    <section className="mt-4 border-l-[6px] border-petrol pl-4" aria-label={`On ${document.name}`}>
      <h3 className="flex items-center justify-between text-lg">
        {document.name}
        <button type="button" className="desk-button" onClick={remove} aria-label={`Take ${document.name} out`}>
          <Trash2 size={16} aria-hidden />
        </button>
      </h3>
      {kit.works.map((work) => {
        const chosen = (fit.access[work.id] ?? []).map(keyOf)
        return (
          <details key={work.id} className="border-b border-hair py-1.5">
            <summary className="min-h-8 cursor-pointer">
              <b>{work.name || 'unnamed work'}</b> needs open:{' '}
              {chosen.length > 0 ? (
                chosen
                  .map((key) => options.find(([name]) => name === key)?.[1] ?? 'something this model does not have')
                  .join(', ')
              ) : (
                <span className="text-second">nothing: it is reached from outside</span>
              )}
            </summary>
            <CheckList
              label="Open for it"
              options={options.map(([key, name]) => [key, name])}
              chosen={chosen}
              onChange={(keys) =>
                change({
                  access: {
                    ...fit.access,
                    [work.id]: options
                      .filter(([key]) => keys.includes(key))
                      .map(
                        ([key, , access]) =>
                          (fit.access[work.id] ?? []).find((known) => keyOf(known) === key) ?? access,
                      ),
                  },
                })
              }
            />
          </details>
        )
      })}
      <div className="py-2">
        <p className="text-[15px] font-semibold">What does not simply go back</p>
        {fit.endings.map((ending, i) => (
          <div key={i} className="flex flex-wrap items-end gap-2 py-1">
            <SelectField
              label="Thing"
              value={ending.itemId}
              onChange={(event) => change({ endings: fit.endings.with(i, { ...ending, itemId: event.target.value }) })}
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
              onChange={(value) =>
                change({ endings: fit.endings.with(i, { ...ending, ending: value as typeof ending.ending }) })
              }
            />
            <button
              type="button"
              className="desk-button"
              aria-label="Remove this end"
              onClick={() => change({ endings: fit.endings.toSpliced(i, 1) })}
            >
              <Trash2 size={16} aria-hidden />
            </button>
            <WhenPicker
              facets={facets}
              when={ending.when}
              onChange={(when) => change({ endings: fit.endings.with(i, { ...ending, when }) })}
            />
          </div>
        ))}
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
      <div className="grid gap-x-6 md:grid-cols-2">
        <CheckList
          label="Works differently afterwards"
          options={document.functions.map((item) => [item.id, item.name])}
          chosen={fit.functionsChanged}
          onChange={(functionsChanged) => change({ functionsChanged })}
        />
        <CheckList
          label="Works no more"
          options={document.functions.map((item) => [item.id, item.name])}
          chosen={fit.functionsTaken}
          onChange={(functionsTaken) => change({ functionsTaken })}
        />
      </div>
    </section>
  )
}
