'use client'
import { Plus, Trash2 } from 'lucide-react'
import { newId } from '@/client/newId'
import { newFacet, type Facet } from '@/core/procedure/facet'
import { TextField } from '../forms/Field'
import type { KitEdited } from './KitRows'
import { Row, Rows, Select } from './kitFields'

/** How kits of this name differ: the family of the unit, an option that was bought. */
export function KitFacets({ kit, set }: KitEdited) {
  return (
    <Rows
      title="How it may differ"
      add="Add a question"
      onAdd={() =>
        set({
          facets: [
            ...kit.facets,
            { ...newFacet(newId('facet'), 'new', [newId('choice'), newId('choice')]), kind: 'option', name: '' },
          ],
        })
      }
      empty="Always the same. A unit that comes in families, or an option that adds parts, is a question here."
    >
      {kit.facets.map((facet, i) => {
        const change = (more: Partial<Facet>) => set({ facets: kit.facets.with(i, { ...facet, ...more }) })
        return (
          <Row key={facet.id} name={facet.name} onRemove={() => set({ facets: kit.facets.toSpliced(i, 1) })}>
            <TextField
              label="Question"
              value={facet.name}
              maxLength={60}
              onChange={(event) => change({ name: event.target.value })}
            />
            <Select
              label="It is"
              value={facet.kind === 'unit family' ? 'the family of the unit' : 'an option that is bought'}
              options={['the family of the unit', 'an option that is bought']}
              onChange={(kind) => change({ kind: kind === 'the family of the unit' ? 'unit family' : 'option' })}
            />
            <fieldset className="sm:col-span-2">
              <legend className="mb-0.5 text-[15px] font-semibold">Choices</legend>
              {facet.choices.map((choice, c) => (
                <span key={choice.id} className="mb-1 flex gap-2">
                  <input
                    className="field"
                    aria-label={`Choice ${c + 1}`}
                    value={choice.name}
                    maxLength={60}
                    onChange={(event) =>
                      change({ choices: facet.choices.with(c, { ...choice, name: event.target.value }) })
                    }
                  />
                  <button
                    type="button"
                    className="desk-button"
                    disabled={facet.choices.length <= 2}
                    aria-label={`Remove ${choice.name || 'this choice'}`}
                    onClick={() => change({ choices: facet.choices.toSpliced(c, 1) })}
                  >
                    <Trash2 size={15} aria-hidden />
                  </button>
                </span>
              ))}
              <button
                type="button"
                className="jump"
                onClick={() =>
                  change({
                    choices: [...facet.choices, { id: newId('choice'), name: '', tell: '', photoId: null, tells: [] }],
                  })
                }
              >
                <Plus size={15} aria-hidden className="inline" /> Another choice
              </button>
            </fieldset>
          </Row>
        )
      })}
    </Rows>
  )
}
