'use client'
import { useId, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react'

type Common = { label: string; problem?: string; help?: string }

/** A labelled field. What is wrong is said below it, tied to it for a screen reader; what was typed stays. */
export function TextField({
  label,
  problem,
  help,
  className,
  suggest,
  ...input
}: Common & { suggest?: readonly string[] } & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId()
  return (
    <FieldFrame id={id} label={label} problem={problem} help={help} className={className}>
      <input
        id={id}
        className="field"
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem || help ? `${id}-say` : undefined}
        list={suggest ? `${id}-list` : undefined}
        {...input}
      />
      {suggest && (
        <datalist id={`${id}-list`}>
          {suggest.map((value) => (
            <option key={value} value={value} />
          ))}
        </datalist>
      )}
    </FieldFrame>
  )
}

export function SelectField({
  label,
  problem,
  help,
  className,
  children,
  ...select
}: Common & SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId()
  return (
    <FieldFrame id={id} label={label} problem={problem} help={help} className={className}>
      <select
        id={id}
        className="field"
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem || help ? `${id}-say` : undefined}
        {...select}
      >
        {children}
      </select>
    </FieldFrame>
  )
}

function FieldFrame({
  id,
  label,
  problem,
  help,
  className,
  children,
}: Common & { id: string; className?: string; children: ReactNode }) {
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-0.5 block text-[15px] font-semibold">
        {label}
      </label>
      {children}
      {(problem || help) && (
        <p
          id={`${id}-say`}
          role={problem ? 'alert' : undefined}
          className={`mt-0.5 text-sm ${problem ? 'font-bold text-stop' : 'text-second'}`}
        >
          {problem || help}
        </p>
      )}
    </div>
  )
}

export function Options({ values, empty }: { values: readonly string[]; empty?: string }) {
  return (
    <>
      {empty !== undefined && <option value="">{empty}</option>}
      {values.map((value) => (
        <option key={value} value={value}>
          {value}
        </option>
      ))}
    </>
  )
}
