'use client'
import { useState } from 'react'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import { TextField } from '../forms/Field'

/** To whom, until when, and a word: then the paper. What was typed stays where the shop can't make it. */
export function QuotationForm({
  vehicleId,
  request,
  close,
}: {
  vehicleId: string
  request: PlanRequest
  close: () => void
}) {
  const [to, setTo] = useState('')
  const [days, setDays] = useState('30')
  const [note, setNote] = useState('')
  const [busy, setBusy] = useState(false)
  const [trouble, setTrouble] = useState('')
  const submit = async () => {
    setBusy(true)
    setTrouble('')
    try {
      const answer = await fetch('/api/plan/quotation', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ vehicleId, request, to, validDays: Number(days), note }),
      })
      if (answer.ok) {
        save(await answer.blob())
        close()
      } else setTrouble(((await answer.json()) as { sentence: string }).sentence)
    } catch {
      setTrouble('The shop can’t be reached. What you typed is still here; try again when it can.')
    }
    setBusy(false)
  }
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        void submit()
      }}
    >
      <TextField label="To" value={to} maxLength={120} onChange={(event) => setTo(event.target.value)} />
      <TextField
        label="Valid for (days)"
        type="number"
        min={1}
        max={365}
        value={days}
        onChange={(event) => setDays(event.target.value)}
      />
      <TextField label="A word to it" value={note} maxLength={400} onChange={(event) => setNote(event.target.value)} />
      <p role="alert" className="min-h-6 font-semibold">
        {trouble}
      </p>
      <button className="slab w-full text-xl" disabled={busy}>
        {busy ? 'Writing it…' : 'Write it as PDF'}
      </button>
    </form>
  )
}

/** Hands the paper to the browser's own downloads. */
function save(paper: Blob): void {
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(paper)
  link.download = 'quotation.pdf'
  link.click()
  // The browser has taken it by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
