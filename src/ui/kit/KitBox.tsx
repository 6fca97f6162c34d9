'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { newId } from '@/client/newId'
import type { Facet } from '@/core/procedure/facet'
import type { Kit } from '@/core/shop/kit'
import { KitHolder, KitPlug, type KitPart } from '@/core/shop/kitThings'
import { readKitLines } from '@/core/shorthand/kitLine'
import { TextField } from '../forms/Field'
import { FastenerRow, PlugRow } from './KitThingRows'
import type { KitEdited } from './KitRows'
import { MaybeNumber, Yes } from './kitFields'
import { WhenPicker, whenWords } from './WhenPicker'

const COLUMNS = 'grid-cols-[5rem_minmax(8rem,2fr)_minmax(6rem,1fr)_7rem]'
const EXAMPLE = 'Display: 4 PH2 M3x8, 6 clips\n2 x bracket: 2 PH2 each\nGPS antenna'

/** What is in the box: parts, with what holds them and what they are plugged with. */
export function KitBox({ kit, set, facets }: KitEdited & { facets: readonly Facet[] }) {
  return (
    <section id="box">
      <h2 className="border-b-2 border-ink pb-1 text-xl">In the box</h2>
      {kit.parts.length === 0 && (
        <p className="py-2 text-second">
          Nothing yet. Type the packing list below, a line each, or add parts one by one.
        </p>
      )}
      {kit.parts.length > 0 && (
        <div aria-hidden="true" className={`grid gap-x-3 pr-[60px] pt-2 text-[15px] font-semibold ${COLUMNS}`}>
          <span>Pieces</span>
          <span>Part</span>
          <span>Number</span>
          <span>Price of one</span>
        </div>
      )}
      <ul>
        {kit.parts.map((part, i) => (
          <PartEntry
            key={part.id}
            kit={kit}
            part={part}
            facets={facets}
            set={set}
            change={(more) => set({ parts: kit.parts.with(i, { ...part, ...more }) })}
          />
        ))}
      </ul>
      <PackingList kit={kit} set={set} />
    </section>
  )
}

