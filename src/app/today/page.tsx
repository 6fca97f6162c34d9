import Link from 'next/link'
import { DeskPage } from '@/app/DeskPage'
import type { Mark } from '@/core/job/happenings'
import { arrivedOdd, type OddArrival } from '@/server/arrivedOdd'
import { reasonsNotReady } from '@/server/health'
import { listJobs } from '@/server/jobs'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { bayJob, type BayJob } from '@/ui/today/bayJob'
import { BayColumn, DayLine } from '@/ui/today/BayColumn'
import { ClosedTick, StopSign } from '@/ui/marks/Signs'
import { NameThisDevice } from '@/ui/shell/DeviceBeat'
import { Tape } from '@/ui/marks/Tape'
import { dateWords } from '@/words/dates'

export const metadata = { title: 'Today' }

export default async function TodayPage() {
  const crew = await requireCrew()
  const [open, done] = [await listJobs(crew, 'open'), await listJobs(crew, 'done')]
  const nowMs = new Date().getTime()
  const jobs = open.flatMap((record) => bayJob(record, crew.house, crew.rules, nowMs) ?? [])
  const mine = jobs.find((job) => job.lastPersonId === crew.acting.id) ?? jobs.find((job) => job.begun) ?? jobs[0]
  return (
    <DeskPage crew={crew} at="/today">
      <div className="px-6 py-5">
        <h1 className="sr-only">Today</h1>
        <OfTheMachine reasons={await reasonsNotReady()} />
        {mine ? <GoOn job={mine} /> : <Nothing />}
        {jobs.length > 0 && (
          <div className="grid items-start gap-x-8 gap-y-8 border-t-[5px] border-ink md:grid-cols-2 xl:grid-cols-4">
            {jobs.map((job) => (
              <BayColumn key={job.id} job={job} current={job === mine} zone={crew.house.timeZone} />
            ))}
          </div>
        )}
        <ShoppingList jobs={jobs} />
        {may(crew, 'see what arrived odd') && <Odd arrived={await arrivedOdd(crew)} />}
        {jobs.some((job) => job.promisedAt) && <DayLine jobs={jobs} zone={crew.house.timeZone} />}
        {may(crew, 'look after devices') && <NameThisDevice />}
        {done.length > 0 && (
          <section className="mt-8">
            <h2 className="border-b-2 border-ink pb-1 text-lg">Handed over</h2>
            <ul className="grid gap-x-8 md:grid-cols-2 xl:grid-cols-3">
              {done.map((job) => (
                <li key={job.id} className="flex items-center gap-3 border-b border-hair py-2">
                  <ClosedTick />
                  <Tape label={job.vehicle.label.toUpperCase()} size="s" />
                  <Link className="min-w-0 flex-1 truncate hover:underline" href={`/jobs/${job.id}/handover`}>
                    {job.title}
                  </Link>
                  <span className="text-second">{dateWords(job.handedOverAt!, 'shortDay', crew.house.timeZone)}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </DeskPage>
  )
}

/** What the jobs in the bays wait for: the shop's list for the next order. */
function ShoppingList({ jobs }: { jobs: BayJob[] }) {
  const wanted = jobs.flatMap((job) => job.awaited.map((item) => ({ ...item, job })))
  if (wanted.length === 0) return null
  return (
    <section className="mt-8" aria-label="To order">
      <h2 className="border-b-2 border-ink pb-1 text-lg">To order</h2>
      <ul className="grid gap-x-8 md:grid-cols-2">
        {wanted.map(({ job, words, count }) => (
          <li key={`${job.id} ${words}`} className="flex items-center gap-3 border-b border-hair py-2">
            <b className="num text-xl">{count}</b>
            <span className="min-w-0 flex-1 truncate">{words}</span>
            <Tape label={job.label.toUpperCase()} size="s" />
            <Link className="jump" href={`/jobs/${job.id}/balance`}>
              it is here
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}

const ODD: Readonly<Record<Mark, { title: string; words: string }>> = {
  'not authorised': {
    title: 'Airbag plugs touched by somebody not authorised',
    words:
      'It was done, so it counts. Look at the plug, and at whoever worked there: the maker’s and local rules decide.',
  },
  'had left': {
    title: 'Sent after somebody had left',
    words: 'A tablet still kept these, from before. They count as they are: look whether they can be right.',
  },
}

/** For a lead: what was kept and is odd. */
function Odd({ arrived }: { arrived: OddArrival[] }) {
  return (Object.keys(ODD) as Mark[])
    .map((mark) => ({ mark, ...ODD[mark], those: arrived.filter((one) => one.mark === mark) }))
    .filter(({ those }) => those.length > 0)
    .map(({ mark, title, words, those }) => (
      <section key={mark} className="mt-8" aria-label={title}>
        <h2 className="border-b-2 border-ink pb-1 text-lg">{title}</h2>
        <p className="py-1 text-second">{words}</p>
        <ul className="grid gap-x-8 md:grid-cols-2">
          {those.map(({ jobId, vehicle, title, person, count }) => (
            <li key={`${jobId} ${person}`} className="flex items-center gap-3 border-b border-hair py-2">
              <b className="num text-xl">{count}</b>
              <Tape label={vehicle.toUpperCase()} size="s" />
              <span className="min-w-0 flex-1 truncate">
                by {person}: {title}
              </span>
              <Link className="jump" href={`/jobs/${jobId}/balance`}>
                look
              </Link>
            </li>
          ))}
        </ul>
      </section>
    ))
}

/** What is about to stop the shop's machine: nobody in a bay looks at its logs. */
function OfTheMachine({ reasons }: { reasons: string[] }) {
  if (reasons.length === 0) return null
  return (
    <div role="alert" className="mb-4 flex items-center gap-3 rounded border-[3px] border-ink px-4 py-3 text-lg">
      <StopSign size={36} />
      <div>
        {reasons.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
    </div>
  )
}

function GoOn({ job }: { job: BayJob }) {
  return (
    <div className="mb-6 flex flex-wrap gap-6">
      <div className="on-sign flex min-w-0 flex-1 basis-full flex-wrap items-center justify-between gap-x-6 gap-y-3 rounded px-5 py-4 sm:basis-0 sm:px-6">
        <div className="min-w-0">
          <p className="font-semibold">{[job.bay, job.label, job.next.where].filter(Boolean).join(', ')}</p>
          <p className="text-[clamp(30px,4.4vw,57px)] font-extrabold leading-none [overflow-wrap:anywhere]">
            {job.next.title}
          </p>
        </div>
        <Link
          href={job.href}
          className="grid min-h-16 w-full min-w-36 place-items-center rounded bg-white sm:min-h-20 sm:w-auto px-6 text-2xl font-bold text-[#172023]"
        >
          {job.begun ? 'Go on' : 'Begin'}
        </Link>
      </div>
      <div className="grid w-full grid-cols-2 gap-2 sm:w-auto sm:min-w-56 sm:grid-cols-1">
        <Link
          href="/plan"
          className="grid min-h-14 place-items-center rounded border-[3px] border-ink px-6 text-xl font-bold hover:bg-tint"
        >
          Plan a job
        </Link>
        <Link
          href="/strips/new"
          className="grid min-h-14 place-items-center rounded border-[3px] border-ink px-6 text-xl font-bold hover:bg-tint"
        >
          New strip
        </Link>
      </div>
    </div>
  )
}

function Nothing() {
  return (
    <div className="max-w-2xl space-y-4 py-6">
      <p className="text-4xl font-extrabold">No job is open.</p>
      <p className="text-xl text-second">
        A job needs a vehicle, and the vehicle a procedure: the facts of how its model comes apart.
      </p>
      <div className="flex flex-wrap gap-3">
        <Link className="slab" href="/plan">
          Plan a job
        </Link>
        <Link className="desk-button !min-h-14" href="/strips/new">
          New strip: record a vehicle as it comes apart
        </Link>
        <Link className="desk-button !min-h-14" href="/procedures">
          Record a model at the desk
        </Link>
        <Link className="desk-button !min-h-14" href="/vehicles">
          Add a vehicle
        </Link>
      </div>
    </div>
  )
}
