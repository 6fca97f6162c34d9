import { intoView } from '../shell/intoView'
import { memo, type ReactNode } from 'react'
import type { LaneState, URow } from '@/core/job/uRows'
import { countedIn } from '@/core/order/operation'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { itemNameIn } from '@/words/modelNames'
import { LevelMark } from '../marks/LevelMark'
import { Tape } from '../marks/Tape'
import { Bottom, Counts } from './JobUBottom'
import type { Size, UProps } from './uProps'

const RAIL: Record<Size, string> = { bay: 'w-3', desk: 'w-2', small: 'w-2' }

/**
 * The job as a U: the way in goes down on the left, the way out comes up on the right, each row one thing. Solid is
 * travelled, hollow to come; what is out ends in a gap, what is back runs through to a tick. A list for a screen
 * reader.
 */
export const JobU = memo(function JobU({
  model,
  rows,
  bottom,
  trayOf,
  size = 'bay',
  seconds = false,
  extra,
  label = 'Way in and way out',
  middle,
}: UProps) {
  const bottomTravelled = bottom.reached
  const begunOut = rows.some((row) => row.wayOut !== 'to come')
  return (
    <div className="relative">
      <div className={`mb-1 flex justify-between font-bold ${size === 'bay' ? 'text-[17px]' : 'text-[15px]'}`}>
        <span aria-hidden="true">↓ Way in</span>
        {middle && <span className="font-normal text-second">{middle}</span>}
        <span aria-hidden="true">Way out ↑</span>
      </div>
      <ol aria-label={label}>
        {rows.map((row, index) => (
          <Row
            key={row.id}
            model={model}
            row={row}
            size={size}
            seconds={seconds}
            trayOf={trayOf}
            next={rows[index + 1] ?? null}
            previous={rows[index - 1] ?? null}
            begunOut={begunOut}
          >
            {extra?.(row)}
          </Row>
        ))}
      </ol>
      <Bottom bottom={bottom} size={size} inTravelled={bottomTravelled} outTravelled={begunOut} />
    </div>
  )
})

function Row({
  model,
  row,
  size,
  seconds,
  trayOf,
  children,
  begunOut,
  next,
  previous,
}: {
  model: ProcedureForBuild
  row: URow
  size: Size
  seconds: boolean
  trayOf?: UProps['trayOf']
  children?: ReactNode
  begunOut: boolean
  next: URow | null
  previous: URow | null
}) {
  const current = row.wayIn === 'current' || row.wayOut === 'current'
  const bay = size === 'bay'
  const name = itemNameIn(model, row.id)
  const trays = [
    ...new Set(
      row.inCards.flatMap((card) =>
        card.steps.flatMap((step) => countedIn(step.operation).flatMap((id) => trayOf?.(id) ?? [])),
      ),
    ),
  ]
  const travelled = (lane: LaneState) => lane === 'done' || lane === 'planned'
  const outTravelled = (r: URow | null) => r === null || travelled(r.wayOut)
  return (
    <li
      ref={current && bay ? intoView : undefined}
      className={`relative grid grid-cols-[auto_1fr_auto] items-stretch ${current && bay ? 'on-sign -mx-4 px-4' : ''}`}
    >
      <Lane
        state={row.wayIn}
        size={size}
        before={previous === null || travelled(previous.wayIn)}
        after={travelled(row.wayIn)}
      >
        <span className={laneInk(row.wayIn)}>
          <InMark row={row} size={size} current={current} />
        </span>
      </Lane>
      <div className={`min-w-0 pl-3 ${bay ? 'py-1.5' : 'py-2'} ${size === 'small' ? 'text-[15px]' : ''}`}>
        <div className="flex items-center gap-2">
          <span
            className={`${bay ? (current ? 'text-[27px] leading-tight' : 'text-[21px] leading-tight') : 'text-base'} ${current || bay ? 'font-bold' : 'font-semibold'}`}
          >
            {name}
            <span className="sr-only">{spoken(row)}</span>
          </span>
          {seconds && <span className="num text-sm text-second">{row.secondsIn} s</span>}
          <Leader row={row} trays={trays} size={size} />
          {seconds && row.outCards.length > 0 && <span className="num text-sm text-second">{row.secondsOut} s</span>}
        </div>
        {size !== 'small' && <Counts model={model} row={row} size={size} />}
        {row.backAfter && row.wayOut !== 'done' && size === 'desk' && (
          <p className="text-sm text-second">back after {itemNameIn(model, row.backAfter)}</p>
        )}
        {children}
      </div>
      <Lane
        state={row.wayOut}
        size={size}
        before={outTravelled(row) && begunOut}
        after={begunOut && outTravelled(next ?? row) && (next === null || travelled(next.wayOut))}
        absent={row.outCards.length === 0}
      >
        <span className={laneInk(row.wayOut)}>
          <OutMark row={row} size={size} />
        </span>
      </Lane>
    </li>
  )
}

