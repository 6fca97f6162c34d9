'use client'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { Tape } from '../marks/Tape'
import type { FiguresJob } from './figuresJob'
import { plural } from '@/words/items'

const MinutesChart = dynamic(() => import('./MinutesChart').then((file) => file.MinutesChart), {
  ssr: false,
  loading: () => <p className="py-10 text-second">Drawing…</p>,
})

/** For a lead: minutes against the forecast, clips broken, accounts still open. */
export function FiguresScreen({
  isLead,
  jobs,
  breakage,
}: {
  isLead: boolean
  jobs: FiguresJob[]
  breakage: { kind: string; broken: number; undone: number }[]
}) {
  if (!isLead)
    return <p className="px-6 py-10 text-2xl">Figures are for leads. Tap the name at the top and change who acts.</p>
  const done = jobs.filter((job) => job.doneWords !== null && job.kind === 'job')
  const open = jobs.filter((job) => job.doneWords === null && job.openRows > 0)
  const compared = done.filter((job) => job.forecastMin !== null && job.workedMin > 0)
  const ratio =
    compared.length > 0
      ? compared.reduce((sum, job) => sum + job.workedMin, 0) /
        Math.max(
          1,
          compared.reduce((sum, job) => sum + job.forecastMin!, 0),
        )
      : null
  return (
    <div className="grid grid-cols-1 overflow-x-clip gap-x-10 gap-y-8 px-6 py-5 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
      <section className="min-w-0">
        <h1 className="text-[52px] font-extrabold leading-none">
          {ratio === null ? 'No finished job yet' : `${ratio.toFixed(1)} × the forecast`}
        </h1>
        <p className="mb-4 text-second">
          {ratio === null
            ? 'Once a job is handed over, its minutes stand here beside what the plan said.'
            : `minutes worked by the log over ${compared.length} finished ${plural('job', compared.length)}; breaks over 20 min and pauses are left out. The forecast is that of the plan that was followed, by the house’s estimates.`}
        </p>
        {compared.length > 0 && <MinutesChart jobs={compared} />}
        <div className="mt-4 overflow-x-auto" tabIndex={0} role="group" aria-label="Finished jobs, scrolls">
          <table className="w-full">
            <caption className="sr-only">Finished jobs</caption>
            <thead>
              <tr className="border-b-2 border-ink text-left">
                <th scope="col" className="py-1">
                  Vehicle
                </th>
                <th scope="col">Job</th>
                <th scope="col" className="pl-3 text-right">
                  at the vehicle
                </th>
                <th scope="col" className="pl-3 text-right">
                  forecast
                </th>
                <th scope="col" className="pl-3 text-right">
                  at the bench
                </th>
                <th scope="col" className="pl-3 text-right">
                  clips broken
                </th>
                <th scope="col" className="pl-3 text-right">
                  handed over
                </th>
              </tr>
            </thead>
            <tbody>
              {done.map((job) => (
                <tr key={job.id} className="border-b border-hair">
                  <td className="py-1.5">
                    <Tape label={job.label.toUpperCase()} size="s" />
                  </td>
                  <td>
                    <Link className="jump" href={`/jobs/${job.id}/handover`}>
                      {job.title}
                    </Link>
                  </td>
                  <td className="num whitespace-nowrap pl-3 text-right">{job.workedMin} min</td>
                  <td className="num whitespace-nowrap pl-3 text-right">{minutesWords(job.forecastMin)}</td>
                  <td className="num whitespace-nowrap pl-3 text-right">
                    {job.benchMin + (job.benchForecastMin ?? 0) === 0
                      ? '–'
                      : `${job.benchMin} of ${minutesWords(job.benchForecastMin)}`}
                  </td>
                  <td className="num whitespace-nowrap pl-3 text-right">
                    {job.clipsBroken} of {job.clipsUndone}
                  </td>
                  <td className="text-right">{job.doneWords}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section className="space-y-8">
        <div>
          <h2 className="border-b-2 border-ink pb-1 text-xl">Clips that broke</h2>
          {breakage.length === 0 && <p className="py-2 text-second">No clip has been undone yet.</p>}
          <ul>
            {breakage.map((item) => (
              <li key={item.kind} className="flex justify-between border-b border-hair py-1.5">
                <span>{plural(item.kind, 2)}</span>
                <span>
                  <b className="num">{item.broken}</b> of <span className="num">{item.undone}</span> (
                  {item.undone > 0 ? ((100 * item.broken) / item.undone).toFixed(1) : '0'} %)
                </span>
              </li>
            ))}
          </ul>
        </div>
        <div>
          <h2 className="border-b-2 border-ink pb-1 text-xl">Accounts still open</h2>
          {open.length === 0 && <p className="py-2 text-second">Every job that was begun has closed its accounts.</p>}
          <ul>
            {open.map((job) => (
              <li key={job.id} className="flex items-center gap-3 border-b border-hair py-1.5">
                <Tape label={job.label.toUpperCase()} size="s" />
                <Link className="jump min-w-0 flex-1 truncate" href={`/jobs/${job.id}/balance`}>
                  {job.title}
                </Link>
                <span>
                  <b className="num">{job.openRows}</b> open
                </span>
              </li>
            ))}
          </ul>
        </div>
      </section>
    </div>
  )
}

function minutesWords(minutes: number | null): string {
  return minutes === null ? '–' : `${minutes} min`
}
