'use client'
import { useMemo, useState } from 'react'
import { layersOf } from '@/core/order/layers'
import { deriveRemoval } from '@/core/order/removal'
import type { Goal } from '@/core/order/wish'
import type { ProcedureDocument } from '@/core/procedure/document'
import { forBuild } from '@/core/procedure/forBuild'
import type { Build } from '@/core/procedure/when'
import { SelectField } from '../forms/Field'
import { LevelMark } from '../marks/LevelMark'
import { itemWords } from '../words/items'
import { planErrorSentence } from '../words/problems'
import { whySentence } from '../words/reasons'

/** The order that follows from the facts, in layers from the outside in, for a cavity and a build: each part with its reason. */
export function OrderList({ document, onPick }: { document: ProcedureDocument; onPick: (partId: string) => void }) {
  const [cavityId, setCavityId] = useState('')
  const [build, setBuild] = useState<Build>({})
  const removal = useMemo(() => {
    const model = forBuild(document, build)
    const goals: Goal[] = [...model.cavities.keys()].filter((id) => cavityId === '' || id === cavityId).map((id) => ({ kind: 'cavity', cavityId: id }))
    return goals.length > 0 ? deriveRemoval(model, goals, { openings: {}, methods: {}, resting: 'rest' }) : null
  }, [document, build, cavityId])
  const layers = useMemo(() => (removal?.ok ? layersOf(removal.value) : []), [removal])
  const depth = Math.max(0, ...layers.map((item) => item.layer))
  return (
    <div className="h-full overflow-auto py-3">
      <div className="flex flex-wrap gap-4">
        <SelectField label="To reach" value={cavityId} onChange={(event) => setCavityId(event.target.value)}>
          <option value="">every cavity</option>
          {document.cavities.map((cavity) => (
            <option key={cavity.id} value={cavity.id}>
              {cavity.name}
            </option>
          ))}
        </SelectField>
        {document.facets.map((facet) => (
          <SelectField key={facet.id} label={facet.name} value={build[facet.id] ?? ''} onChange={(event) => setBuild(Object.fromEntries(Object.entries({ ...build, [facet.id]: event.target.value }).filter(([, value]) => value !== '')))}>
            <option value="">not known yet: all of it</option>
            {facet.choices.map((choice) => (
              <option key={choice.id} value={choice.id}>
                {choice.name}
              </option>
            ))}
          </SelectField>
        ))}
      </div>
      {!removal && <p className="py-4 text-lg text-second">No cavity is recorded yet: say what a job opens, then its order stands here.</p>}
      {removal && !removal.ok && (
        <p role="alert" className="mt-4 border-l-8 border-stop bg-sheet p-4 text-lg">
          {planErrorSentence(document, removal.error)}
        </p>
      )}
      {removal?.ok &&
        Array.from({ length: depth }, (_, i) => i + 1).map((layer) => (
          <section key={layer} className="mt-4">
            <h3 className="border-b-2 border-ink text-base">{layer === 1 ? 'Outermost: nothing comes before these' : `Layer ${layer}`}</h3>
            <ul>
              {layers
                .filter((item) => item.layer === layer)
                .map(({ partId, after }) => {
                  const level = removal.value.levels.get(partId)!
                  return (
                    <li key={partId} className="flex gap-3 border-b border-hair py-1.5">
                      <LevelMark level={level} size={22} className="mt-0.5 shrink-0" />
                      <div className="min-w-0">
                        <button type="button" className="font-bold hover:underline" onClick={() => onPick(partId)}>
                          {itemWords(document, partId)}
                        </button>
                        <span className="text-second"> {level}</span>
                        {after.length > 0 && <span className="block">after {after.map((id) => itemWords(document, id)).join(', ')}</span>}
                        <span className="block text-[15px] text-second">{whySentence(document, removal.value, `${level === 'off' ? 'lift' : 'release'}:${partId}`)}</span>
                      </div>
                    </li>
                  )
                })}
            </ul>
          </section>
        ))}
    </div>
  )
}
