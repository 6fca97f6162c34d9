'use client'
import type { Facet } from '@/core/procedure/facet'
import type { When } from '@/core/procedure/when'
import { CheckList } from '../forms/CheckList'

/** What a condition says, for a line: "only amplified", "only with maps, left-hand drive". Empty on all builds. */
export function whenWords(facets: readonly Facet[], when: When): string {
  const said = Object.entries(when).map(([facetId, choices]) => {
    const facet = facets.find(({ id }) => id === facetId)
    if (!facet) return 'a question that is asked nowhere'
    return choices
      .map((id) => facet.choices.find((choice) => choice.id === id)?.name ?? 'a choice that is gone')
      .join(' or ')
  })
  return said.length > 0 ? `only ${said.join(', ')}` : ''
}

/** For which builds a thing is: nothing ticked, for all. The kit's own questions and those of the models it meets. */
export function WhenPicker({
  facets,
  when,
  onChange,
}: {
  facets: readonly Facet[]
  when: When
  onChange: (when: When) => void
}) {
  if (facets.length === 0 && Object.keys(when).length === 0) return null
  const set = (facetId: string, choices: string[]) => {
    const { [facetId]: _, ...others } = when
    onChange(choices.length > 0 ? { ...others, [facetId]: choices } : others)
  }
  return (
    <details className="sm:col-span-2 lg:col-span-4">
      <summary className="min-h-8 cursor-pointer text-[15px] text-second">
        {whenWords(facets, when) || 'on every vehicle, whatever was bought'}
      </summary>
      <div className="flex flex-wrap gap-x-8 gap-y-1 pl-4">
        {facets.map((facet) => (
          <CheckList
            key={facet.id}
            label={`${facet.name}: only`}
            options={facet.choices.map((choice) => [choice.id, choice.name])}
            chosen={when[facet.id] ?? []}
            onChange={(choices) => set(facet.id, choices)}
          />
        ))}
      </div>
    </details>
  )
}
