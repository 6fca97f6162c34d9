'use client'
import { useState, type ReactNode } from 'react'
import type { LiveStrip } from './useStrip'

/** What closes a sheet: facts taken, or anything else done. */
export type SheetProps = { strip: LiveStrip; close: () => void }

/** A name typed, where none of those offered is it. */
export function NameForm({
  label,
  placeholder,
  most,
  onName,
}: {
  label: string
  placeholder: string
  most: number
  onName: (name: string) => void
}) {
  const [typed, setTyped] = useState('')
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (typed.trim()) onName(typed.trim())
      }}
    >
      <label className="min-w-0 flex-1">
        <span className="sr-only">{label}</span>
        <input
          className="field !min-h-14 text-xl"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder={placeholder}
          maxLength={most}
          autoComplete="off"
        />
      </label>
      <button className="slab" disabled={typed.trim() === ''}>
        Take
      </button>
    </form>
  )
}

export function Choices({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h3 className="mb-2 text-xl">{title}</h3>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">{children}</div>
    </section>
  )
}

export function Choice({ words, mark, onClick }: { words: string; mark?: ReactNode; onClick: () => void }) {
  return (
    <button type="button" className="ghost !min-h-16 text-xl" onClick={onClick}>
      {mark}
      {words}
    </button>
  )
}
