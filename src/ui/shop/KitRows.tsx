'use client'
import { WORK_KINDS } from '@/core/shop/workItem'
import type { Kit } from '@/core/shop/kit'
import { newId } from '@/client/newId'
import { TextField } from '../forms/Field'
import { NumberField, Row, Rows, Select, Yes } from './kitFields'
import { CheckList } from '../forms/CheckList'

/** A kit that is being changed, and how. */
export type KitPart = { kit: Kit; set: (more: Partial<Kit>) => void }

/** The work a kit does, each piece with what it comes after. */
export function WorkRows({ kit, set, places }: KitPart & { places: string[] }) {
  return (
    <Rows
      title="Work, in any order"
      add="Add work"
      onAdd={() =>
        set({
          works: [
            ...kit.works,
            {
              id: newId('work'),
              name: '',
              kind: 'mount',
              station: 'centre',
              helperStation: null,
              tool: 'hand',
              durationS: 120,
              persons: 1,
              unattendedS: 0,
              afterWork: [],
              note: '',
            },
          ],
        })
      }
      empty="No work yet: the kit would only open and close."
    >
      {kit.works.map((work, i) => {
        const change = (more: Partial<typeof work>) => set({ works: kit.works.with(i, { ...work, ...more }) })
        return (
          <Row key={work.id} name={work.name} onRemove={() => set({ works: kit.works.toSpliced(i, 1) })}>
            <TextField
              className="lg:col-span-2"
              label="What is done"
              value={work.name}
              onChange={(event) => change({ name: event.target.value })}
            />
            <Select
              label="Kind"
              value={work.kind}
              options={WORK_KINDS.filter((kind) => kind !== 'bypass a signal')}
              onChange={(kind) => change({ kind: kind as typeof work.kind })}
            />
            <Select label="From" value={work.station} options={places} onChange={(station) => change({ station })} />
            <NumberField label="Takes (s)" value={work.durationS} onChange={(durationS) => change({ durationS })} />
            <TextField label="With" value={work.tool} onChange={(event) => change({ tool: event.target.value })} />
            <NumberField label="Persons" value={work.persons} onChange={(persons) => change({ persons })} />
            <NumberField
              label="Then waits (s)"
              help="Glue, cooling, a first start."
              value={work.unattendedS}
              onChange={(unattendedS) => change({ unattendedS })}
            />
            <CheckList
              className="lg:col-span-4"
              label="After"
              options={kit.works
                .filter((other) => other.id !== work.id)
                .map((other) => [other.id, other.name || 'unnamed work'])}
              chosen={work.afterWork}
              onChange={(afterWork) => change({ afterWork })}
            />
          </Row>
        )
      })}
    </Rows>
  )
}

/** What the vehicle can do once the kit is fitted. */
export function FunctionRows({ kit, set }: KitPart) {
  return (
    <Rows
      title="The vehicle can do afterwards"
      add="Add a function"
      onAdd={() =>
        set({
          functions: [
            ...kit.functions,
            {
              id: newId('function'),
              name: '',
              how: '',
              power: 'ignition',
              readingUnit: '',
              interim: 'when hidden',
              warmUpS: 0,
              afterWork: [],
            },
          ],
        })
      }
      empty="Nothing new."
    >
      {kit.functions.map((item, i) => {
        const change = (more: Partial<typeof item>) => set({ functions: kit.functions.with(i, { ...item, ...more }) })
        return (
          <Row key={item.id} name={item.name} onRemove={() => set({ functions: kit.functions.toSpliced(i, 1) })}>
            <TextField label="Function" value={item.name} onChange={(event) => change({ name: event.target.value })} />
            <TextField
              label="It works when"
              value={item.how}
              onChange={(event) => change({ how: event.target.value })}
            />
            <Select
              label="Power"
              value={item.power}
              options={['none', 'battery', 'accessory', 'ignition', 'engine']}
              onChange={(power) => change({ power: power as typeof item.power })}
            />
            <NumberField label="Its unit needs (s)" value={item.warmUpS} onChange={(warmUpS) => change({ warmUpS })} />
            <CheckList
              className="lg:col-span-4"
              label="Can be tested after"
              options={kit.works.map((work) => [work.id, work.name || 'unnamed work'])}
              chosen={item.afterWork}
              onChange={(afterWork) => change({ afterWork })}
            />
          </Row>
        )
      })}
    </Rows>
  )
}

/** What the kit cuts, files or drills. */
export function ChangeRows({ kit, set }: KitPart) {
  return (
    <Rows
      title="Changed for good"
      add="Add a change"
      onAdd={() =>
        set({
          changes: [
            ...kit.changes,
            { id: newId('change'), what: 'drill', where: '', how: '', consent: false, edgeTreated: false },
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
              options={['cut', 'file', 'drill']}
              onChange={(what) => change({ what: what as typeof item.what })}
            />
            <TextField label="Where" value={item.where} onChange={(event) => change({ where: event.target.value })} />
            <TextField label="How much" value={item.how} onChange={(event) => change({ how: event.target.value })} />
            <span className="space-y-1 self-end">
              <Yes
                label="customer’s consent in writing"
                value={item.consent}
                onChange={(consent) => change({ consent })}
              />
              <Yes label="edge treated" value={item.edgeTreated} onChange={(edgeTreated) => change({ edgeTreated })} />
            </span>
          </Row>
        )
      })}
    </Rows>
  )
}
