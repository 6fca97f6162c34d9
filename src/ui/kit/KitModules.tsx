'use client'
import { Plus, Trash2 } from 'lucide-react'
import { newId } from '@/client/newId'
import type { Facet } from '@/core/procedure/facet'
import { KIT_SETTING_KINDS, KitSetting } from '@/core/shop/kitThings'
import { TextField } from '../forms/Field'
import type { KitEdited } from './KitRows'
import { Pick, Row, Rows, Select } from './kitFields'
import { WhenPicker } from './WhenPicker'

type Expected = KitSetting['expected'][number]

/** How the kit's modules are to stand: switches, a program, taught buttons; by build where it differs. */
export function KitModules({ kit, set, facets }: KitEdited & { facets: readonly Facet[] }) {
  return (
    <Rows
      title="Set on its modules, before they are hidden"
      add="Add a setting"
      onAdd={() =>
        set({ settings: [...kit.settings, { ...KitSetting.parse({ id: newId('module'), name: 'new' }), name: '' }] })
      }
      empty="Nothing is set."
    >
      {kit.settings.map((setting, i) => {
        const change = (more: Partial<KitSetting>) => set({ settings: kit.settings.with(i, { ...setting, ...more }) })
        return (
          <Row key={setting.id} name={setting.name} onRemove={() => set({ settings: kit.settings.toSpliced(i, 1) })}>
            <TextField
              label="What is set"
              value={setting.name}
              maxLength={60}
              onChange={(event) => change({ name: event.target.value })}
            />
            <Select
              label="How"
              value={setting.kind}
              options={KIT_SETTING_KINDS}
              onChange={(kind) => change({ kind: kind as KitSetting['kind'] })}
            />
            <Pick
              label="On"
              value={setting.partId}
              options={kit.parts.map((part) => [part.id, part.name || 'unnamed part'])}
              empty="no part of its own"
              onChange={(partId) => change({ partId })}
            />
            <TextField
              label="Note"
              value={setting.note}
              maxLength={300}
              onChange={(event) => change({ note: event.target.value })}
            />
            <Values setting={setting} facets={facets} change={(expected) => change({ expected })} />
            <WhenPicker facets={facets} when={setting.when} onChange={(when) => change({ when })} />
          </Row>
        )
      })}
    </Rows>
  )
}

/** What it should be: one value for all, or one for each build; by the print, by experience. */
function Values({
  setting: { expected },
  facets,
  change,
}: {
  setting: KitSetting
  facets: readonly Facet[]
  change: (expected: Expected[]) => void
}) {
  return (
    <div className="sm:col-span-2 lg:col-span-4">
      {expected.map((item, i) => (
        <div key={item.id} className="grid grid-cols-[minmax(8rem,1fr)_9rem_2fr_auto] items-end gap-3 py-1">
          <TextField
            label="Should be"
            value={item.value}
            maxLength={40}
            onChange={(event) => change(expected.with(i, { ...item, value: event.target.value }))}
          />
          <Select
            label="By the"
            value={item.source}
            options={['print', 'experience']}
            onChange={(source) => change(expected.with(i, { ...item, source: source as Expected['source'] }))}
          />
          <WhenPicker
            facets={facets}
            when={item.when}
            onChange={(when) => change(expected.with(i, { ...item, when }))}
          />
          <button
            type="button"
            className="desk-button"
            aria-label="Remove this value"
            onClick={() => change(expected.toSpliced(i, 1))}
          >
            <Trash2 size={15} aria-hidden />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="jump"
        onClick={() => change([...expected, { id: newId('value'), value: '', source: 'print', when: {} }])}
      >
        <Plus size={15} aria-hidden className="inline" />{' '}
        {expected.length === 0 ? 'Say what it should be' : 'Another value, for another build or by experience'}
      </button>
    </div>
  )
}
