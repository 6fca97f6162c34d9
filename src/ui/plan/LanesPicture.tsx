'use client'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { LaneStep, Lanes, LegLanes } from '@/core/plan/lanes/lanesOf'
import { pausesOf, type Pause } from '@/core/plan/lanes/pauses'
import type { Station } from '@/core/procedure/station'
import { isShared } from '@/core/plan/lanes/worthSharing'
import { stepWords } from '@/words/operations'
import { itemWords } from '@/words/items'
import { timeWords } from './PlanAnswer'

/** Pixels of a second: the shortest act, five seconds, still holds a line of text. */
const PX_PER_S = 3.6
/** A wait of everybody is drawn no longer than so many seconds are: there is nothing in it to see. */
const DRAWN_WAIT_S = 30

/** Who does what: each way as lanes side by side, time going down as the way in does. */
export function LanesPicture({ plan, lanes, starts }: { plan: PlanOnCards; lanes: Lanes; starts: readonly Station[] }) {
  return (
    <section aria-label="Who does what" className="mt-10 space-y-8 border-t-2 border-ink pt-4">
      <Leg
        plan={plan}
        title={plan.beforeS > 0 ? 'Bench and way in' : 'Way in'}
        leg={lanes.wayIn}
        aloneS={plan.beforeS + plan.wayInS}
        starts={starts}
        until="the battery has been off long enough"
      />
      {lanes.wayOut && (
        <Leg
          plan={plan}
          title="Work, tests and way out"
          leg={lanes.wayOut}
          aloneS={plan.bottomS + plan.wayOutS}
          starts={null}
          until="something has set"
        />
      )}
      <p className="text-[15px] text-second">
        One act at a time at a station, everybody with tools of their own unless the shop has one only. While the
        ignition is on nobody works at the vehicle.
      </p>
    </section>
  )
}

/** `until`: what everybody waits for, where everybody does. */
function Leg({
  plan,
  title,
  leg,
  aloneS,
  starts,
  until,
}: {
  plan: PlanOnCards
  title: string
  leg: LegLanes
  aloneS: number
  starts: readonly Station[] | null
  until: string
}) {
  const pauses = pausesOf(leg)
  const waits = pauses[0]!.filter(({ everybody }) => everybody)
  const pxAt = (atS: number) =>
    (atS -
      waits.reduce((cutS, { startS, endS }) => cutS + Math.max(0, Math.min(atS, endS) - startS - DRAWN_WAIT_S), 0)) *
    PX_PER_S
  if (!isShared(leg, aloneS))
    return (
      <p className="text-lg">
        <b>{title}:</b> {timeWords(aloneS)} alone. More hands gain hardly anything here, they would take turns at one
        place.
      </p>
    )
  return (
    <div>
      <h2 className="text-xl">
        {title} for {leg.lanes.length === 2 ? 'two' : 'three'}: <span className="num">{timeWords(leg.makespanS)}</span>
      </h2>
      <p className="mb-3 text-[15px]">
        Alone {timeWords(aloneS)}.{' '}
        {leg.proven
          ? 'Proven: nobody is done sooner with the settings changed in this order.'
          : `Not proven: ${timeWords(leg.boundS)} at least.`}
      </p>
      <div className="grid gap-4" style={{ gridTemplateColumns: `repeat(${leg.lanes.length}, minmax(0, 1fr))` }}>
        {leg.lanes.map((lane, person) => (
          <Lane
            key={person}
            plan={plan}
            lane={lane}
            name={`Person ${person + 1}${starts ? `, from ${starts[person]}` : ''}`}
            heightPx={pxAt(leg.makespanS)}
            pxAt={pxAt}
            pauses={pauses[person]!}
            until={until}
          />
        ))}
      </div>
    </div>
  )
}

type LaneProps = {
  plan: PlanOnCards
  lane: readonly LaneStep[]
  name: string
  heightPx: number
  pxAt: (atS: number) => number
  pauses: readonly Pause[]
  until: string
}

