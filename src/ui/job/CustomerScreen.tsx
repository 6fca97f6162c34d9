'use client'
import Link from 'next/link'
import { useState } from 'react'
import { forCustomer, type ShownFunction } from '@/core/job/customer'
import { CUSTOMER_POINTS, type CustomerPoint } from '@/core/job/customerPoints'
import { wallMsOf } from '@/core/base/clock'
import { POINT_WORDS } from '@/words/customerWords'
import { dateWords } from '@/words/dates'
import { blockedSentence } from '@/words/functionWords'
import { ClosedTick, StopSign } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import { JobHead } from './JobHead'
import { nameInRequest } from './kitOfJob'
import { SignatureField } from './SignatureField'
import type { JobData, LiveJob } from './useJob'
import { useAnyJob } from './useAnyJob'

/** With the customer at the vehicle: what was fitted is shown and tried, what is missing told, and they sign for it. */
export function CustomerScreen({ data, change }: { data: JobData; change: ChangeActing }) {
  const job = useAnyJob(data)
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set(job.state.shown?.functionIds))
  const [points, setPoints] = useState<ReadonlySet<CustomerPoint>>(new Set(job.state.shown?.points))
  const said = forCustomer(job.document, job.state, job.terms)
  const nameOf = nameInRequest(job)
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back={`/jobs/${data.id}`} />
      <main className="no-print grid flex-1 gap-x-10 gap-y-6 px-6 pb-8 lg:grid-cols-[1.2fr_1fr]">
        <section className="space-y-6">
          <h1 className="text-4xl">With the customer</h1>
          <Shown
            title="New: show it, let them try it"
            list={said.gained}
            seen={seen}
            onSeen={(id, on) => setSeen(toggled(seen, id, on))}
          />
          <Told title="Wanted, and not there" lines={said.blocked.map((item) => blockedSentence(nameOf, item))} />
          <Told title="Can’t be done any more" lines={said.lost.map(({ name }) => name)} />
          <Told title="Was open, and works as before" lines={said.kept.map(keptWords)} />
          <Told title="Left set" lines={said.asLeft.map(({ name, value }) => `${name}: ${value}`)} />
          <Later job={job} lines={said.later.map(({ text }) => text)} />
        </section>
        <section className="space-y-6">
          <div>
            <h2 className="border-b-2 border-ink pb-1 text-2xl">Gone through with them</h2>
            <ul>
              {CUSTOMER_POINTS.map((point) => (
                <li key={point} className="border-b border-hair">
                  <label className="flex min-h-14 cursor-pointer items-center gap-4 py-2 text-xl">
                    <input
                      type="checkbox"
                      className="size-7 shrink-0 accent-[var(--petrol)]"
                      checked={points.has(point)}
                      onChange={(event) => setPoints(toggled(points, point, event.target.checked))}
                    />
                    {POINT_WORDS[point].ask}
                  </label>
                </li>
              ))}
            </ul>
          </div>
          <Sign data={data} job={job} seen={[...seen]} points={[...points]} open={said.gained.length} />
          <Link className="ghost" href={`/jobs/${data.id}/handover`}>
            To the hand-over
          </Link>
        </section>
      </main>
    </div>
  )
}

function toggled<T>(of: ReadonlySet<T>, item: T, on: boolean): ReadonlySet<T> {
  const now = new Set(of)
  if (on) now.add(item)
  else now.delete(item)
  return now
}

function keptWords({ name, is }: ShownFunction): string {
  return is === 'works' ? name : `${name}: ${is}`
}

