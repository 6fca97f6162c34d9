'use client'
import { STATIONS } from '@/core/procedure/stations'
import { wallMsOf } from '@/core/base/clock'
import type { StripRow } from '@/core/strip/stripRows'
import { SettingsNow } from '../job/SettingsNow'
import type { JobData } from '../job/useJob'
import { StandAt } from './StandAt'
import { StripRail } from './StripRail'
import type { LiveStrip } from './useStrip'

/** The way apart so far, where somebody stands, and what is still asked. */
export function StripAside({
  data,
  strip,
  rows,
  questions,
  onSheet,
}: {
  data: JobData
  strip: LiveStrip
  rows: StripRow[]
  questions: number
  onSheet: (sheet: StripRow | 'questions' | 'back') => void
}) {
  const { job } = strip
  const first = job.state.history[0]
  const minutes = first ? Math.max(0, Math.round((job.nowMs - wallMsOf(first.at)) / 60_000)) : 0
  const facts = job.state.history.reduce((sum, { what }) => sum + (what.kind === 'stated' ? what.edits.length : 0), 0)
  return (
    <aside className="order-2 flex min-h-0 flex-col px-4 pb-4 lg:order-1" aria-label="The strip so far">
      <p className="flex justify-between gap-3 pb-1 text-[17px] font-bold">
        As it came apart
        <span className="font-normal text-second">
          <span className="num">{minutes}</span> min, <span className="num">{facts}</span>{' '}
          {facts === 1 ? 'fact' : 'facts'}
        </span>
      </p>
      <StandAt
        station={strip.station}
        stations={[...STATIONS, ...data.house.stations.map(({ name }) => name)]}
        onStand={strip.standAt}
      />
      <div
        className="-mx-4 min-h-0 flex-1 overflow-y-auto px-4"
        tabIndex={0}
        role="group"
        aria-label="The way apart, scrolls"
      >
        <StripRail document={job.document} rows={rows} inHand={strip.inHand} onPick={onSheet} />
      </div>
      <SettingsNow settings={job.document.settings} state={job.state} className="grid grid-cols-3" />
      <div className="mt-2 grid grid-cols-2 gap-2">
        <button type="button" className="ghost text-lg" onClick={() => onSheet('questions')} disabled={questions === 0}>
          {questions === 0 ? 'No question' : `${questions} ${questions === 1 ? 'question' : 'questions'}`}
        </button>
        <button type="button" className="ghost text-lg" onClick={() => onSheet('back')} disabled={rows.length === 0}>
          Put it back
        </button>
      </div>
    </aside>
  )
}
