'use client'
import { useState, useTransition } from 'react'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { TextField } from '../forms/Field'
import { reach } from '../../client/reach'

export type OpenJob = (input: unknown) => Promise<{ status: 'refused'; sentence: string } | undefined>

/**
 * Makes the plan a job on this vehicle. Not `current`: it is the answer to what was asked before, and nobody may open
 * that by mistake.
 */
export function OpenJobForm({
  vehicleId,
  plan,
  current,
  title,
  openJob,
}: {
  vehicleId: string
  plan: PlanOnCards
  current: boolean
  title: string
  openJob: OpenJob
}) {
  const [words, setWords] = useState<string | null>(null)
  const [bay, setBay] = useState('')
  const [promised, setPromised] = useState('')
  const [trouble, setTrouble] = useState('')
  const [pending, start] = useTransition()
  const submit = () =>
    start(async () => {
      const job = {
        vehicleId,
        title: words ?? title,
        bay,
        promisedAt: promised ? new Date(promised).toISOString() : null,
        request: plan.request,
      }
      const answer = await reach(
        () => openJob(job),
        (sentence) => ({ status: 'refused' as const, sentence }),
      )
      if (answer) setTrouble(answer.sentence)
    })
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (current) submit()
      }}
    >
      <TextField
        label="The job in few words"
        value={words ?? title}
        maxLength={120}
        onChange={(event) => setWords(event.target.value)}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Bay"
          value={bay}
          maxLength={20}
          placeholder="Bay 2"
          onChange={(event) => setBay(event.target.value)}
        />
        <TextField
          label="Promised"
          type="datetime-local"
          value={promised}
          onChange={(event) => setPromised(event.target.value)}
        />
      </div>
      <p role="alert" className="font-semibold">
        {trouble}
      </p>
      <button
        className="slab w-full !min-h-14 text-xl"
        disabled={pending || !current || (words ?? title).trim() === ''}
      >
        {pending ? 'Opening…' : 'Open the job'}
      </button>
    </form>
  )
}
