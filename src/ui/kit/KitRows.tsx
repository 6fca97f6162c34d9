'use client'
import type { Facet } from '@/core/procedure/facet'
import { LASTING_CHANGES, LastingChange } from '@/core/shop/workItem'
import type { Kit } from '@/core/shop/kit'
import { newId } from '@/client/newId'
import { TextField } from '../forms/Field'
import { Row, Rows, Select, Yes } from './kitFields'
import { WhenPicker } from './WhenPicker'

/** A kit that is being changed, and how. */
export type KitEdited = { kit: Kit; set: (more: Partial<Kit>) => void }

/** What the kit cuts, files or drills. */
export function ChangeRows({ kit, set, facets }: KitEdited & { facets: readonly Facet[] }) {
  return (
    <Rows
      title="Changed for good"
      add="Add a change"
      onAdd={() =>
        set({
          changes: [
            ...kit.changes,
            { ...LastingChange.parse({ id: newId('change'), what: 'drill', where: 'new' }), where: '' },
          ],
        })
      }
      empty="Nothing is cut, filed or drilled."
    >
      {kit.changes.map((item, i) => {
        const change = (more: Partial<typeof item>) => set({ changes: kit.changes.with(i, { ...item, ...more }) })
        return (
          <Row key={item.id} name={item.where} onRemove={() => set({ changes: kit.changes.toSpliced(i, 1) })}>
            <Select
              label="What"
              value={item.what}
              options={LASTING_CHANGES}
              onChange={(what) => change({ what: what as typeof item.what })}
            />
            <Select
              label="Of"
              value={item.on}
              options={['vehicle', 'kit']}
              onChange={(on) => change({ on: on as typeof item.on })}
            />
            <TextField label="Where" value={item.where} onChange={(event) => change({ where: event.target.value })} />
            <TextField label="How much" value={item.how} onChange={(event) => change({ how: event.target.value })} />
            <span className="space-y-1 self-end">
              {item.on === 'vehicle' && (
                <Yes
                  label="customer’s consent in writing"
                  value={item.consent}
                  onChange={(consent) => change({ consent })}
                />
              )}
              <Yes label="edge treated" value={item.edgeTreated} onChange={(edgeTreated) => change({ edgeTreated })} />
            </span>
            <WhenPicker facets={facets} when={item.when} onChange={(when) => change({ when })} />
          </Row>
        )
      })}
    </Rows>
  )
}
