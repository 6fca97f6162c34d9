'use client'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { ProductSign } from '../marks/Signs'
import { Tape } from '../marks/Tape'
import { DeviceBeat } from '../shell/DeviceBeat'
import { ActingButton, type ChangeActing } from '../shell/ActingButton'
import { Lamps } from './Lamps'
import { SavedSign } from './SavedSign'
import type { JobData, LiveJob } from './useJob'
import { usePreference } from './usePreference'

const GateDialog = dynamic(() => import('./GateDialog').then((file) => file.GateDialog))

/** The head of every job screen: which vehicle, the power lamps, who acts, where the taps are. */
export function JobHead({
  data,
  job,
  change,
  back,
}: {
  data: JobData
  job: LiveJob
  change: ChangeActing
  back: string
}) {
  const [gate, setGate] = useState(false)
  const [letters] = usePreference('letters')
  usePowerKey(() => setGate(true), gate || !letters)
  return (
    <header className="no-print flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-1 sm:min-h-[76px] sm:gap-x-6 sm:gap-y-2 sm:px-4 sm:py-2">
      <Link
        href={back}
        aria-label={back === '/today' ? 'To Today' : 'To the job'}
        className="grid size-11 shrink-0 place-items-center rounded sm:size-14"
      >
        <ProductSign size={36} />
      </Link>
      <Tape label={data.vehicle.label.toUpperCase()} size="l" />
      <div className="min-w-0 max-w-56 flex-1 leading-tight sm:flex-none">
        <p className="hidden truncate font-bold sm:block">{data.title}</p>
        <p className="hidden truncate text-[15px] text-second sm:block">
          {[data.vehicle.customer, data.bay].filter(Boolean).join(', ')}
        </p>
        <SavedSign job={job} />
      </div>
      <Lamps document={job.document} job={job} onOpen={() => setGate(true)} />
      <DeviceBeat shopId={data.shopId}>{null}</DeviceBeat>
      {gate && <GateDialog document={job.document} job={job} open onClose={() => setGate(false)} />}
      <div className="border-l border-untravelled pl-3">
        <ActingButton acting={data.acting} crew={data.crew} change={change} large />
      </div>
    </header>
  )
}

/** P opens the gate, as a touch on the lamps does; silent while something is being typed. */
function usePowerKey(open: () => void, busy: boolean): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        busy ||
        event.key.toLowerCase() !== 'p' ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        /INPUT|TEXTAREA|SELECT/.test((event.target as HTMLElement).tagName) ||
        document.querySelector('dialog[open]')
      )
        return
      event.preventDefault()
      open()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}
