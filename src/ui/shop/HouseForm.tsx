'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm, type Path } from 'react-hook-form'
import { HouseValues } from '@/core/shop/houseValues'
import { SelectField, TextField } from '../forms/Field'
import { SaveBar } from './SaveBar'
import { useFilledFrom, useSaving, type SaveShared } from './useSaving'

type Entry = { path: Path<HouseValues>; label: string; unit: string; help?: string }
/** Under which the shop's time zone stands. */
const PLACE = 'Walking'
const GROUPS: { title: string; entries: Entry[] }[] = [
  {
    title: 'Work, until there are measured times',
    entries: [
      { path: 'clipS', label: 'A clip, out or in', unit: 's' },
      { path: 'screwS', label: 'A screw, out or in', unit: 's' },
      { path: 'actS', label: 'Any other act', unit: 's' },
      { path: 'slowLatchMoreS', label: 'More for a latch with a lock, collar or screw', unit: 's' },
      { path: 'threadedMoreS', label: 'More for a threaded plug', unit: 's' },
      { path: 'hardMoreS', label: 'More for what is hard or sticks', unit: 's' },
      { path: 'unseenMoreS', label: 'More by mirror or feel, each', unit: 's' },
      { path: 'toolChangeS', label: 'Taking up another tool', unit: 's' },
    ],
  },
  {
    title: PLACE,
    entries: [
      { path: 'nextSeatS', label: 'To the next seat', unit: 's' },
      { path: 'acrossS', label: 'Across the cabin', unit: 's' },
      { path: 'outsideS', label: 'Around the vehicle', unit: 's' },
    ],
  },
  {
    title: 'Care',
    entries: [
      {
        path: 'airbagWaitMin',
        label: 'Wait after battery off',
        unit: 'min',
        help: 'Where the maker’s figure is not known. The maker’s data goes first.',
      },
      { path: 'coldBrittleC', label: 'Brittle parts get a caution below', unit: '°C' },
      { path: 'liftMassKg', label: 'One person lifts at most', unit: 'kg' },
      {
        path: 'tellThreshold',
        label: 'Signs of a choice count as told from',
        unit: '0.9 to 0.9999',
        help: 'Below it the choice is verified where it can be seen for certain.',
      },
    ],
  },
]

/** The house's own figures. Plans are timed with them until there are measured times. */
export function HouseForm({
  house,
  zones,
  may,
  save,
}: {
  house: HouseValues
  /** Time zones to choose from: the server's own list. */
  zones: readonly string[]
  may: boolean
  save: SaveShared<HouseValues>
}) {
  const form = useForm<HouseValues>({ resolver: zodResolver(HouseValues) as never, defaultValues: house })
  const saving = useSaving()
  const saveFilled = useFilledFrom(house, save)
  const { errors } = form.formState
  return (
    <form
      className="space-y-6"
      noValidate
      onSubmit={form.handleSubmit((value) => saving.save(() => saveFilled(value)))}
    >
      <div className="grid gap-8 md:grid-cols-3">
        {GROUPS.map((group) => (
          <fieldset key={group.title} className="space-y-3">
            <legend className="mb-2 w-full border-b-2 border-ink pb-1 text-lg font-bold">{group.title}</legend>
            {group.title === 'Walking' && null}
            {group.entries.map(({ path, label, unit, help }) => (
              <TextField
                key={path}
                label={`${label} (${unit})`}
                help={help}
                inputMode="decimal"
                readOnly={!may}
                problem={(errors as Record<string, { message?: string } | undefined>)[path]?.message}
                {...form.register(path, { setValueAs: asNumber })}
              />
            ))}
            {group.title === PLACE && (
              <>
                <h2 className="mb-2 w-full border-b-2 border-ink pb-1 pt-5 text-lg font-bold">
                  Times and money on pages and paper
                </h2>
                <SelectField label="Time zone of the shop" disabled={!may} {...form.register('timeZone')}>
                  <option value="">as the machine that shows the time</option>
                  {[...new Set([house.timeZone, ...zones])].filter(Boolean).map((zone) => (
                    <option key={zone}>{zone}</option>
                  ))}
                </SelectField>
                <TextField
                  label="Currency"
                  help="Three letters, as EUR or GBP."
                  readOnly={!may}
                  problem={errors.currency?.message}
                  {...form.register('currency', { setValueAs: (text: unknown) => String(text).trim().toUpperCase() })}
                />
                <TextField
                  label="An hour of work"
                  help="For quotations. Empty: no price of work is shown."
                  inputMode="decimal"
                  readOnly={!may}
                  problem={errors.labourMinorPerHour?.message}
                  defaultValue={house.labourMinorPerHour === null ? '' : (house.labourMinorPerHour / 100).toFixed(2)}
                  onChange={(event) =>
                    form.setValue('labourMinorPerHour', asMinor(event.target.value) as number | null, {
                      shouldDirty: true,
                    })
                  }
                />
              </>
            )}
          </fieldset>
        ))}
      </div>
      <SaveBar {...saving} may={may} who="A lead" />
    </form>
  )
}

/** "72.00" as whole minor units; empty = nobody has said; anything else as typed, for the form to refuse. */
export function asMinor(text: string): unknown {
  if (text.trim() === '') return null
  const typed = asNumber(text)
  return typeof typed === 'number' ? Math.round(typed * 100) : typed
}

/** "3,5" and "3.5" are the same number; anything else stays as typed, so that the form can say what is wrong. */
export function asNumber(text: unknown): unknown {
  const typed = String(text).trim().replace(',', '.')
  return typed !== '' && Number.isFinite(Number(typed)) ? Number(typed) : typed
}
