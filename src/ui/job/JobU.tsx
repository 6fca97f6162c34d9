import { intoView } from '../shell/intoView'
import { memo, type ReactNode } from 'react'
import type { BottomItem, LaneState, URow } from '@/core/job/uRows'
import { countedIn } from '@/core/order/operation'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { hiddenWords, settingTo } from '@/words/operations'
import { itemNameIn } from '@/words/modelNames'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { Tape } from '../marks/Tape'

type Size = 'bay' | 'desk' | 'small'
export type UProps = {
  model: ProcedureForBuild
  rows: readonly URow[]
  /**
   * What lies at the bottom: the cavities, the work done there (squares), and what is tested before it is hidden
   * (diamonds).
   */
  bottom: { goals: string[]; works: readonly BottomItem[]; tests: readonly BottomItem[]; reached: boolean }
  trayOf?: (holderId: string) => string | undefined
  size?: Size
  seconds?: boolean
  extra?: (row: URow) => ReactNode
  label?: string
  /** Said between the two heads: how much is out and back. */
  middle?: string
}

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
          {row.thing === 'setting' ? (
            <SettingMark size={current && bay ? 30 : bay ? 26 : 20} />
          ) : (
            <LevelMark
              level={
                row.wayIn === 'to come'
                  ? 'in place'
                  : row.wayIn === 'current' || row.wayIn === 'planned'
                    ? row.level
                    : row.level === 'in place'
                      ? 'off'
                      : row.level
              }
              size={current && bay ? 36 : bay ? 28 : 22}
            />
          )}
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

/** The groups and plugs of a row, as marks with their counts. */
function Counts({ model, row, size }: { model: ProcedureForBuild; row: URow; size: Size }) {
  const steps = row.inCards.flatMap((card) => card.steps)
  const px = size === 'bay' ? 20 : 18
  const marks = steps.flatMap((step) => {
    const { act, itemId, key } = step.operation
    const groups = countedIn(step.operation).map((id) => {
      const holder = model.holders.get(id)!
      return (
        <Count
          key={`${key} ${id}`}
          n={holder.count}
          mark={<FastenerMark shape={shapeOf(holder)} hidden={hiddenWords(model, id) !== ''} size={px} />}
        />
      )
    })
    return groups.length > 0
      ? groups
      : act === 'open'
        ? [<Count key={key} n={1} mark={<PlugMark tether={model.tethers.get(itemId)!} size={px + 2} />} />]
        : []
  })
  const part = model.parts.get(row.id)
  const rest =
    part && row.inCards.length > 0 && !steps.some((step) => step.operation.act === 'lift') ? part.rests[0]?.how : null
  const how =
    row.thing === 'setting'
      ? steps
          .map(({ operation }) => settingTo(model.settings.get(operation.itemId)!.name, operation.setting!.to))
          .join(', ')
      : rest
  if (marks.length === 0 && !how) return null
  return (
    <div
      className={`flex flex-wrap items-center gap-x-3 ${size === 'bay' ? 'text-[17px]' : 'text-[15px]'}`}
      aria-hidden="true"
    >
      {marks}
      {how && <span className="text-second">{how}</span>}
    </div>
  )
}

function Count({ n, mark }: { n: number; mark: ReactNode }) {
  return (
    <span className="inline-flex items-center gap-1">
      {mark}
      <span className="num">{n}</span>
    </span>
  )
}

function Bottom({
  bottom,
  size,
  inTravelled,
  outTravelled,
}: {
  bottom: UProps['bottom']
  size: Size
  inTravelled: boolean
  outTravelled: boolean
}) {
  const bay = size === 'bay'
  const half = (side: 'left' | 'right', solid: boolean) => {
    const px = bay ? 12 : 8
    const edge = side === 'left' ? 'left-0 rounded-bl-[40px]' : 'right-0 rounded-br-[40px]'
    const inner = side === 'left' ? 'rounded-bl-[30px]' : 'rounded-br-[30px]'
    return (
      <span
        aria-hidden="true"
        className={`absolute top-0 bottom-2 w-1/2 ${edge} ${solid ? 'bg-petrol' : 'bg-untravelled'}`}
        style={{ [side]: bay ? 14 : 12, width: `calc(50% - ${bay ? 14 : 12}px)` }}
      >
        <span
          className={`absolute inset-0 bg-ground ${inner}`}
          style={side === 'left' ? { left: px, bottom: px } : { right: px, bottom: px }}
        />
        {!solid && (
          <span
            className={`absolute bg-ground ${edge}`}
            style={
              side === 'left' ? { left: 2, bottom: 2, top: 0, right: 0 } : { right: 2, bottom: 2, top: 0, left: 0 }
            }
          />
        )}
        {!solid && (
          <span
            className={`absolute bg-untravelled ${inner}`}
            style={
              side === 'left'
                ? { left: px - 2, bottom: px - 2, top: 0, right: 0 }
                : { right: px - 2, bottom: px - 2, top: 0, left: 0 }
            }
          />
        )}
        {!solid && (
          <span
            className={`absolute bg-ground ${inner}`}
            style={
              side === 'left' ? { left: px, bottom: px, top: 0, right: 0 } : { right: px, bottom: px, top: 0, left: 0 }
            }
          />
        )}
      </span>
    )
  }
  return (
    <div className="relative">
      {half('left', inTravelled)}
      {half('right', outTravelled)}
      <div className={`relative px-12 text-center ${bay ? 'pb-8 pt-1 text-[19px]' : 'pb-8 pt-1 text-[15px]'}`}>
        <span className="font-bold">{bottom.goals.join(', ')}</span>
        <BottomList title="work" items={bottom.works} bay={bay} />
        <BottomList title="test" items={bottom.tests} bay={bay} />
      </div>
      <div className="absolute inset-x-0 bottom-0 flex justify-center gap-5" aria-hidden="true">
        {bottom.works.length === 0 && (
          <span
            className={`border-[3px] border-ink ${bay ? 'size-6' : 'size-5'} ${inTravelled ? 'bg-ink' : 'bg-ground'}`}
          />
        )}
        {bottom.works.slice(0, 8).map((item, i) => (
          <span
            key={`w${i}`}
            className={`border-[3px] border-ink ${bay ? 'size-6' : 'size-5'} ${item.done ? 'bg-ink' : 'bg-ground'}`}
          />
        ))}
        {bottom.tests.slice(0, 8).map((item, i) => (
          <span
            key={`t${i}`}
            className={`rotate-45 border-[3px] border-ink ${bay ? 'size-5' : 'size-4'} ${item.done ? 'bg-ink' : 'bg-ground'}`}
          />
        ))}
      </div>
    </div>
  )
}

function BottomList({ title, items, bay }: { title: string; items: readonly BottomItem[]; bay: boolean }) {
  if (items.length === 0) return null
  return (
    <span className={`block text-second ${bay ? 'text-[16px]' : 'text-sm'}`}>
      {title}:{' '}
      {items.map((item, i) => (
        <span key={i}>
          {i > 0 && ', '}
          <span className={item.done ? 'line-through' : ''}>{item.words}</span>
          {item.done && <span className="sr-only"> done</span>}
        </span>
      ))}
    </span>
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
