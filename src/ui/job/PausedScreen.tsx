'use client'
import { Printer } from 'lucide-react'
import Link from 'next/link'
import { useState } from 'react'
import { wallMsOf } from '@/core/base/clock'
import type { Happening, JobEvent } from '@/core/job/event'
import type { ChangeActing } from '../shell/ActingButton'
import { capital, settingTo } from '@/words/operations'
import { JobHead } from './JobHead'
import { nameOf } from './nameOf'
import type { JobData, LiveJob } from './useJob'
import { chosenDayWords, dateWords } from '@/words/dates'

/** What somebody may have changed while nobody looked. */
const ASKED_AGAIN = ['battery', 'ignition', 'gear lever', 'parking brake', 'wheels', 'stand']

/** A job that waits: why, until when, its tag; and what is looked at again before it goes on. */
export function PausedScreen({
  data,
  job,
  change,
  changed,
}: {
  data: JobData
  job: LiveJob
  change: ChangeActing
  changed: (events: JobEvent[]) => void
}) {
  const { state, model } = job
  const paused = state.paused!
  const settings = [...model.settings.values()].filter((setting) => ASKED_AGAIN.includes(setting.role))
  const [answers, setAnswers] = useState<Record<string, string>>({})
  const missing = settings.filter((setting) => answers[setting.id] === undefined)
  const who = nameOf(data, paused.personId)
  const resume = () => {
    const moved = settings.flatMap((setting): Happening[] =>
      answers[setting.id] !== (state.settings.get(setting.id) ?? setting.asFound)
        ? [{ kind: 'set', settingId: setting.id, value: answers[setting.id]!, methodId: null }]
        : [],
    )
    const made = job.record([...moved, { kind: 'resumed', checked: settings.map((setting) => setting.id) }])
    // Somebody moved the lever or switched the battery: the rest is another one now.
    if (moved.length > 0) changed(made)
  }
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back="/today" />
      <main className="grid flex-1 content-start gap-x-10 gap-y-6 px-6 pb-8 lg:grid-cols-[1fr_1.1fr]">
        <section className="space-y-5">
          <div className="on-sign rounded p-6">
            <p className="text-2xl font-semibold">
              Paused by {who}, {dateWords(wallMsOf(paused.at), 'moment', data.house.timeZone)}
            </p>
            <h1 className="text-[clamp(36px,5vw,64px)] font-extrabold leading-none">{capital(paused.reason)}</h1>
            {paused.until && <p className="mt-2 text-2xl">until {chosenDayWords(paused.until, 'longDay')}</p>}
          </div>
          <Link href={`/jobs/${data.id}/tag`} className="ghost text-xl">
            <Printer size={24} aria-hidden /> The tag for the wheel
          </Link>
        </section>
        <section aria-label="Before it goes on">
          <h2 className="border-b-2 border-ink pb-1 text-2xl">Look again: somebody may have changed it</h2>
          <ul>
            {settings.map((setting) => {
              const log = state.settings.get(setting.id) ?? setting.asFound
              return (
                <li key={setting.id} className="flex flex-wrap items-center gap-3 border-b border-hair py-2">
                  <span className="min-w-0 flex-1">
                    <b className="block text-xl">{capital(setting.name)}</b>
                    <span className="text-second">when it was left: {settingTo('', log).trim()}</span>
                  </span>
                  {setting.values.map((value) => (
                    <button
                      key={value}
                      type="button"
                      className={answers[setting.id] === value ? 'slab' : 'ghost'}
                      aria-pressed={answers[setting.id] === value}
                      onClick={() => setAnswers({ ...answers, [setting.id]: value })}
                    >
                      {value}
                    </button>
                  ))}
                </li>
              )
            })}
          </ul>
          <button
            type="button"
            className="slab mt-5 w-full !min-h-[84px] text-3xl"
            disabled={missing.length > 0}
            onClick={resume}
          >
            Go on
          </button>
          <p className="mt-2 min-h-6 text-lg text-second">
            {missing.length > 0
              ? `Still to look at: ${missing.map((setting) => setting.name).join(', ')}.`
              : 'What differs is taken as it is now.'}
          </p>
        </section>
      </main>
    </div>
  )
}
