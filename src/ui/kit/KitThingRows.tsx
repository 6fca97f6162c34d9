'use client'
import { Trash2 } from 'lucide-react'
import type { ReactNode } from 'react'
import type { Facet } from '@/core/procedure/facet'
import { DRIVES, HOLDER_KINDS } from '@/core/procedure/holderKinds'
import { LATCHES } from '@/core/procedure/tether'
import type { KitHolder, KitPlug } from '@/core/shop/kitThings'
import { holderWords } from '@/words/items'
import { TextField } from '../forms/Field'
import type { KitEdited } from './KitRows'
import { MaybeNumber, NumberField, Pick, Select } from './kitFields'
import { WhenPicker, whenWords } from './WhenPicker'

const NONE = 'not said'

function Line({
  words,
  name,
  remove,
  children,
}: {
  words: string
  name: string
  remove: () => void
  children: ReactNode
}) {
  return (
    <div className="flex items-start gap-3 pl-6">
      <details className="min-w-0 flex-1">
        <summary className="min-h-8 cursor-pointer text-[16px]">{words}</summary>
        <div className="grid gap-3 pb-2 sm:grid-cols-2 lg:grid-cols-4">{children}</div>
      </details>
      <button
        type="button"
        className="grid size-8 place-items-center rounded hover:bg-tint"
        aria-label={`Remove ${name}`}
        onClick={remove}
      >
        <Trash2 size={15} aria-hidden />
      </button>
    </div>
  )
}

/** A group of fasteners of the kit, in one line; opened to be changed. */
export function FastenerRow({ kit, set, holder, facets }: KitEdited & { holder: KitHolder; facets: readonly Facet[] }) {
  const change = (more: Partial<KitHolder>) =>
    set({ holders: kit.holders.map((other) => (other.id === holder.id ? { ...holder, ...more } : other)) })
  const [drive] = holder.drives
  const named = { ...holder, howMany: 'counted' as const }
  const thread = holder.thread ? `M${holder.thread.diameterMm} × ${holder.thread.lengthMm}` : ''
  return (
    <Line
      words={[holderWords(named), thread, whenWords(facets, holder.when)].filter(Boolean).join(', ')}
      name={holderWords(named)}
      remove={() => set({ holders: kit.holders.filter(({ id }) => id !== holder.id) })}
    >
      <NumberField label="How many" value={holder.count} onChange={(count) => change({ count })} />
      <Select
        label="Kind"
        value={holder.kind}
        options={HOLDER_KINDS}
        onChange={(kind) => change({ kind: kind as KitHolder['kind'] })}
      />
      <Select
        label="Drive"
        value={drive?.drive ?? NONE}
        options={[NONE, ...DRIVES]}
        onChange={(value) =>
          change({
            drives: value === NONE ? [] : [{ size: '', seen: 0, ...drive, drive: value as (typeof DRIVES)[number] }],
          })
        }
      />
      <TextField
        label="Size"
        value={drive?.size ?? ''}
        disabled={!drive}
        onChange={(event) => drive && change({ drives: [{ ...drive, size: event.target.value }] })}
      />
      <MaybeNumber
        label="Thread M"
        step="0.1"
        value={holder.thread?.diameterMm ?? null}
        onChange={(diameterMm) =>
          change({
            thread: diameterMm
              ? { lengthMm: 8, pitchMm: null, greatestDepthMm: null, ...holder.thread, diameterMm }
              : null,
          })
        }
      />
      <MaybeNumber
        label="Length (mm)"
        value={holder.thread?.lengthMm ?? null}
        onChange={(lengthMm) => holder.thread && lengthMm && change({ thread: { ...holder.thread, lengthMm } })}
      />
      <TextField
        label="Told from others by"
        value={holder.tell}
        onChange={(event) => change({ tell: event.target.value })}
      />
      <WhenPicker facets={facets} when={holder.when} onChange={(when) => change({ when })} />
    </Line>
  )
}

/** A plug of the kit, in one line; opened to be changed. */
export function PlugRow({ kit, set, plug, facets }: KitEdited & { plug: KitPlug; facets: readonly Facet[] }) {
  const change = (more: Partial<KitPlug>) =>
    set({ plugs: kit.plugs.map((other) => (other.id === plug.id ? { ...plug, ...more } : other)) })
  return (
    <Line
      words={[`plug ${plug.name}`, plug.into && `into ${plug.into}`, plug.latch, whenWords(facets, plug.when)]
        .filter(Boolean)
        .join(', ')}
      name={`plug ${plug.name}`}
      remove={() => set({ plugs: kit.plugs.filter(({ id }) => id !== plug.id) })}
    >
      <TextField
        label="Plug"
        value={plug.name}
        maxLength={60}
        onChange={(event) => change({ name: event.target.value })}
      />
      <TextField label="Goes into" value={plug.into} onChange={(event) => change({ into: event.target.value })} />
      <Pick
        label="Locks by"
        value={plug.latch}
        options={LATCHES.map((latch) => [latch, latch])}
        empty={NONE}
        onChange={(latch) => change({ latch: latch as KitPlug['latch'] })}
      />
      <TextField
        label="Its lead passes through"
        value={plug.leadThrough}
        onChange={(event) => change({ leadThrough: event.target.value })}
      />
      <TextField
        label="Told from others by"
        value={plug.tell}
        onChange={(event) => change({ tell: event.target.value })}
      />
      <WhenPicker facets={facets} when={plug.when} onChange={(when) => change({ when })} />
    </Line>
  )
}
