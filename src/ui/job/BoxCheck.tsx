'use client'
import { useMemo, useState, type FormEvent } from 'react'
import { boxRows, whereItStops, type BoxRow, type Stop } from '@/core/job/boxCheck'
import { leaveGate } from '@/core/job/leaveGate'
import { liveVehicle } from '@/core/job/liveVehicle'
import { standingAt } from '@/core/job/standingAt'
import { keyOf } from '@/core/procedure/acts'
import { ClosedTick } from '../marks/Signs'
import { supplyName } from '@/words/kitRowWords'
import type { PlannedJob } from './useJob'

/** The kit's box, before the first screw: as listed by one tap, piece by piece, or by a scanner that types numbers. */
export function BoxCheck({ job }: { job: PlannedJob }) {
  const rows = boxRows(job.document, job.plan, job.state, job.shelf)
  const stops = useMemo(() => whereItStops(job.plan, rows), [job.plan, rows])
  if (rows.length === 0) return null
  const open = rows.filter(({ box, supply }) => box === null && !supply.consumable)
  const say = (row: BoxRow, count: number) => job.record([{ kind: 'supplied', itemId: row.itemId, from: 'box', count }])
  return (
    <section aria-label="The box" className="mt-4">
      <h2 className="flex items-center justify-between gap-3 border-b-2 border-ink pb-1 text-2xl">
        <span>
          The box{' '}
          <span className="font-normal text-second">{job.plan.request.kits.map(({ kit }) => kit.name).join(', ')}</span>
        </span>
        {open.length > 0 && (
          <button
            type="button"
            className="ghost text-lg"
            onClick={() =>
              job.record(open.map((row) => ({ kind: 'supplied', itemId: row.itemId, from: 'box', count: row.listed })))
            }
          >
            All as listed
          </button>
        )}
      </h2>
      {stops.map((stop) => (
        <StopSign key={stop.itemId} stop={stop} job={job} />
      ))}
      <Scan job={job} rows={rows} />
      <ul>
        {rows.map((row) => (
          <BoxLine key={row.itemId} row={row} job={job} say={say} />
        ))}
      </ul>
    </section>
  )
}

/** A scanner types a number and Enter: the piece is counted. Without one the number is typed. */
function Scan({ job, rows }: { job: PlannedJob; rows: readonly BoxRow[] }) {
  const [typed, setTyped] = useState('')
  const [said, setSaid] = useState('')
  if (rows.every(({ supply }) => supply.partNumber === '')) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const number = typed.trim().toLowerCase()
    if (number === '') return
    const row = rows.find(({ supply }) => supply.partNumber.toLowerCase() === number)
    setTyped('')
    if (!row) return setSaid(`${typed.trim()} is in none of these kits. Set it aside, or look at the label again.`)
    job.record([{ kind: 'supplied', itemId: row.itemId, from: 'box', count: (row.box ?? 0) + 1 }])
    setSaid(`${supplyName(job.document, row.itemId)}: ${(row.box ?? 0) + 1} of ${row.needed}.`)
  }
  return (
    <form className="flex flex-wrap items-center gap-3 py-2" onSubmit={submit}>
      <input
        className="field num !min-h-14 !w-72 text-lg"
        aria-label="Scan or type a part number"
        placeholder="scan or type a number"
        autoComplete="off"
        maxLength={40}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <button className="ghost" disabled={typed.trim() === ''}>
        Count it
      </button>
      <span role="status" className="text-lg font-semibold">
        {said}
      </span>
    </form>
  )
}