/** How far a thing is on the way in, or how far it will go. */
function InMark({ row, size, current }: { row: URow; size: Size; current: boolean }) {
  const bay = size === 'bay'
  if (row.thing === 'setting') return <SettingMark size={current && bay ? 30 : bay ? 26 : 20} />
  const isAhead = row.wayIn === 'current' || row.wayIn === 'planned'
  const went = row.level === 'in place' && !isAhead ? 'off' : row.level
  return <LevelMark level={row.wayIn === 'to come' ? 'in place' : went} size={current && bay ? 36 : bay ? 28 : 22} />
}

function laneInk(state: LaneState): string {
  return state === 'to come' ? 'text-untravelled' : 'text-ink'
}

/** A piece of rail behind a mark: the half above it and the half below it are travelled or to come. */
function Lane({
  size,
  before,
  after,
  children,
  absent = false,
}: {
  state: LaneState
  size: Size
  before: boolean
  after: boolean
  children: ReactNode
  absent?: boolean
}) {
  const piece = (solid: boolean, place: string) => (
    <span
      aria-hidden="true"
      className={`absolute left-1/2 -translate-x-1/2 ${place} ${RAIL[size]} ${solid ? 'bg-petrol' : 'hollow'}`}
    />
  )
  return (
    <div
      className={`relative flex ${size === 'bay' ? 'w-10' : 'w-8'} items-start justify-center ${size === 'bay' ? 'pt-1' : 'pt-2'}`}
      aria-hidden="true"
    >
      {piece(before, 'top-0 h-5')}
      {piece(after, 'top-5 bottom-0')}
      <span className="relative">{absent ? null : children}</span>
    </div>
  )
}

/**
 * From a name to its way back: a short bar before it is reached, a gap while it is out, through to the tick once it is
 * back.
 */
function Leader({ row, trays, size }: { row: URow; trays: string[]; size: Size }) {
  const line = <span className={`h-[3px] min-w-2 flex-1 ${row.wayOut === 'done' ? 'bg-closed' : 'bg-ink'}`} />
  if (!row.isOut && row.wayOut !== 'done') return <span className="flex-1" />
  return (
    <span aria-hidden="true" className="flex min-w-8 flex-1 items-center">
      {line}
      {row.isOut &&
        trays.slice(0, 2).map((label) => <Tape key={label} label={label} size={size === 'bay' ? 'm' : 's'} />)}
      {row.isOut ? <span className="mr-2 h-4 w-[3px] bg-ink" /> : <span className="h-[3px] w-2 bg-closed" />}
    </span>
  )
}

function OutMark({ row, size }: { row: URow; size: Size }) {
  const px = size === 'bay' ? 28 : 22
  if (row.wayOut === 'done')
    return (
      <svg width={px} height={px} viewBox="0 0 24 24">
        <circle cx="12" cy="12" r="11" fill="var(--closed)" />
        <path
          d="m6.5 12.4 3.8 3.8L17.6 8.6"
          fill="none"
          stroke="var(--ground)"
          strokeWidth="3"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </svg>
    )
  if (row.wayOut === 'planned') return <LevelMark level="in place" size={px} />
  if (row.isOut || row.wayOut === 'current')
    return <LevelMark level="off" size={row.wayOut === 'current' ? px + 6 : px} />
  return (
    <svg width={px} height={px} viewBox="0 0 24 24">
      <path d="M4 12h16" stroke="currentColor" strokeWidth="3" />
    </svg>
  )
}

function SettingMark({ size }: { size: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24">
      <path d="M12 2 22 12 12 22 2 12Z" fill="var(--ground)" stroke="currentColor" strokeWidth="3" />
    </svg>
  )
}

function spoken(row: URow): string {
  const out =
    row.wayOut === 'planned'
      ? 'planned'
      : row.wayOut === 'done'
        ? 'back'
        : row.isOut
          ? 'out, not back'
          : row.wayIn === 'current'
            ? 'now, way in'
            : row.wayOut === 'current'
              ? 'now, way out'
              : row.wayIn === 'done'
                ? 'done'
                : 'to come'
  return `, ${out}`
}