function Lane({ plan, lane, name, heightPx, pxAt, pauses, until }: LaneProps) {
  const rows = [...blocksOf(plan, lane), ...pauses].sort((a, b) => a.startS - b.startS)
  return (
    <div>
      <h3 className="border-b-2 border-ink pb-1 text-base">{name}</h3>
      <ol className="relative border-l-4 border-untravelled" style={{ height: heightPx }}>
        {rows.map((row) => {
          const top = pxAt(row.startS)
          const height = pxAt(row.endS) - top
          return 'keys' in row ? (
            <BlockRow key={row.keys[0]} block={row} top={top} height={height} />
          ) : (
            <PauseRow key={`pause ${row.startS}`} pause={row} until={until} top={top} height={height} />
          )
        })}
      </ol>
    </div>
  )
}

function BlockRow({ block, top, height }: { block: Block; top: number; height: number }) {
  return (
    <li
      className={`absolute left-0 right-0 flex gap-2 overflow-hidden border-l-8 px-2 leading-none ${block.setting ? 'border-ink bg-sheet' : 'border-petrol bg-tint'}`}
      style={{
        top,
        height: height - 1,
        alignItems: height < 30 ? 'center' : 'flex-start',
        paddingTop: height < 30 ? 0 : 2,
      }}
      title={block.words.join(', ')}
    >
      <span className="num w-10 shrink-0 text-right text-[13px] text-second">{Math.round(block.startS)}</span>
      <span className="min-w-0 text-[14px]">
        {block.name && <b className="whitespace-nowrap">{block.name}</b>}
        <span
          className={
            height < 30
              ? `${block.name ? 'ml-2' : ''} whitespace-nowrap text-[13px]`
              : `${height < 44 && block.name ? 'truncate leading-tight' : ''} block text-[13px]`
          }
        >
          {block.words.join(', ')}
        </span>
        {height >= 58 && <span className="mt-1 block text-[13px] text-second">{block.station}</span>}
      </span>
    </li>
  )
}

function PauseRow({
  pause: { startS, endS, everybody },
  until,
  top,
  height,
}: {
  pause: Pause
  until: string
  top: number
  height: number
}) {
  return (
    <li
      className={`absolute left-0 right-0 flex items-center px-3 text-[15px] ${everybody ? 'border-y-2 border-dashed border-untravelled font-semibold' : 'text-second'}`}
      style={{ top, height }}
    >
      {everybody
        ? `Everybody waits ${timeWords(endS - startS)} until ${until}`
        : `Free for ${timeWords(endS - startS)}`}
    </li>
  )
}

type Block = {
  name: string
  station: string
  startS: number
  endS: number
  words: string[]
  keys: string[]
  setting: boolean
  partId: string | null
}

/** Acts on the same part, or on settings, that follow without a pause, as one block. */
function blocksOf(plan: PlanOnCards, lane: readonly LaneStep[]): Block[] {
  const { model } = plan.removal
  const blocks: Block[] = []
  for (const step of lane) {
    const { operation } = step
    const words = `${stepWords(model, operation).title}${step.with === null ? '' : ` with person ${step.with + 1}`}`
    const last = blocks.at(-1)
    const alike =
      operation.partId !== null
        ? last?.partId === operation.partId
        : operation.setting !== null && last?.setting === true
    if (last && alike && last.station === step.station && Math.abs(last.endS - step.startS) < 0.5) {
      last.endS = step.endS
      last.words.push(words)
      last.keys.push(operation.key)
    } else
      blocks.push({
        name: operation.partId ? itemWords(model.document, operation.partId) : '',
        station: step.station,
        startS: step.startS,
        endS: step.endS,
        words: [words],
        keys: [operation.key],
        setting: operation.setting !== null,
        partId: operation.partId,
      })
  }
  return blocks
}
