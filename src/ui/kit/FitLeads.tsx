'use client'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Kit } from '@/core/shop/kit'
import type { KitFit } from '@/core/shop/kitFit'
import { NO_LEAD_FIT } from '@/core/shop/lead'
import { CheckList } from '../forms/CheckList'

/** Where the kit's leads begin and end on a model, and where they never go there. */
export function FitLeads({
  kit,
  fit,
  document,
  change,
}: {
  kit: Kit
  fit: KitFit
  document: ProcedureDocument
  change: (more: Partial<KitFit>) => void
}) {
  if (kit.leads.length === 0) return null
  if (document.ways.length === 0)
    return (
      <p className="py-2 text-second">
        {document.name} has no points and ways yet: its leads are laid by sight. Record them, and their way is worked
        out.
      </p>
    )
  const points = document.waypoints.map((point): [string, string] => [point.id, `${point.name} (${point.kind})`])
  return kit.leads.map((lead) => {
    const of = fit.leads[lead.id] ?? NO_LEAD_FIT
    const set = (more: Partial<typeof of>) => change({ leads: { ...fit.leads, [lead.id]: { ...of, ...more } } })
    const named = (side: 0 | 1) =>
      of.ends[side].length > 0
        ? of.ends[side].map((id) => document.waypoints.find((point) => point.id === id)?.name ?? 'gone').join(' or ')
        : `any ${lead.ends[side].to}`
    return (
      <details key={lead.id} className="border-b border-hair py-1.5">
        <summary className="min-h-8 cursor-pointer">
          <b>{lead.name || 'unnamed lead'}</b> from {named(0)} to {named(1)}
        </summary>
        {([0, 1] as const).map((side) => (
          <CheckList
            key={side}
            label={side === 0 ? 'One end at' : 'Other end at'}
            options={points}
            chosen={of.ends[side]}
            onChange={(ids) => set({ ends: side === 0 ? [ids, of.ends[1]] : [of.ends[0], ids] })}
          />
        ))}
        <CheckList
          label="Never by"
          options={document.ways.map((way): [string, string] => [way.id, way.name])}
          chosen={of.notThrough}
          onChange={(notThrough) => set({ notThrough })}
        />
      </details>
    )
  })
}
