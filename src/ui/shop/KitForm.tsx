'use client'
import { Trash2 } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { Kit } from '@/core/shop/kit'
import { TextField } from '../forms/Field'
import { KitModels } from './KitModels'
import { ChangeRows, FunctionRows, WorkRows } from './KitRows'
import { SaveBar } from './SaveBar'
import { useSaving, type Saved } from './useSaving'
import type { KitModel } from './KitFitSection'
import { STATIONS } from '@/core/procedure/stations'

type Save = (input: {
  kit: Kit
  version: number
}) => Promise<{ status: 'done'; version: number } | { status: 'refused'; sentence: string }>

/** A kit: the work it does, the functions it adds, what it changes for good, and how it meets each model. */
export function KitForm({
  kit: given,
  version: first,
  models,
  stations,
  may,
  save,
  remove,
}: {
  kit: Kit
  version: number
  models: KitModel[]
  stations: string[]
  may: boolean
  save: Save
  remove: (kitId: string) => Promise<Saved>
}) {
  const [kit, setKit] = useState(given)
  const [version, setVersion] = useState(first)
  const [problem, setProblem] = useState('')
  const saving = useSaving()
  const set = (more: Partial<Kit>) => setKit({ ...kit, ...more })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const parsed = Kit.safeParse(kit)
    if (!parsed.success) return setProblem(parsed.error.issues[0]!.message)
    setProblem('')
    saving.save(
      () => save({ kit: parsed.data, version }),
      (answer) => setVersion(answer.version),
    )
  }
  const places = [...STATIONS, ...stations]
  return (
    <form className="max-w-5xl space-y-8" onSubmit={submit} noValidate>
      <fieldset disabled={!may} className="space-y-8">
        <div className="grid gap-4 md:grid-cols-2">
          <TextField
            label="Name"
            value={kit.name}
            maxLength={80}
            onChange={(event) => set({ name: event.target.value })}
          />
          <TextField
            label="Note"
            value={kit.note}
            maxLength={500}
            onChange={(event) => set({ note: event.target.value })}
          />
        </div>
        <WorkRows kit={kit} set={set} places={places} />
        <FunctionRows kit={kit} set={set} />
        <ChangeRows kit={kit} set={set} />
        <KitModels kit={kit} set={set} models={models} />
      </fieldset>
      <SaveBar
        {...saving}
        said={problem || saving.said}
        failed={problem !== '' || saving.failed}
        may={may}
        who="A lead"
        words="Save the kit"
      />
      {version > 0 && may && <RemoveKit name={kit.name} remove={() => remove(kit.id)} />}
    </form>
  )
}

function RemoveKit({ name, remove }: { name: string; remove: () => Promise<Saved> }) {
  const [sure, setSure] = useState(false)
  const saving = useSaving()
  return (
    <p className="flex items-center gap-3">
      <button
        type="button"
        className="desk-button"
        disabled={saving.pending}
        onClick={() => (sure ? saving.save(remove) : setSure(true))}
      >
        <Trash2 size={16} aria-hidden /> {sure ? `Yes, remove “${name}”` : 'Remove the kit'}
      </button>
      <span className="text-second">{saving.failed ? saving.said : 'Jobs it was planned with keep it.'}</span>
    </p>
  )
}
