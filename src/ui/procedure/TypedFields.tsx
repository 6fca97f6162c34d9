'use client'
import { Controller, useFormContext } from 'react-hook-form'
import { SelectField, TextField } from '../forms/Field'
import type { Spec } from './formSpec'
import { needChoices, waitChoices } from '@/core/procedure/needChoices'
import { dependentWords, neededWords } from '@/words/needWords'
import { useDocument } from './formContext'

type Typed<K extends Spec['as']> = { spec: Extract<Spec, { as: K }>; path: string; problem: string | undefined }

/** Several words with commas. */
export function TextsField({ spec, path, problem }: Typed<'text' | 'long' | 'texts'>) {
  const { control } = useFormContext()
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => (
        <TextField
          label={spec.label}
          help={spec.help}
          problem={problem}
          defaultValue={(field.value as string[]).join(', ')}
          onBlur={(event) =>
            field.onChange(
              event.target.value
                .split(',')
                .map((word) => word.trim())
                .filter(Boolean),
            )
          }
        />
      )}
    />
  )
}

export function NumberField({ spec, path, problem }: Typed<'number'>) {
  const { control } = useFormContext()
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => (
        <TextField
          label={spec.unit ? `${spec.label} (${spec.unit})` : spec.label}
          help={spec.help}
          problem={problem}
          inputMode="decimal"
          defaultValue={field.value ?? ''}
          onChange={(event) => {
            const text = event.target.value.trim().replace(',', '.')
            field.onChange(
              text === '' && spec.nullable ? null : Number.isNaN(Number(text)) || text === '' ? text : Number(text),
            )
          }}
        />
      )}
    />
  )
}

export function PointsField({ spec, path, problem }: Typed<'points'>) {
  const { control } = useFormContext()
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => (
        <TextField
          label={spec.label}
          help={spec.help}
          problem={problem}
          defaultValue={(field.value as [number, number][]).map(([x, y]) => `${x},${y}`).join(' ')}
          onChange={(event) => field.onChange(pointsFrom(event.target.value))}
        />
      )}
    />
  )
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
