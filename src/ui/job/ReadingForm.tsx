'use client'
import { useState } from 'react'

/** A test with a reading: the number, then it works. */
export function ReadingForm({ unit, keep }: { unit: string; keep: (reading: string) => void }) {
  const [value, setValue] = useState('')
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        keep(value.trim() === '' ? '' : `${value.trim()} ${unit}`)
      }}
    >
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Reading, in {unit}</span>
        <input
          autoFocus
          inputMode="decimal"
          className="field num !min-h-14 text-3xl"
          maxLength={12}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      <button className="slab w-full !min-h-[84px] text-2xl">
        {value.trim() === '' ? 'It works, no reading' : 'It works'}
      </button>
    </form>
  )
}
