'use client'
import { Plus, Trash2 } from 'lucide-react'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { Adapted, WayOutOrder } from '@/core/shop/kitFit'
import { ownerWords } from '@/words/items'
import { CheckList } from '../forms/CheckList'
import type { FitEdited } from './FitEndings'
import { Select, type Option } from './kitFields'
import { WhenPicker } from './WhenPicker'

/** Adapters that go into plugs of the vehicle, and what goes home before or after a piece of work. */
export function FitConnections(edited: FitEdited) {
  return (
    <>
      <Adapters {...edited} />
      <Orders {...edited} />
    </>
  )
}

function Adapters({ kit, fit, document, facets, change }: FitEdited) {
  const plugs = document.tethers
    .filter((tether) => !isAirbagCircuit(tether))
    .map((tether): Option => [tether.id, `${tether.name} of ${ownerWords(document, tether)}`])
  if (kit.parts.length === 0 || plugs.length === 0) return null
  return (
    <div className="py-2">
      <p className="text-[15px] font-semibold">An adapter goes into a plug of the vehicle</p>
      {fit.adapted.map((row, i) => {
        const set = (more: Partial<Adapted>) => change({ adapted: fit.adapted.with(i, { ...row, ...more }) })
        return (
          <div key={i} className="flex flex-wrap items-end gap-2 py-1">
            <Select label="Plug" value={row.tetherId} options={plugs} onChange={(tetherId) => set({ tetherId })} />
            <Select
              label="Goes into"
              value={row.partId}
              options={kit.parts.map(({ id, name }): Option => [id, name])}
              onChange={(partId) => set({ partId, plugIds: [] })}
            />
            <Remove name="this adapter" onClick={() => change({ adapted: fit.adapted.toSpliced(i, 1) })} />
            <CheckList
              className="basis-full"
              label="Its own plugs, where the vehicle’s went before"
              options={kit.plugs.filter(({ partId }) => partId === row.partId).map(({ id, name }) => [id, name])}
              chosen={row.plugIds}
              onChange={(plugIds) => set({ plugIds })}
              empty="It has none in the packing list."
            />
            <WhenPicker facets={facets} when={row.when} onChange={(when) => set({ when })} />
          </div>
        )
      })}
      <button
        type="button"
        className="desk-button mt-1"
        onClick={() =>
          change({ adapted: [...fit.adapted, Adapted.parse({ tetherId: plugs[0]![0], partId: kit.parts[0]!.id })] })
        }
      >
        <Plus size={16} aria-hidden /> Add an adapter
      </button>
    </div>
  )
}

function Orders({ kit, fit, document, facets, change }: FitEdited) {
  const works = kit.works.map(({ id, name }): Option => [id, name || 'unnamed work'])
  const parts = document.parts.map(({ id, name }): Option => [id, name])
  if (works.length === 0 || parts.length === 0) return null
  return (
    <div className="py-2">
      <p className="text-[15px] font-semibold">On the way out</p>
      {fit.wayOut.map((row, i) => {
        const set = (more: Partial<WayOutOrder>) => change({ wayOut: fit.wayOut.with(i, { ...row, ...more }) })
        return (
          <div key={i} className="flex flex-wrap items-end gap-2 py-1">
            <Select label="Work" value={row.workId} options={works} onChange={(workId) => set({ workId })} />
            <Select
              label="Is done"
              value={row.is}
              options={['before', 'after']}
              onChange={(is) => set({ is: is as WayOutOrder['is'] })}
            />
            <Select label="Goes home" value={row.partId} options={parts} onChange={(partId) => set({ partId })} />
            <Remove name="this order" onClick={() => change({ wayOut: fit.wayOut.toSpliced(i, 1) })} />
            <WhenPicker facets={facets} when={row.when} onChange={(when) => set({ when })} />
          </div>
        )
      })}
      <button
        type="button"
        className="desk-button mt-1"
        onClick={() =>
          change({
            wayOut: [...fit.wayOut, WayOutOrder.parse({ workId: works[0]![0], is: 'before', partId: parts[0]![0] })],
          })
        }
      >
        <Plus size={16} aria-hidden /> Add an order
      </button>
    </div>
  )
}

function Remove({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <button type="button" className="desk-button" aria-label={`Take ${name} away`} onClick={onClick}>
      <Trash2 size={16} aria-hidden />
    </button>
  )
}
