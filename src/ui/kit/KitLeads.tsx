'use client'
import { newId } from '@/client/newId'
import type { Facet } from '@/core/procedure/facet'
import { END_KINDS, newLead, type KitLead, type LeadEnd } from '@/core/shop/lead'
import { LEAD_CLASSES } from '@/core/shop/leadClass'
import { CheckList } from '../forms/CheckList'
import { TextField } from '../forms/Field'
import type { KitEdited } from './KitRows'
import { MaybeNumber, Row, Rows, Select } from './kitFields'
import { WhenPicker } from './WhenPicker'

/** Leads that have to get from one place to another: how thick, how long, what is on their ends. */
export function KitLeads({ kit, set, facets }: KitEdited & { facets: readonly Facet[] }) {
  return (
    <Rows
      title="Leads to be laid"
      add="Add a lead"
      onAdd={() => set({ leads: [...kit.leads, { ...newLead(newId('lead'), 'new'), name: '' }] })}
      empty="None: nothing has to get from one place to another."
    >
      {kit.leads.map((lead, i) => {
        const change = (more: Partial<KitLead>) => set({ leads: kit.leads.with(i, { ...lead, ...more }) })
        return (
          <Row key={lead.id} name={lead.name} onRemove={() => set({ leads: kit.leads.toSpliced(i, 1) })}>
            <TextField
              label="Lead"
              value={lead.name}
              maxLength={80}
              onChange={(event) => change({ name: event.target.value })}
            />
            <Select
              label="It carries"
              value={lead.class}
              options={LEAD_CLASSES}
              onChange={(kind) => change({ class: kind as KitLead['class'] })}
            />
            <MaybeNumber
              label="Thick (mm)"
              step="any"
              value={lead.diameterMm}
              onChange={(diameterMm) => change({ diameterMm: diameterMm ?? 5 })}
            />
            <MaybeNumber
              label="Supplied (mm)"
              help="Empty: cut to measure."
              value={lead.suppliedMm}
              onChange={(suppliedMm) => change({ suppliedMm })}
            />
            {([0, 1] as const).map((side) => (
              <End
                key={side}
                side={side}
                end={lead.ends[side]}
                change={(end) => change({ ends: side === 0 ? [end, lead.ends[1]] : [lead.ends[0], end] })}
              />
            ))}
            <Select
              label="May get wet"
              value={lead.mayGetWet}
              options={['yes', 'in a sheath', 'no']}
              onChange={(mayGetWet) => change({ mayGetWet: mayGetWet as KitLead['mayGetWet'] })}
            />
            <MaybeNumber
              label="Its current (A)"
              step="any"
              help="For its fuse and its thickness."
              value={lead.electric?.currentA ?? null}
              onChange={(currentA) =>
                change({ electric: currentA === null ? null : { ...(lead.electric ?? NO_CURRENT), currentA } })
              }
            />
            <CheckList
              className="lg:col-span-4"
              label="Laid after"
              options={kit.works.map((work) => [work.id, work.name || 'unnamed work'])}
              chosen={lead.afterWork}
              onChange={(afterWork) => change({ afterWork })}
            />
            <WhenPicker facets={facets} when={lead.when} onChange={(when) => change({ when })} />
          </Row>
        )
      })}
    </Rows>
  )
}

const NO_CURRENT: NonNullable<KitLead['electric']> = {
  ...{ systemV: 12, currentA: 1, lasting: true, conductorMm2: null, returns: 'by the body', fuseA: null },
}

function End({ side, end, change }: { side: 0 | 1; end: LeadEnd; change: (end: LeadEnd) => void }) {
  const which = side === 0 ? 'One end' : 'Other end'
  const connector = (more: Partial<NonNullable<LeadEnd['connector']>>) => {
    const next = { widthMm: 10, heightMm: 10, ...end.connector, ...more }
    change({ ...end, connector: next })
  }
  return (
    <div className="grid grid-cols-3 gap-x-3 lg:col-span-2">
      <Select
        label={`${which} to`}
        value={end.to}
        options={END_KINDS}
        onChange={(to) => change({ ...end, to: to as LeadEnd['to'] })}
      />
      <MaybeNumber
        label="Plug wide (mm)"
        step="any"
        help={end.connector ? undefined : 'Empty: none yet.'}
        value={end.connector?.widthMm ?? null}
        onChange={(widthMm) => (widthMm === null ? change({ ...end, connector: null }) : connector({ widthMm }))}
      />
      <MaybeNumber
        label="Plug high (mm)"
        step="any"
        value={end.connector?.heightMm ?? null}
        onChange={(heightMm) => (heightMm === null ? change({ ...end, connector: null }) : connector({ heightMm }))}
      />
    </div>
  )
}