function Shown({
  title,
  list,
  seen,
  onSeen,
}: {
  title: string
  list: readonly ShownFunction[]
  seen: ReadonlySet<string>
  onSeen: (id: string, on: boolean) => void
}) {
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-2xl">{title}</h2>
      {list.length === 0 && <p className="py-3 text-lg text-second">Nothing new that has to be shown.</p>}
      <ul>
        {list.map(({ id, name, show, is }) => (
          <li key={id} className="border-b border-hair" data-shown={id}>
            <label className="flex min-h-14 cursor-pointer items-center gap-4 py-2">
              <input
                type="checkbox"
                className="size-7 shrink-0 accent-[var(--petrol)]"
                checked={seen.has(id)}
                onChange={(event) => onSeen(id, event.target.checked)}
              />
              <span className="flex-1">
                <span className="flex items-center gap-2 text-[22px] font-bold">
                  {name}
                  {is === 'works' && <ClosedTick size={22} />}
                  {is === 'failed' && <StopSign size={24} />}
                </span>
                <span className="text-[17px] text-second">
                  {show}
                  {is === 'not tested' && ' (not tested yet)'}
                  {is === 'failed' && ' (failed its test)'}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </div>
  )
}

function Told({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-2xl">{title}</h2>
      <ul>
        {lines.map((words) => (
          <li key={words} className="border-b border-hair py-2 text-lg">
            {words}
          </li>
        ))}
      </ul>
    </div>
  )
}

/** What is left for another day, in words the customer reads. */
function Later({ job, lines }: { job: LiveJob; lines: readonly string[] }) {
  const [text, setText] = useState('')
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Left for later</h2>
      {lines.length === 0 && <p className="py-2 text-lg text-second">Nothing is left for later.</p>}
      <ul>
        {lines.map((words, i) => (
          <li key={i} className="border-b border-hair py-2 text-lg">
            {words}
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          job.record([{ kind: 'left for later', text: text.trim() }])
          setText('')
        }}
      >
        <label className="block flex-1">
          <span className="mb-1 block font-semibold">What is left, and until when</span>
          <input
            className="field !min-h-14 text-lg"
            maxLength={200}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <button className="ghost min-h-14" disabled={text.trim() === ''}>
          Add it
        </button>
      </form>
    </div>
  )
}

/** Who was shown, and their hand: on this tablet, or on the paper. */
function Sign({
  data,
  job,
  seen,
  points,
  open,
}: {
  data: JobData
  job: LiveJob
  seen: string[]
  points: CustomerPoint[]
  open: number
}) {
  const { shown } = job.state
  const [by, setBy] = useState('')
  const [strokes, setStrokes] = useState('')
  const keep = (drawn: string) =>
    job.record([{ kind: 'shown to the customer', functionIds: seen, points, by: by.trim(), strokes: drawn }])
  const missing = Math.max(0, open - seen.length)
  return (
    <div className="space-y-4">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">They were shown</h2>
      {shown && (
        <p role="status" className="flex items-center gap-3 text-xl font-bold" data-signed>
          <ClosedTick size={26} />
          {shown.by}, {dateWords(wallMsOf(shown.at), 'clock', data.house.timeZone)}
          {shown.strokes === '' ? ', signs on paper' : ', signed here'}
        </p>
      )}
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Name of whoever was shown</span>
        <input
          className="field !min-h-14 text-xl"
          maxLength={80}
          value={by}
          placeholder={data.vehicle.customer}
          onChange={(event) => setBy(event.target.value)}
        />
      </label>
      <SignatureField label="They sign here, by finger or pen" onChange={setStrokes} />
      {missing > 0 && (
        <p className="text-lg font-semibold">
          {missing} {missing === 1 ? 'function is' : 'functions are'} not ticked as shown.
        </p>
      )}
      <button
        type="button"
        className="slab w-full !min-h-[84px] text-2xl"
        disabled={by.trim() === '' || strokes === ''}
        onClick={() => keep(strokes)}
      >
        Keep what they signed
      </button>
      <button
        type="button"
        className="ghost min-h-14 w-full text-lg"
        disabled={by.trim() === ''}
        onClick={() => keep('')}
      >
        They sign on the paper instead
      </button>
    </div>
  )
}
