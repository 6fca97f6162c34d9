'use client'
import { Plus, Trash2 } from 'lucide-react'
import { Controller, useFormContext } from 'react-hook-form'
import type { Access } from '@/core/procedure/access'
import type { Bore } from '@/core/procedure/bore'
import { SelectField, TextField } from '../forms/Field'
import { useDocument } from './formContext'
import { LEVELS_OPENED } from './formSpec'

/** What has to be open: cavities, and parts at a level. */
export function AccessField({ path, label }: { path: string; label: string }) {
  const { control } = useFormContext()
  const { cavities, parts } = useDocument()
  const things: [string, string, Access][] = [
    ...cavities.map((item): [string, string, Access] => [
      `cavity:${item.id}`,
      item.name,
      { kind: 'cavity', cavityId: item.id },
    ]),
    ...parts.map((item): [string, string, Access] => [
      `part:${item.id}`,
      item.name,
      { kind: 'part', partId: item.id, level: 'off' },
    ]),
  ]
  const keyOf = (access: Access) => (access.kind === 'cavity' ? `cavity:${access.cavityId}` : `part:${access.partId}`)
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => {
        const list = (field.value ?? []) as Access[]
        return (
          <fieldset className="sm:col-span-2">
            <legend className="mb-0.5 text-[15px] font-semibold">{label}</legend>
            {list.length === 0 && <p className="text-second">nothing: a hand gets there as it is</p>}
            {list.map((access, i) => (
              <div key={i} className="mb-1 flex flex-wrap items-end gap-2">
                <SelectField
                  label={i === 0 ? 'Part or cavity' : 'And'}
                  value={keyOf(access)}
                  onChange={(event) => {
                    const chosen = things.find(([key]) => key === event.target.value)
                    if (chosen) field.onChange(list.with(i, chosen[2]))
                  }}
                >
                  {things.map(([key, name]) => (
                    <option key={key} value={key}>
                      {name}
                    </option>
                  ))}
                </SelectField>
                {access.kind === 'part' && (
                  <SelectField
                    label="Level"
                    value={access.level}
                    onChange={(event) =>
                      field.onChange(list.with(i, { ...access, level: event.target.value as typeof access.level }))
                    }
                  >
                    {LEVELS_OPENED.map((level) => (
                      <option key={level}>{level}</option>
                    ))}
                  </SelectField>
                )}
                <button
                  type="button"
                  className="desk-button"
                  aria-label="Take this out"
                  onClick={() => field.onChange(list.toSpliced(i, 1))}
                >
                  <Trash2 size={16} aria-hidden />
                </button>
              </div>
            ))}
            {things.length > 0 && (
              <button type="button" className="desk-button" onClick={() => field.onChange([...list, things[0]![2]])}>
                <Plus size={16} aria-hidden /> {list.length === 0 ? 'Something has to be open' : 'And another'}
              </button>
            )}
          </fieldset>
        )
      }}
    />
  )
}

const ROUND: Bore = { shape: 'round', diameterMm: 14 }
const SLOT: Bore = { shape: 'slot', widthMm: 100, heightMm: 10 }

/** What is free at the narrowest: a hole's diameter, a slot's two sides, or nobody has said. */
export function BoreField({ path, label, problem }: { path: string; label: string; problem: string | undefined }) {
  const { control } = useFormContext()
  return (
    <Controller
      control={control}
      name={path}
      render={({ field }) => {
        const bore = field.value as Bore | null
        const side = (name: string, key: string, value: number) => (
          <TextField
            label={`${name} (mm)`}
            inputMode="decimal"
            defaultValue={value}
            onChange={(event) => field.onChange({ ...bore, [key]: Number(event.target.value.replace(',', '.')) })}
          />
        )
        return (
          <div className="flex flex-wrap items-end gap-2 sm:col-span-2">
            <SelectField
              label={label}
              value={bore?.shape ?? ''}
              problem={problem}
              onChange={(event) =>
                field.onChange(event.target.value === 'round' ? ROUND : event.target.value === 'slot' ? SLOT : null)
              }
            >
              <option value="">room enough, or nobody has said</option>
              <option value="round">a round hole</option>
              <option value="slot">a slot</option>
            </SelectField>
            {bore?.shape === 'round' && side('Diameter', 'diameterMm', bore.diameterMm)}
            {bore?.shape === 'slot' && side('Wide', 'widthMm', bore.widthMm)}
            {bore?.shape === 'slot' && side('High', 'heightMm', bore.heightMm)}
          </div>
        )
      }}
    />
  )
}
