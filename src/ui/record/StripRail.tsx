'use client'
import { useEffect, useRef } from 'react'
import type { StripRow } from '@/core/strip/stripRows'
import type { ProcedureDocument } from '@/core/procedure/document'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { intoView } from '../shell/intoView'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { holderWords, itemWords } from '@/words/items'

const LEVEL_WORDS = { 'in place': 'still in place', eased: 'eased', free: 'free', off: 'off' } as const

/** The way apart as a rail: parts on it, loose ends as stubs beside it, and what comes next still open. */
export function StripRail({
  document,
  rows,
  inHand,
  onPick,
}: {
  document: ProcedureDocument
  rows: readonly StripRow[]
  inHand: string | null
  onPick: (row: StripRow) => void
}) {
  const end = useRef<HTMLLIElement>(null)
  useEffect(() => {
    intoView(end.current)
  }, [rows.length])
  return (
    <ol aria-label="As it came apart" className="relative">
      <span aria-hidden="true" className="absolute bottom-6 left-[18px] top-3 w-3 rounded bg-petrol" />
      {rows.map((row, at) => (
        <li key={`${row.kind}-${row.id}-${at}`}>
          <button
            type="button"
            onClick={() => onPick(row)}
            data-row={`${row.kind}:${row.id}`}
            className={`relative -mx-4 flex min-h-14 w-[calc(100%+2rem)] items-center gap-3 px-4 py-1.5 text-left ${row.kind === 'part' && row.id === inHand ? 'on-sign' : 'hover:bg-sheet'}`}
          >
            {row.kind === 'part' ? (
              <PartRow row={row} document={document} current={row.id === inHand} />
            ) : (
              <Stub row={row} document={document} />
            )}
          </button>
        </li>
      ))}
      <li ref={end} className="relative flex min-h-12 items-center gap-3">
        <span
          aria-hidden="true"
          className="ml-2.5 size-7 shrink-0 rounded-full border-[3px] border-dashed border-untravelled bg-ground"
        />
        <span className="text-lg text-second">{rows.length === 0 ? 'what comes off first?' : 'what next?'}</span>
      </li>
    </ol>
  )
}

function PartRow({
  row,
  document,
  current,
}: {
  row: Extract<StripRow, { kind: 'part' }>
  document: ProcedureDocument
  current: boolean
}) {
  const part = document.parts.find((item) => item.id === row.id)
  const rest = part?.rests.find((item) => item.level === 'free')?.how
  return (
    <>
      <span className="ml-2 grid size-8 shrink-0 place-items-center rounded-full bg-ground">
        <LevelMark level={row.level} size={30} />
      </span>
      <span className="min-w-0 flex-1">
        <span className={`block truncate font-bold leading-tight ${current ? 'text-2xl' : 'text-[21px]'}`}>
          {part?.name}
        </span>
        <span className="flex flex-wrap items-center gap-x-2 text-[15px] text-second">
          {row.holders.map((holder) => (
            <span key={holder.id} className="inline-flex items-center gap-1">
              <FastenerMark shape={shapeOf(holder)} size={17} />
              <span className="num text-ink">{holder.count}</span>
            </span>
          ))}
          {row.tethers.map((tether) => (
            <span
              key={tether.id}
              className={`inline-flex items-center ${isAirbagCircuit(tether) ? 'text-airbag' : ''}`}
            >
              <PlugMark tether={tether} size={19} />
              <span className="sr-only">{tether.name} open</span>
            </span>
          ))}
          <span>
            {row.alreadyOff
              ? 'was already off'
              : row.level === 'free' && rest
                ? rest
                : row.holders.length === 0 && row.level !== 'in place' && part?.fixing === 'fastened'
                  ? 'holders not settled'
                  : LEVEL_WORDS[row.level]}
          </span>
          {row.orderless && <span>order means nothing</span>}
        </span>
      </span>
    </>
  )
}

/** A loose end, or a setting that was moved. */
function Stub({ row, document }: { row: Exclude<StripRow, { kind: 'part' }>; document: ProcedureDocument }) {
  return (
    <>
      <span aria-hidden="true" className="ml-6 flex w-12 shrink-0 items-center">
        <span className={`h-1.5 flex-1 ${row.kind === 'setting' ? '' : 'bg-petrol'}`} />
        {row.kind !== 'setting' && <span className="h-5 w-1.5 bg-petrol" />}
      </span>
      {row.kind === 'holder' && <FastenerMark shape={shapeOf(row.holder)} size={26} />}
      {row.kind === 'tether' && <PlugMark tether={row.tether} size={28} />}
      <span className="min-w-0 flex-1 truncate text-[19px]">
        {row.kind === 'holder'
          ? holderWords(row.holder)
          : row.kind === 'tether'
            ? `${row.tether.name} plug`
            : `${itemWords(document, row.id)} ${row.value}`}
        {row.kind !== 'setting' && <span className="block text-[15px] text-second">loose end</span>}
      </span>
    </>
  )
}
