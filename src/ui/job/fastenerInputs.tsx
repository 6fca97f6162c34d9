'use client'
import { COMMON_HEADS, headOf, headsOf } from '@/core/procedure/heads'
import type { Holder } from '@/core/procedure/holder'
import { headInWords } from '@/words/items'

/** "Another head than the record says": empty = as recorded. Nothing where the kind has none. */
export function HeadChoice({
  holder,
  value,
  onChange,
}: {
  holder: Holder
  value: string
  onChange: (head: string) => void
}) {
  if (headOf(holder) === null) return null
  return (
    <label className="block">
      <span className="mb-1 block text-lg font-semibold">
        Its head. The record says {headsOf(holder).map(headInWords).join(' or ')}.
      </span>
      <select className="field !min-h-14 text-lg" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">as recorded</option>
        {COMMON_HEADS.filter((name) => !headsOf(holder).includes(name)).map((name) => (
          <option key={name} value={name}>
            {headInWords(name)}
          </option>
        ))}
      </select>
    </label>
  )
}

/** A count by tapping: two large targets, and the number itself can be typed. */
export function Counter({
  label,
  value,
  min,
  max,
  onChange,
}: {
  label: string
  value: number
  min: number
  max: number
  onChange: (value: number) => void
}) {
  const put = (next: number) => onChange(Math.min(max, Math.max(min, Number.isFinite(next) ? next : min)))
  return (
    <div role="group" aria-label={label}>
      <span className="mb-1 block text-lg font-semibold">{label}</span>
      <div className="flex items-center gap-3">
        <button
          type="button"
          className="ghost w-20 text-3xl"
          aria-label="one less"
          onClick={() => put(value - 1)}
          disabled={value <= min}
        >
          −
        </button>
        <input
          aria-label={label}
          inputMode="numeric"
          className="field num !min-h-14 w-24 text-center text-3xl"
          value={value}
          onChange={(event) => put(Number(event.target.value.replace(/\D/g, '')))}
        />
        <button
          type="button"
          className="ghost w-20 text-3xl"
          aria-label="one more"
          onClick={() => put(value + 1)}
          disabled={value >= max}
        >
          +
        </button>
      </div>
    </div>
  )
}
