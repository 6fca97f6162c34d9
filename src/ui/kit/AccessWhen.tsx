import type { Facet } from '@/core/procedure/facet'
import type { FitAccess } from '@/core/shop/kitFit'
import { WhenPicker } from './WhenPicker'

/** On which builds each place has to be open. */
export function AccessWhen({
  list,
  facets,
  nameOf,
  onChange,
}: {
  list: readonly FitAccess[]
  facets: readonly Facet[]
  nameOf: (access: FitAccess) => string
  onChange: (list: FitAccess[]) => void
}) {
  if (facets.length === 0) return null
  return list.map((access, i) => (
    <div key={i} className="text-[15px]">
      <span className="font-semibold">{nameOf(access)}</span>
      <WhenPicker facets={facets} when={access.when} onChange={(when) => onChange(list.with(i, { ...access, when }))} />
    </div>
  ))
}
