'use client'
import { Hourglass } from 'lucide-react'
import type { CSSProperties, ReactNode } from 'react'
import { wallMsOf } from '@/core/base/clock'
import { leaveGate } from '@/core/job/leaveGate'
import { wheelTagOf, type TagLine } from '@/core/job/wheelTag'
import { traysFor } from '@/core/plan/show/trays'
import { powerGate } from '@/core/vehicle/powerGate'
import { nameOf } from '../job/nameOf'
import { isPlanned, type JobData, type LiveJob } from '../job/useJob'
import { useAnyJob } from '../job/useAnyJob'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { ProductSign } from '../marks/Signs'
import { Tape } from '../marks/Tape'
import { itemWords, plural } from '@/words/items'
import { capital, settingTo } from '@/words/operations'
import { PaperPage } from './PaperPage'
import { QrCode } from './QrCode'
import { chosenDayWords, dateWords } from '@/words/dates'

/** The tag that hangs on the wheel of a vehicle that waits, from the live state: A5, read from a step away. */
export function WheelTag({ data, origin, printedAt }: { data: JobData; origin: string; printedAt: string }) {
  const job = useAnyJob(data)
  const gates = {
    power: powerGate(job.model, job.vehicle, job.circumstances),
    mayLeave: leaveGate(job.model, job.state, job.vehicle, job.circumstances, job.terms).allowed,
  }
  const tag = wheelTagOf(job.model, job.state, gates, isPlanned(job) ? traysFor(job.plan) : [])
  const { paused, history } = job.state
  const ask = nameOf(data, paused?.personId ?? history.at(-1)?.personId ?? data.acting.id)
  return (
    <PaperPage
      title="Wheel tag"
      hint="A5. It says how the vehicle stands now; the code shows it later."
      back={`/jobs/${data.id}`}
      size="A5"
    >
      <article className="w-[128mm] text-black" aria-label="Wheel tag" data-verdict={tag.verdict}>
        <header className="flex items-start justify-between">
          <ProductSign size={40} />
          <span className="flex items-center gap-2 text-[12px]">
            <svg width="15mm" height="15mm" viewBox="0 0 30 30" aria-hidden="true">
              <circle cx="15" cy="15" r="12" fill="none" stroke="#000" strokeDasharray="2 2" />
              <path d="M15 0v4M11 15h8M15 11v8" stroke="#000" strokeDasharray="none" />
            </svg>
            cut, hang on the wheel
          </span>
        </header>
        <div className="my-3 flex items-center gap-4">
          {tag.verdict === 'may be used' ? (
            <svg width="38mm" height="38mm" viewBox="0 0 40 40" role="img" aria-label="Yes">
              <circle cx="20" cy="20" r="17" fill="none" stroke="#000" strokeWidth="3.4" />
              <path d="m12 20 6 6 11-12" fill="none" stroke="#000" strokeWidth="4" />
            </svg>
          ) : (
            <svg
              width="38mm"
              height="38mm"
              viewBox="0 0 40 40"
              role="img"
              aria-label="No"
              style={{ printColorAdjust: 'exact' }}
            >
              <path d="M12 1h16l11 11v16L28 39H12L1 28V12Z" fill="#BC2018" stroke="#000" strokeWidth="0.6" />
              <text x="20" y="26" textAnchor="middle" fontSize="16" fontWeight="800" fill="#fff">
                NO
              </text>
            </svg>
          )}
          <h2 className="text-[13mm] font-extrabold leading-[1.02]">{tag.verdict.toUpperCase()}</h2>
        </div>
        <p
          className="flex items-baseline justify-between bg-black px-3 py-1 text-[9mm] font-bold leading-tight text-white"
          style={{ printColorAdjust: 'exact' }}
        >
          {data.vehicle.label.toUpperCase()} <span className="font-normal">{data.bay.toLowerCase()}</span>
        </p>
        <ul>
          {tag.lines.map((line, i) => (
            <li
              key={i}
              className="flex min-h-[14mm] items-center gap-4 border-b-2 border-black py-1 text-[7mm] font-bold leading-[1.05]"
              data-line={line.kind}
            >
              <Line line={line} job={job} />
            </li>
          ))}
          {tag.lines.length === 0 && (
            <li className="border-b-2 border-black py-2 text-[7mm] font-bold">Nothing is open</li>
          )}
        </ul>
        <footer className="mt-3 flex items-end justify-between gap-4">
          <div>
            <p className="text-[11mm] font-extrabold leading-none">Ask {ask}</p>
            {paused && (
              <p className="text-[6mm]">since {dateWords(wallMsOf(paused.at), 'moment', data.house.timeZone)}</p>
            )}
            <p className="mt-1 text-[12px]">State as printed {printedAt}. The code shows it now.</p>
          </div>
          <QrCode text={`${origin}/jobs/${data.id}/tag`} sizeMm={30} label="Code: how the vehicle stands now" />
        </footer>
      </article>
    </PaperPage>
  )
}

function Line({ line, job }: { line: TagLine; job: LiveJob }): ReactNode {
  const name = (id: string) => itemWords(job.document, id)
  const tether = (id: string) => job.document.tethers.find((item) => item.id === id)!
  switch (line.kind) {
    case 'airbag open':
      return (
        <>
          <PlugMark tether={tether(line.tetherIds[0]!)} size={48} /> {capital(line.tetherIds.map(name).join(', '))} open
        </>
      )
    case 'setting':
      return (
        <>
          <span className="w-12" /> {capital(settingTo(name(line.settingId), line.value))}
        </>
      )
    case 'plugs open':
      return (
        <>
          <PlugMark tether={tether(line.tetherIds[0]!)} size={48} /> {line.tetherIds.length}{' '}
          {plural('plug', line.tetherIds.length)} open
          {line.tetherIds.length <= 2 ? `: ${line.tetherIds.map(name).join(', ')}` : ''}
        </>
      )
    case 'parts out':
      return (
        <>
          <span style={{ '--ground': '#fff' } as CSSProperties}>
            <LevelMark level="off" size={46} />
          </span>{' '}
          {line.partIds.length} {plural('panel', line.partIds.length)} out
          {line.partIds.length <= 2 ? `: ${line.partIds.map(name).join(', ')}` : ''}
        </>
      )
    case 'fasteners':
      return (
        <>
          <span className="num w-12 text-center">{line.count}</span> {plural('fastener', line.count)} in tray{' '}
          <Tape label={line.tray} size="l" />
        </>
      )
    case 'waits':
      return (
        <>
          <Hourglass size={46} aria-hidden className="shrink-0" />
          <span>
            Waits: {line.reason}
            {line.until && <span className="font-normal">, until {chosenDayWords(line.until)}</span>}
          </span>
        </>
      )
  }
}
