'use client'
import { useContext } from 'react'
import { CheckList } from '../forms/CheckList'
import { Controller, useFormContext, useWatch } from 'react-hook-form'
import { mediaUrl } from '@/client/media'
import { Options, SelectField } from '../forms/Field'
import { OwnStations, Photos, useDocument } from './formContext'
import { STATIONS } from '@/core/procedure/stations'

/** A picture among the photos that jobs on this model took. */
export function PhotoField({ path, label }: { path: string; label: string }) {
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

export function StationField({
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

export function StationsField({ path, label }: { path: string; label: string }) {
  const { getValues } = useFormContext()
  const now = (getValues(path) as string[] | undefined) ?? []
  const names = [...new Set([...STATIONS, ...useContext(OwnStations), ...now])]
  return <Checks path={path} label={label} options={names.map((name) => [name, name])} />
}

export function Checks({
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
      render={({ field }) => (
        <CheckList
          className="sm:col-span-2"
          label={label}
          options={options}
          chosen={(field.value as string[] | undefined) ?? []}
          onChange={field.onChange}
          framed
          empty="nothing to choose from yet"
          problem={problem}
        />
      )}
    />
  )
}

export function WhenField({ path }: { path: string }) {
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
