'use client'
import { Plus, Trash2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { SelectField, TextField } from '../forms/Field'

export function Rows({
  title,
  add,
  onAdd,
  empty,
  children,
}: {
  title: string
  add: string
  onAdd: () => void
  empty: string
  children: ReactNode[]
}) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1 text-xl">{title}</h2>
      {children.length === 0 && <p className="py-2 text-second">{empty}</p>}
      {children}
      <button type="button" className="desk-button mt-3" onClick={onAdd}>
        <Plus size={16} aria-hidden /> {add}
      </button>
    </section>
  )
}

export function Row({ name, onRemove, children }: { name: string; onRemove: () => void; children: ReactNode }) {
  return (
    <div className="flex items-start gap-3 border-b border-hair py-3">
      <div className="grid min-w-0 flex-1 gap-x-4 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">{children}</div>
      <button type="button" className="desk-button mt-6" aria-label={`Remove ${name || 'this row'}`} onClick={onRemove}>
        <Trash2 size={16} aria-hidden />
      </button>
    </div>
  )
}

export type Option = readonly [id: string, name: string]

/** One of a list; where a word is all there is, it is its own name. */
export function Select({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string
  options: readonly (string | Option)[]
  onChange: (value: string) => void
}) {
  return (
    <SelectField label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {options
        .map((option): Option => (typeof option === 'string' ? [option, option] : option))
        .map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
    </SelectField>
  )
}

export function NumberField({
  label,
  help,
  value,
  onChange,
}: {
  label: string
  help?: string
  value: number
  onChange: (value: number) => void
}) {
  return (
    <TextField
      label={label}
      help={help}
      type="number"
      min={0}
      value={value}
      onChange={(event) => onChange(event.target.valueAsNumber)}
    />
  )
}

export function Yes({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  return (
    <label className="flex min-h-8 items-center gap-2 text-[15px]">
      <input
        type="checkbox"
        className="size-5 accent-[var(--petrol)]"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
      />{' '}
      {label}
    </label>
  )
}

/** A number that may be left open: empty says that nobody knows. */
export function MaybeNumber({
  label,
  value,
  onChange,
  step,
  help,
}: {
  label: string
  value: number | null
  onChange: (value: number | null) => void
  step?: string
  help?: string
}) {
  return (
    <TextField
      label={label}
      help={help}
      type="number"
      min={0}
      step={step}
      value={value ?? ''}
      onChange={(event) => onChange(Number.isNaN(event.target.valueAsNumber) ? null : event.target.valueAsNumber)}
    />
  )
}

/** One of the things of a list, or none. */
export function Pick({
  label,
  value,
  options,
  empty,
  onChange,
}: {
  label: string
  value: string | null
  options: readonly Option[]
  empty: string
  onChange: (value: string | null) => void
}) {
  return (
    <SelectField label={label} value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
      <option value="">{empty}</option>
      {options.map(([id, name]) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectField>
  )
}
