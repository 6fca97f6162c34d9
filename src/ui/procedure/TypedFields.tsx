'use client'
import type { ChangeEvent } from 'react'
import { Controller, useFormContext } from 'react-hook-form'
import { SelectField, TextField } from '../forms/Field'
import type { Spec } from './formSpec'
import { needChoices, waitChoices } from '@/core/procedure/needChoices'
import { dependentWords, neededWords } from '@/words/needWords'
import { useDocument } from './formContext'

type Typed<K extends Spec['as']> = { spec: Extract<Spec, { as: K }>; path: string; problem: string | undefined }

/** A text that stands for something else: `shows` makes it of the value, `reads` makes the value of it. */
function TextOf<V>({
  spec,
  path,
  problem,
  label = spec.label,
  shows,
  reads,
  when = 'onChange',
  ...input
}: {
  spec: { label: string; help?: string }
  path: string
  problem: string | undefined
  label?: string
  shows: (value: V) => string | number
  reads: (text: string) => unknown
  /** On blur where half of it, as it is typed, would not be understood. */
  when?: 'onChange' | 'onBlur'
  inputMode?: 'decimal'
}) {
  const { control } = useFormContext()
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => (
        <TextField
          label={label}
          help={spec.help}
          problem={problem}
          defaultValue={shows(field.value as V)}
          {...input}
          {...{ [when]: (event: ChangeEvent<HTMLInputElement>) => field.onChange(reads(event.target.value)) }}
        />
      )}
    />
  )
}

/** Several words with commas. */
export function TextsField(props: Typed<'text' | 'long' | 'texts'>) {
  const words = (text: string) =>
    text
      .split(',')
      .map((word) => word.trim())
      .filter(Boolean)
  return <TextOf<string[]> {...props} shows={(value) => value.join(', ')} reads={words} when="onBlur" />
}

/** What is no number stays in as it was typed, so that the record's own check refuses it. */
export function NumberField(props: Typed<'number'>) {
  const { label, unit, nullable } = props.spec
  const number = (text: string) => {
    const plain = text.trim().replace(',', '.')
    if (plain === '') return nullable ? null : plain
    return Number.isNaN(Number(plain)) ? plain : Number(plain)
  }
  return (
    <TextOf<number | null>
      {...props}
      label={unit ? `${label} (${unit})` : label}
      shows={(value) => value ?? ''}
      reads={number}
      inputMode="decimal"
    />
  )
}

export function PointsField(props: Typed<'points'>) {
  const words = (points: [number, number][]) => points.map(([x, y]) => `${x},${y}`).join(' ')
  return <TextOf<[number, number][]> {...props} shows={words} reads={pointsFrom} />
}

/** What waits, or what is waited for. */
export function NeedField({ spec, path, problem }: Typed<'waits' | 'needs'>) {
  const { control } = useFormContext()
  const document = useDocument()
  const options =
    spec.as === 'waits'
      ? waitChoices(document).map((value) => option(value, dependentWords(document, value)))
      : needChoices(document).map((value) => option(value, neededWords(document, value)))
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => (
        <SelectField
          className="sm:col-span-2"
          label={spec.label}
          problem={problem}
          value={field.value ? textOf(field.value as object) : ''}
          onChange={(event) => field.onChange(options.find((option) => option.key === event.target.value)?.value)}
        >
          <option value="">choose…</option>
          {options.map((option) => (
            <option key={option.key} value={option.key}>
              {option.words}
            </option>
          ))}
        </SelectField>
      )}
    />
  )
}

/** The same text for the same choice, whatever order its fields were written in. */
function textOf(value: object): string {
  return JSON.stringify(value, Object.keys(value).sort())
}

const option = <T extends object>(value: T, words: string) => ({ key: textOf(value), words, value })

/** "0,0 200,0 200,100" as points; what is no number stays in as such, so that the record's own check refuses it. */
function pointsFrom(text: string): (number | undefined)[][] {
  return text
    .trim()
    .split(/\s+/)
    .map((pair) =>
      pair.split(',').map((value) => (value !== '' && Number.isFinite(Number(value)) ? Number(value) : undefined)),
    )
}