function BoxLine({ row, job, say }: { row: BoxRow; job: PlannedJob; say: (row: BoxRow, count: number) => void }) {
  const { itemId, needed, listed, box, besides, ordered, fetch, short, shelf, supply, onlyIf } = row
  const there = (box ?? listed) + besides
  const done = box !== null && short + fetch === 0
  const supplied = (from: 'stock' | 'ordered' | 'arrived', count: number) =>
    job.record([{ kind: 'supplied', itemId, from, count }])
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair py-2" data-supply={itemId}>
      <div className="min-w-56 flex-1">
        <p className="flex items-center gap-2 text-[20px] font-bold leading-tight">
          {done && <ClosedTick size={22} />}
          <span className="num">{needed}</span> {supplyName(job.document, itemId)}
        </p>
        <p className="text-[16px] leading-tight text-second">
          {[
            short > 0 && <b key="s" className="text-ink">{`${short} short: needed ${needed}, there ${there}`}</b>,
            fetch > 0 && (
              <b key="f" className="text-ink">{`${fetch} of ${needed} from the shelf: ${shelfWords(shelf!)}`}</b>
            ),
            short + fetch === 0 && (box === null ? `listed ${listed}` : `${there} there`),
            short + fetch === 0 && there > needed && box !== null && `${there - needed} left over, as expected`,
            ...onlyIf.map(({ facetId, choiceIds }) => `only if ${choiceNames(job, facetId, choiceIds)}`),
            ordered > 0 && `${ordered} ordered`,
            supply.partNumber,
            shelf === null ? supply.place : fetch === 0 && shelfWords(shelf),
            supply.consumable && 'used up',
          ]
            .filter(Boolean)
            .map((words, i) => (
              <span key={i}>
                {i > 0 && ', '}
                {words}
              </span>
            ))}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className="ghost" aria-pressed={box === listed} onClick={() => say(row, listed)}>
          {listed} in it
        </button>
        <button
          type="button"
          className="ghost"
          aria-label={`One less: ${supplyName(job.document, itemId)}`}
          disabled={(box ?? listed) === 0}
          onClick={() => say(row, (box ?? listed) - 1)}
        >
          −
        </button>
        <button
          type="button"
          className="ghost"
          aria-label={`One more: ${supplyName(job.document, itemId)}`}
          onClick={() => say(row, (box ?? listed) + 1)}
        >
          +
        </button>
        {fetch > 0 && (
          <button type="button" className="ghost" onClick={() => supplied('stock', fetch)}>
            {fetch} taken from the shelf
          </button>
        )}
        {short > 0 && (
          <>
            {/* What is on a list is counted there; what is on none may lie there all the same. */}
            {shelf === null && (
              <button type="button" className="ghost" onClick={() => supplied('stock', short)}>
                {short} from the shelf
              </button>
            )}
            {ordered > 0 ? (
              <button type="button" className="ghost" onClick={() => supplied('arrived', ordered)}>
                {ordered} arrived
              </button>
            ) : (
              <button type="button" className="ghost" onClick={() => supplied('ordered', short)}>
                Order {short}
              </button>
            )}
          </>
        )}
      </div>
    </li>
  )
}

/** "2 on shelf B", less what this job has taken and the list does not know yet. */
function shelfWords({ onHand, place }: NonNullable<BoxRow['shelf']>): string {
  return `${onHand} ${place ? `at ${place}` : 'on the shelf'}`
}

function choiceNames({ document }: PlannedJob, facetId: string, choiceIds: readonly string[]): string {
  const choices = document.facets.find(({ id }) => id === facetId)?.choices ?? []
  return choices
    .filter(({ id }) => choiceIds.includes(id))
    .map(({ name }) => name)
    .join(' or ')
}

/** Where the job would stop without it, whether the vehicle may be used there, and what can be done all the same. */
function StopSign({ stop, job }: { stop: Stop; job: PlannedJob }) {
  const { plan } = job
  const name = (id: string) => plan.job.works.get(id)?.name ?? plan.job.added.get(id)?.name ?? ''
  const [first] = stop.at
  const gate = useMemo(() => {
    if (first === undefined) return null
    const there = standingAt(job.document, plan, job.state, keyOf('work', first), job.nowMs)
    return leaveGate(job.model, there, liveVehicle(job.model, there, job.nowMs), job.circumstances, job.terms)
    // A minute more on the clock changes nothing of where it stops.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [first, job.document, plan, job.state, job.model])
  return (
    <div role="status" className="my-2 border-l-8 border-ink bg-sheet px-4 py-2 text-lg" data-stop={stop.itemId}>
      <p className="font-bold">
        {stop.count} {supplyName(job.document, stop.itemId)} short:{' '}
        {first === undefined ? 'no work uses it.' : `the job stops at “${name(first)}”.`}
      </p>
      <p>
        {[
          stop.heldUp.length > 0 && `That holds up ${stop.heldUp.map(name).join(', ')}.`,
          stop.functions.length > 0 && `Will not work: ${stop.functions.map(name).join(', ')}.`,
          stop.goesOn.length > 0 && `Can be done without it: ${stop.goesOn.map(name).join(', ')}.`,
          gate &&
            (gate.allowed
              ? 'The vehicle may be used there.'
              : `Stopped there the vehicle may not be used before ${gate.smallest ? `${gate.smallest.length} things are put back` : 'it is closed'}.`),
        ]
          .filter(Boolean)
          .join(' ')}
      </p>
    </div>
  )
}
