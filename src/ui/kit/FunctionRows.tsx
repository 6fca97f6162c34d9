'use client'
import { newId } from '@/client/newId'
import type { Facet } from '@/core/procedure/facet'
import { SETTING_ROLES, type SettingRole } from '@/core/procedure/setting'
import { AddedFunction, FunctionNeed, type TestSetting } from '@/core/shop/addedFunction'
import type { Kit } from '@/core/shop/kit'
import { CheckList } from '../forms/CheckList'
import { TextField } from '../forms/Field'
import { MaybeNumber, NumberField, Row, Rows, Select, Yes } from './kitFields'
import type { KitEdited } from './KitRows'
import { WhenPicker } from './WhenPicker'

/** What the vehicle can do once the kit is fitted. */
export function FunctionRows({ kit, set, facets }: KitEdited & { facets: readonly Facet[] }) {
  return (
    <Rows
      title="The vehicle can do afterwards"
      add="Add a function"
      onAdd={() =>
        set({
          functions: [...kit.functions, { ...AddedFunction.parse({ id: newId('function'), name: 'new' }), name: '' }],
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
            <TextField
              label="Unit of its reading"
              value={item.readingUnit}
              maxLength={12}
              onChange={(event) => change({ readingUnit: event.target.value })}
            />
            <MaybeNumber label="At least" step="any" value={item.least} onChange={(least) => change({ least })} />
            <MaybeNumber label="At most" step="any" value={item.most} onChange={(most) => change({ most })} />
            <NumberField label="Its unit needs (s)" value={item.warmUpS} onChange={(warmUpS) => change({ warmUpS })} />
            <CheckList
              className="lg:col-span-4"
              label="Can be tested after"
              options={kit.works
                .map((work): [string, string] => [work.id, work.name || 'unnamed work'])
                .concat(kit.leads.map((lead) => [lead.id, `${lead.name || 'unnamed lead'} is laid`]))}
              chosen={item.afterWork}
              onChange={(afterWork) => change({ afterWork })}
            />
            <CheckList
              className="lg:col-span-4"
              label="Needs"
              options={needOptions(kit, item.id)}
              chosen={item.needs.map(({ of, id }) => `${of}:${id}`)}
              onChange={(keys) => change({ needs: needsOf(item, keys) })}
            />
            <MoreOfFunction item={item} kit={kit} change={change} />
            <WhenPicker facets={facets} when={item.when} onChange={(when) => change({ when })} />
          </Row>
        )
      })}
    </Rows>
  )
}

/** What a function can need, of all that a kit has: "plug:p1" and its name. */
function needOptions({ functions, parts, plugs, settings }: Kit, functionId: string): [string, string][] {
  const of = (kind: FunctionNeed['of'], items: readonly { id: string; name: string }[]) =>
    items.map(({ id, name }): [string, string] => [`${kind}:${id}`, name || 'unnamed'])
  return [
    ...of(
      'function',
      functions.filter(({ id }) => id !== functionId).map(({ id, name }) => ({ id, name: `function ${name}` })),
    ),
    ...of('part', parts),
    ...of(
      'plug',
      plugs.map(({ id, name }) => ({ id, name: `plug ${name}` })),
    ),
    ...of('setting', settings),
  ]
}

/** Those chosen, each as it was where it was chosen before. */
function needsOf({ needs }: AddedFunction, keys: readonly string[]): FunctionNeed[] {
  return keys.map((key) => {
    const [of, id] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)]
    return needs.find((need) => need.of === of && need.id === id) ?? FunctionNeed.parse({ of, id })
  })
}

/** What a customer sees of it, why it needs what it needs, how the vehicle stands for its test, why it failed. */
function MoreOfFunction({
  item,
  kit,
  change,
}: {
  item: AddedFunction
  kit: Kit
  change: (more: Partial<AddedFunction>) => void
}) {
  const names = new Map(needOptions(kit, item.id))
  const setTest = (testWith: TestSetting[]) => change({ testWith })
  return (
    <details className="sm:col-span-2 lg:col-span-4" open={item.optional || item.show !== ''}>
      <summary className="min-h-8 cursor-pointer text-[15px] text-second">
        may be done without, what is shown, why it needs it, how the vehicle stands for the test
      </summary>
      <div className="grid gap-3 pb-2 sm:grid-cols-2">
        <Yes
          label="the customer may do without it"
          value={item.optional}
          onChange={(optional) => change({ optional })}
        />
        <TextField
          label="Shown to the customer"
          value={item.show}
          maxLength={160}
          onChange={(event) => change({ show: event.target.value })}
        />
        {item.needs.map((need, i) => (
          <TextField
            key={`${need.of}:${need.id}`}
            label={`Why it needs ${names.get(`${need.of}:${need.id}`) ?? 'this'}`}
            value={need.because}
            maxLength={160}
            onChange={(event) => change({ needs: item.needs.with(i, { ...need, because: event.target.value }) })}
          />
        ))}
        {item.testWith.map((setting, i) => (
          <div key={i} className="flex items-end gap-2">
            <Select
              label="For the test"
              value={setting.role}
              options={SETTING_ROLES.filter((role) => role !== 'ignition')}
              onChange={(role) => setTest(item.testWith.with(i, { ...setting, role: role as SettingRole }))}
            />
            <TextField
              label="Stands at"
              value={setting.value}
              maxLength={40}
              onChange={(event) => setTest(item.testWith.with(i, { ...setting, value: event.target.value }))}
            />
            <button type="button" className="desk-button" onClick={() => setTest(item.testWith.toSpliced(i, 1))}>
              Take away
            </button>
          </div>
        ))}
        <button
          type="button"
          className="desk-button self-end justify-self-start"
          onClick={() => setTest([...item.testWith, { role: 'gear lever', value: 'out of park' }])}
        >
          Another setting for its test
        </button>
        {item.troubles.length > 0 && (
          <ul aria-label="Why it failed before" className="sm:col-span-2">
            {item.troubles.map((trouble, i) => (
              <li key={i} className="flex items-center gap-3 border-b border-hair py-1 text-[15px]">
                <span className="flex-1">
                  {trouble.symptom && `${trouble.symptom}: `}
                  <b>{trouble.cause}</b>
                  {trouble.cure && `, ${trouble.cure}`}
                </span>
                <button
                  type="button"
                  className="desk-button"
                  onClick={() => change({ troubles: item.troubles.toSpliced(i, 1) })}
                >
                  Take away
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
    </details>
  )
}
