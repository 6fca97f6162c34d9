'use client'
import { Plus, Trash2 } from 'lucide-react'
import { createContext, useContext } from 'react'
import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form'
import { mediaUrl } from '@/client/media'
import type { ProcedureDocument } from '@/core/procedure/document'
import { STATIONS } from '@/core/procedure/stations'
import { Options, SelectField, TextField } from '../forms/Field'
import { holderWords, ownerWords } from '@/words/items'
import type { ItemKind, Spec } from './formSpec'
import { newId } from '@/client/newId'
import { needChoices, waitChoices } from '@/core/procedure/needChoices'
import { dependentWords, neededWords } from '@/words/needWords'

const Context = createContext<ProcedureDocument | null>(null)
export const DocumentForForm = Context.Provider
/** Stations the shop has besides the usual ones. */
const OwnStations = createContext<readonly string[]>([])
export const StationsForForm = OwnStations.Provider

/** Photos of this model's jobs, to choose a picture from. */
const Photos = createContext<readonly { photoId: string; words: string }[]>([])
export const PhotosForForm = Photos.Provider

function useDocument(): ProcedureDocument {
  const document = useContext(Context)
  if (!document) throw new Error('A fact form was shown outside its document.')
  return document
}

/** One entry of a form, by its spec; `at` is the path of the row it stands in. */
export function SpecField({ spec, at = '' }: { spec: Spec; at?: string }) {
  const path = at ? `${at}.${spec.path}` : spec.path
  const { register, formState, control } = useFormContext()
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
    case 'number':
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
    case 'points':
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
    case 'waits':
    case 'needs': {
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
    case 'maybe':
      return <Maybe spec={spec} path={path} />
    case 'rows':
      return <Rows spec={spec} path={path} />
  }
}

/** A picture among the photos that jobs on this model took. */
function PhotoField({ path, label }: { path: string; label: string }) {
  const { register } = useFormContext()
  const photos = useContext(Photos)
  const now = useWatch({ name: path }) as string | null
  return (
    <div className="flex items-end gap-3">
      <SelectField
        label={label}
        help={photos.length === 0 ? 'Take one on a job; it is offered here then.' : undefined}
        {...register(path, { setValueAs: (value: string | null) => (value === '' ? null : value) })}
      >
        <option value="">none</option>
        {photos.map((photo, i) => (
          <option key={photo.photoId} value={photo.photoId}>
            {`${i + 1}: ${photo.words}`}
          </option>
        ))}
      </SelectField>
      {now && (
        // eslint-disable-next-line @next/next/no-img-element
        <img
          src={mediaUrl(now, 'small')}
          alt="The picture chosen"
          className="h-16 w-24 border border-hair object-cover"
        />
      )}
    </div>
  )
}

function StationField({
  path,
  label,
  empty,
  problem,
}: {
  path: string
  label: string
  empty?: string
  problem?: string
}) {
  const { register, getValues } = useFormContext()
  const own = useContext(OwnStations)
  const now = getValues(path) as string | null
  // A station the shop has given up stays what this record says.
  const names = [...new Set([...STATIONS, ...own, ...(now ? [now] : [])])]
  return (
    <SelectField
      label={label}
      problem={problem}
      {...register(path, { setValueAs: (value: string | null) => (value === '' ? null : value) })}
    >
      <Options values={names} empty={empty} />
    </SelectField>
  )
}

function StationsField({ path, label }: { path: string; label: string }) {
  const { getValues } = useFormContext()
  const now = (getValues(path) as string[] | undefined) ?? []
  const names = [...new Set([...STATIONS, ...useContext(OwnStations), ...now])]
  return <Checks path={path} label={label} options={names.map((name) => [name, name])} />
}

/** The same text for the same choice, whatever order its fields were written in. */
function textOf(value: object): string {
  return JSON.stringify(value, Object.keys(value).sort())
}

const option = <T extends object>(value: T, words: string) => ({ key: textOf(value), words, value })

function Checks({
  path,
  label,
  options,
  problem,
}: {
  path: string
  label: string
  options: readonly (readonly [string, string])[]
  problem?: string
}) {
  const { control } = useFormContext()
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => {
        const chosen = (field.value as string[] | undefined) ?? []
        const toggle = (value: string) =>
          field.onChange(chosen.includes(value) ? chosen.filter((item) => item !== value) : [...chosen, value])
        return (
          <fieldset className="sm:col-span-2">
            <legend className="mb-0.5 text-[15px] font-semibold">{label}</legend>
            <div className="flex max-h-40 flex-wrap gap-x-4 overflow-auto rounded border-2 border-hair px-2 py-1">
              {options.map(([value, name]) => (
                <label key={value} className="flex min-h-8 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-4 accent-[var(--petrol)]"
                    checked={chosen.includes(value)}
                    onChange={() => toggle(value)}
                  />{' '}
                  {name}
                </label>
              ))}
              {options.length === 0 && <span className="text-second">nothing to choose from yet</span>}
            </div>
            {problem && <p className="text-sm font-bold text-stop">{problem}</p>}
          </fieldset>
        )
      }}
    />
  )
}

function WhenField({ path }: { path: string }) {
  const document = useDocument()
  const { control } = useFormContext()
  if (document.facets.length === 0)
    return <p className="text-second sm:col-span-2">No facet is recorded: everything exists on every example.</p>
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => {
        const when = field.value as Record<string, string[]>
        const toggle = (facetId: string, choice: string) => {
          const { [facetId]: now = [], ...others } = when
          const next = now.includes(choice) ? now.filter((item) => item !== choice) : [...now, choice]
          field.onChange(next.length > 0 ? { ...others, [facetId]: next } : others)
        }
        return (
          <div className="space-y-1 sm:col-span-2">
            {document.facets.map((facet) => (
              <fieldset key={facet.id} className="flex flex-wrap items-center gap-x-4">
                <legend className="float-left w-32 font-semibold">{facet.name}</legend>
                {facet.choices.map((choice) => (
                  <label key={choice.id} className="flex min-h-8 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-4 accent-[var(--petrol)]"
                      checked={when[facet.id]?.includes(choice.id) ?? false}
                      onChange={() => toggle(facet.id, choice.id)}
                    />{' '}
                    {choice.name}
                  </label>
                ))}
              </fieldset>
            ))}
            <p className="text-sm text-second">Nothing ticked: on all.</p>
          </div>
        )
      }}
    />
  )
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

/** "0,0 200,0 200,100" as points; what is no number stays in as such, so that the record's own check refuses it. */
function pointsFrom(text: string): (number | undefined)[][] {
  return text
    .trim()
    .split(/\s+/)
    .map((pair) =>
      pair.split(',').map((value) => (value !== '' && Number.isFinite(Number(value)) ? Number(value) : undefined)),
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
