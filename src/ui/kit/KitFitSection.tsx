'use client'
import { Trash2 } from 'lucide-react'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Kit } from '@/core/shop/kit'
import type { FitAccess, KitFit } from '@/core/shop/kitFit'
import type { Facet } from '@/core/procedure/facet'
import { AccessWhen } from './AccessWhen'
import { FitConnections } from './FitConnections'
import { FitEndings } from './FitEndings'
import { FitLeads } from './FitLeads'
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
            <AccessWhen
              list={fit.access[work.id] ?? []}
              facets={facets}
              nameOf={(access) => options.find(([key]) => key === keyOf(access))?.[1] ?? 'this place'}
              onChange={(list) => change({ access: { ...fit.access, [work.id]: list } })}
            />
          </details>
        )
      })}
      <FitLeads kit={kit} fit={fit} document={document} change={change} />
      <FitEndings kit={kit} fit={fit} document={document} facets={facets} change={change} />
      <FitConnections kit={kit} fit={fit} document={document} facets={facets} change={change} />
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
