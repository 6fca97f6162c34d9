'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form'
import type { ProcedureDocument } from '@/core/procedure/document'
import { Options, SelectField, TextField } from '../forms/Field'
import { holderWords, ownerWords } from '@/words/items'
import type { ItemKind, Spec } from './formSpec'
import { newId } from '@/client/newId'
import { useDocument } from './formContext'
import { PhotoField, StationField, StationsField, Checks, WhenField } from './ChoiceFields'
import { AccessField, BoreField } from './WayFields'
import { NeedField, NumberField, PointsField, TextsField } from './TypedFields'

/** One entry of a form, by its spec; `at` is the path of the row it stands in. */
export function SpecField({ spec, at = '' }: { spec: Spec; at?: string }) {
  const path = at ? `${at}.${spec.path}` : spec.path
  const { register, formState } = useFormContext()
  const document = useDocument()
  const problem = errorAt(formState.errors, path)
  switch (spec.as) {
    case 'text':
      return (
        <TextField label={spec.label} help={spec.help} problem={problem} suggest={spec.suggest} {...register(path)} />
      )
    case 'long':
      return (
        <div className="sm:col-span-2">
          <label className="block">
            <span className="mb-0.5 block text-[15px] font-semibold">{spec.label}</span>
            <textarea className="field min-h-16" {...register(path)} />
          </label>
          {problem && <p className="text-sm font-bold text-stop">{problem}</p>}
        </div>
      )
    case 'texts':
      return <TextsField spec={spec} path={path} problem={problem} />
    case 'number':
      return <NumberField spec={spec} path={path} problem={problem} />
    case 'points':
      return <PointsField spec={spec} path={path} problem={problem} />
    case 'choice':
      return (
        <SelectField
          label={spec.label}
          help={spec.help}
          problem={problem}
          {...register(path, { setValueAs: (value: string | null) => (value === '' ? null : value) })}
        >
          <Options values={spec.options} empty={spec.empty} />
        </SelectField>
      )
    case 'station':
      return <StationField path={path} label={spec.label} empty={spec.empty} problem={problem} />
    case 'stations':
      return <StationsField path={path} label={spec.label} />
    case 'choices':
      return <Checks path={path} label={spec.label} options={spec.options.map((value) => [value, value])} />
    case 'yes':
      return (
        <label className="flex min-h-9 items-center gap-3 self-end">
          <input type="checkbox" className="size-5 accent-[var(--petrol)]" {...register(path)} /> {spec.label}
        </label>
      )
    case 'photo':
      return <PhotoField path={path} label={spec.label} />
    case 'item':
      return (
        <SelectField
          label={spec.label}
          help={spec.help}
          problem={problem}
          {...register(path, { setValueAs: (value: string | null) => (value === '' && spec.empty ? null : value) })}
        >
          <option value="">{spec.empty ?? 'choose…'}</option>
          {itemsOf(document, spec.of).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
      )
    case 'items':
      return <Checks path={path} label={spec.label} options={itemsOf(document, spec.of)} problem={problem} />
    case 'when':
      return <WhenField path={path} />
    case 'access':
      return <AccessField path={path} label={spec.label} />
    case 'bore':
      return <BoreField path={path} label={spec.label} problem={problem} />
    case 'waits':
    case 'needs':
      return <NeedField spec={spec} path={path} problem={problem} />
    case 'maybe':
      return <Maybe spec={spec} path={path} />
    case 'rows':
      return <Rows spec={spec} path={path} />
  }
}

function Maybe({ spec, path }: { spec: Extract<Spec, { as: 'maybe' }>; path: string }) {
  const { setValue } = useFormContext()
  const value: unknown = useWatch({ name: path })
  return (
    <div className="sm:col-span-2">
      <label className="flex min-h-9 items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-[var(--petrol)]"
          checked={value !== null}
          onChange={(event) => setValue(path, event.target.checked ? spec.blank : null)}
        />{' '}
        {spec.label}
      </label>
      {value !== null && (
        <div className="grid gap-3 pl-8 sm:grid-cols-2">
          {spec.specs.map((inner) => (
            <SpecField key={inner.path} spec={inner} at={path} />
          ))}
        </div>
      )}
    </div>
  )
}

function Rows({ spec, path }: { spec: Extract<Spec, { as: 'rows' }>; path: string }) {
  const { control, formState } = useFormContext()
  const { fields, append, remove } = useFieldArray({ control, name: path, keyName: 'rowKey' })
  const problem = errorAt(formState.errors, path)
  return (
    <fieldset className="sm:col-span-2">
      <legend className="mb-0.5 text-[15px] font-semibold">{spec.label}</legend>
      <ul className="space-y-2">
        {fields.map((row, index) => (
          <li key={row.rowKey} className="flex items-start gap-2 border-l-4 border-hair pl-3">
            <div className="grid flex-1 gap-2 sm:grid-cols-3">
              {spec.specs.map((inner) => (
                <SpecField key={inner.path} spec={inner} at={`${path}.${index}`} />
              ))}
            </div>
            <button
              type="button"
              aria-label={`Remove row ${index + 1}`}
              className="mt-6 grid size-9 place-items-center rounded hover:bg-tint"
              onClick={() => remove(index)}
            >
              <Trash2 size={18} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {problem && <p className="text-sm font-bold text-stop">{problem}</p>}
      <button
        type="button"
        className="jump mt-1 inline-flex items-center gap-1"
        onClick={() => append({ ...structuredClone(spec.blank), ...(spec.ids ? { id: newId('row') } : {}) })}
      >
        <Plus size={16} aria-hidden /> {spec.add}
      </button>
    </fieldset>
  )
}

function itemsOf(document: ProcedureDocument, of: ItemKind): [string, string][] {
  if (of === 'holders')
    return document.holders.map((holder) => [holder.id, `${holderWords(holder)} of ${ownerWords(document, holder)}`])
  if (of === 'anything')
    return [...document.parts, ...document.tethers, ...document.settings]
      .map((item): [string, string] => [item.id, item.name])
      .concat(itemsOf(document, 'holders'))
  return document[of].map((item) => [item.id, item.name])
}

/** The sentence at a path of the form's errors, wherever the library put it. */
function errorAt(errors: object, path: string): string | undefined {
  let at: unknown = errors
  for (const step of path.split('.'))
    at = typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[step] : undefined
  if (typeof at !== 'object' || at === null) return undefined
  const found = at as { message?: unknown; root?: { message?: unknown } }
  const message = found.message ?? found.root?.message
  return typeof message === 'string' ? message : undefined
}