/** Several at a time: a line each, read as a crew writes them. What is unclear stays, with what is unclear in it. */
function PackingList({ kit, set }: KitEdited) {
  const [text, setText] = useState('')
  const [unclear, setUnclear] = useState('')
  const take = () => {
    const { parts, holders, plugs, kept } = readKitLines(text, newId)
    set({
      parts: [...kit.parts, ...parts],
      holders: [...kit.holders, ...holders],
      plugs: [...kit.plugs, ...plugs],
    })
    setText(kept.map(({ line }) => line).join('\n'))
    setUnclear(kept.map((item) => `In “${item.line}”: ${item.unclear.join(', ')}.`).join(' '))
  }
  return (
    <div className="mt-3">
      <label className="block">
        <span className="mb-0.5 block text-[15px] font-semibold">Type what is in it, a line each</span>
        <textarea
          className="field num min-h-24"
          rows={Math.min(12, Math.max(3, text.split('\n').length))}
          placeholder={EXAMPLE}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {unclear !== '' && (
        <p role="alert" className="mt-1 font-semibold">
          Not clear, and left as it was typed. {unclear} Say it otherwise, or add it by the buttons.
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="desk-button main" disabled={text.trim() === ''} onClick={take}>
          <Plus size={16} aria-hidden /> Add these
        </button>
        <button
          type="button"
          className="desk-button"
          onClick={() => set({ parts: [...kit.parts, { ...blankPart(), id: newId('part') }] })}
        >
          <Plus size={16} aria-hidden /> Add a part
        </button>
      </div>
    </div>
  )
}

function blankPart(): KitPart {
  return {
    ...{ id: '', name: '', synonyms: [], persons: 1, massKg: null, brittle: false, painted: false, note: '', when: {} },
    ...{ count: 1, photoId: null },
    supply: { partNumber: '', priceMinor: null, supplierDays: null, place: '', consumable: false },
  }
}

/** Everything of a part, and what goes with it when it goes. */
function without(kit: Kit, partId: string): Partial<Kit> {
  return {
    parts: kit.parts.filter(({ id }) => id !== partId),
    holders: kit.holders.filter(({ holds }) => !(holds.length > 0 && holds.every((id) => id === partId))),
    plugs: kit.plugs.filter((plug) => plug.partId !== partId),
  }
}

function PartEntry({
  kit,
  part,
  facets,
  set,
  change,
}: KitEdited & { part: KitPart; facets: readonly Facet[]; change: (more: Partial<KitPart>) => void }) {
  const holders = kit.holders.filter(({ holds }) => holds[0] === part.id)
  const plugs = kit.plugs.filter(({ partId }) => partId === part.id)
  const supply = (more: Partial<KitPart['supply']>) => change({ supply: { ...part.supply, ...more } })
  return (
    <li className="border-b border-hair py-2" data-thing={part.id}>
      <div className="flex items-start gap-3">
        <div className={`grid min-w-0 flex-1 gap-x-3 ${COLUMNS}`}>
          <input
            className="field num"
            type="number"
            min={1}
            aria-label="Pieces"
            value={Number.isNaN(part.count) ? '' : part.count}
            onChange={(event) => change({ count: event.target.valueAsNumber })}
          />
          <input
            className="field"
            aria-label="Part"
            value={part.name}
            maxLength={80}
            onChange={(event) => change({ name: event.target.value })}
          />
          <input
            className="field"
            aria-label="Number"
            value={part.supply.partNumber}
            maxLength={40}
            onChange={(event) => supply({ partNumber: event.target.value })}
          />
          <input
            className="field num"
            type="number"
            min={0}
            step="0.01"
            aria-label="Price of one"
            value={part.supply.priceMinor === null ? '' : part.supply.priceMinor / 100}
            onChange={(event) => {
              const price = event.target.valueAsNumber
              supply({ priceMinor: Number.isNaN(price) ? null : Math.round(price * 100) })
            }}
          />
        </div>
        <button
          type="button"
          className="desk-button"
          aria-label={`Remove ${part.name || 'this part'}`}
          onClick={() => set(without(kit, part.id))}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
      {holders.map((holder) => (
        <FastenerRow key={holder.id} kit={kit} set={set} holder={holder} facets={facets} />
      ))}
      {plugs.map((plug) => (
        <PlugRow key={plug.id} kit={kit} set={set} plug={plug} facets={facets} />
      ))}
      <details className="pl-6">
        <summary className="min-h-8 cursor-pointer text-[15px] text-second">
          {[
            whenWords(facets, part.when),
            part.supply.consumable && 'used up',
            part.supply.place && `in ${part.supply.place}`,
          ]
            .filter(Boolean)
            .join(', ') || 'more of it'}
        </summary>
        <div className="grid gap-3 pb-2 sm:grid-cols-2 lg:grid-cols-4">
          <TextField
            label="Where it lies"
            value={part.supply.place}
            onChange={(event) => supply({ place: event.target.value })}
          />
          <MaybeNumber
            label="Supplier takes (days)"
            value={part.supply.supplierDays}
            onChange={(supplierDays) => supply({ supplierDays })}
          />
          <span className="self-end">
            <Yes
              label="used up (tape, cleaner)"
              value={part.supply.consumable}
              onChange={(consumable) => supply({ consumable })}
            />
          </span>
          <TextField label="Note" value={part.note} onChange={(event) => change({ note: event.target.value })} />
          <WhenPicker facets={facets} when={part.when} onChange={(when) => change({ when })} />
        </div>
        <div className="flex flex-wrap gap-2 pb-2">
          <button
            type="button"
            className="desk-button"
            onClick={() =>
              set({
                holders: [
                  ...kit.holders,
                  KitHolder.parse({
                    ...{ id: newId('holder'), kind: 'machine screw', count: 4, holds: [part.id] },
                    drives: [{ drive: 'cross', size: 'PH2' }],
                  }),
                ],
              })
            }
          >
            <Plus size={16} aria-hidden /> Fasteners of it
          </button>
          <button
            type="button"
            className="desk-button"
            onClick={() =>
              set({ plugs: [...kit.plugs, KitPlug.parse({ id: newId('plug'), name: 'main', partId: part.id })] })
            }
          >
            <Plus size={16} aria-hidden /> A plug of it
          </button>
        </div>
      </details>
    </li>
  )
}
