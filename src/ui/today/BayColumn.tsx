import { Hourglass, RotateCcw, ShoppingBasket } from 'lucide-react'
import Link from 'next/link'
import { JobU } from '../job/JobU'
import { MayRing, StopSign } from '../marks/Signs'
import { Tape } from '../marks/Tape'
import { PlugMark } from '../marks/PlugMark'
import { FastenerMark } from '../marks/FastenerMark'
import type { BayJob } from './bayJob'
import { chosenDayWords, dateWords, isSameDay, type Zone } from '@/words/dates'

const MOST_OPEN = 3
const MOST_ROWS = 8

/** A job hanging from the ground line: its small U, and beneath it what is still open. */
export function BayColumn({ job, current, zone }: { job: BayJob; current: boolean; zone: Zone }) {
  const rows = job.rows.length > MOST_ROWS ? around(job.rows) : job.rows
  return (
    <section aria-label={`${job.label}: ${job.title}`} className="min-w-0">
      <div className="flex flex-wrap items-center gap-3 py-3">
        {job.bay && <Tape label={job.bay.toUpperCase()} />}
        <h2 className="text-2xl">
          <Link href={job.href} className="hover:underline">
            {job.label}
          </Link>
        </h2>
        {current && <span className="sr-only">the one you were at</span>}
      </div>
      <p className="mb-2 truncate text-second">{job.title}</p>
      {job.strip ? (
        <div className="border-l-8 border-petrol py-1 pl-4">
          <p className="text-lg">
            <span className="num">{job.strip.out.length}</span> out, <span className="num">{job.strip.facts}</span>{' '}
            {job.strip.facts === 1 ? 'fact' : 'facts'} told
          </p>
          <p className="text-second">
            {job.strip.out.length > 0 ? job.strip.out.slice(-6).join(', ') : 'nothing has come off yet'}
          </p>
        </div>
      ) : (
        <JobU
          model={job.model}
          rows={rows}
          bottom={{ goals: job.goals, works: [], tests: [], reached: job.reached }}
          size="small"
          label={`Way in and way out of ${job.label}`}
        />
      )}
      {rows.length < job.rows.length && (
        <p className="text-[15px] text-second">and {job.rows.length - rows.length} more, folded</p>
      )}
      <ul className="mt-4 space-y-1.5 border-t-2 border-ink pt-2" aria-label="Still open">
        {job.begun ? (
          <li className="flex items-center gap-2.5 font-bold">
            {job.power.allowed ? <MayRing size={26} /> : <StopSign size={28} />} {job.power.words}
          </li>
        ) : (
          <li className="text-second">not begun</li>
        )}
        {job.handedOverBeforeMs !== null && (
          <li className="flex items-center gap-2.5 font-bold">
            <RotateCcw size={24} aria-hidden className="mx-0.5 shrink-0" /> opened again after its hand-over of{' '}
            {dateWords(job.handedOverBeforeMs, 'moment', zone)}
          </li>
        )}
        {job.paused && (
          <li className="flex items-center gap-2.5 font-bold" data-paused={job.id}>
            <Hourglass size={24} aria-hidden className="mx-0.5 shrink-0" /> {job.paused.reason}
            {job.paused.until && `, until ${chosenDayWords(job.paused.until)}`}
          </li>
        )}
        {job.awaited.map((item) => (
          <li key={item.words} className="flex items-center gap-2.5">
            <ShoppingBasket size={22} aria-hidden className="mx-1 shrink-0" /> to order: {item.count} for {item.words}
          </li>
        ))}
        {job.open.slice(0, MOST_OPEN).map((item) => (
          <li key={item.words} className="flex items-center gap-2.5">
            {item.shape ? (
              <FastenerMark shape={item.shape} size={22} className="mx-0.5 shrink-0" />
            ) : (
              <PlugMark
                tether={{
                  kind: 'electrical',
                  tabSide: null,
                  circuit: item.kind === 'airbag' ? 'srs-indicator' : 'other',
                }}
                size={26}
              />
            )}
            {item.words}
          </li>
        ))}
        {job.open.length > MOST_OPEN && (
          <li className="pl-9 text-second">and {job.open.length - MOST_OPEN} more in the balance</li>
        )}
      </ul>
    </section>
  )
}

/** Far rows fold away: those about the current one stay. */
function around<T extends { wayIn: string; wayOut: string }>(rows: readonly T[]): T[] {
  const at = Math.max(
    0,
    rows.findIndex((row) => row.wayIn === 'current' || row.wayOut === 'current'),
  )
  const from = Math.max(0, Math.min(at - Math.floor(MOST_ROWS / 2), rows.length - MOST_ROWS))
  return rows.slice(from, from + MOST_ROWS)
}

/** The day's line: what is promised, and where the day stands. */
export function DayLine({ jobs, zone }: { jobs: BayJob[]; zone: Zone }) {
  const promised = jobs
    .flatMap((job) => (job.promisedAt ? [{ job, at: job.promisedAt }] : []))
    .sort((a, b) => a.at.getTime() - b.at.getTime())
  const day = (date: Date) => (isSameDay(date, new Date(), zone) ? '' : dateWords(date, 'weekday', zone))
  return (
    <section className="mt-8 bg-sheet px-4 py-3" aria-label="Promised">
      <h2 className="text-lg">Promised</h2>
      <ol className="relative mt-2 flex flex-wrap justify-between gap-4">
        <span aria-hidden="true" className="absolute inset-x-0 bottom-[7px] h-2 border-y-2 border-untravelled" />
        {promised.map(({ job, at }) => (
          <li key={job.id} className="relative flex flex-col items-center gap-2">
            <span className="flex items-center gap-2">
              <Tape label={job.label.toUpperCase()} size="s" />
              <span className="num">
                {day(at)} {dateWords(at, 'clock', zone)}
              </span>
            </span>
            <span
              aria-hidden="true"
              className={`size-5 rounded-full border-[3px] border-ink ${job.late ? 'bg-ink' : 'bg-ground'}`}
            />
            {job.late && <span className="sr-only">past</span>}
          </li>
        ))}
      </ol>
    </section>
  )
}
