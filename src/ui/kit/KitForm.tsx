'use client'
import { Trash2 } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { newId } from '@/client/newId'
import { copyKit } from '@/core/shop/copyKit'
import { Kit } from '@/core/shop/kit'
import { STATIONS } from '@/core/procedure/stations'
import { SelectField, TextField } from '../forms/Field'
import { SaveBar } from '../shop/SaveBar'
import { useSaving, type Saved } from '../shop/useSaving'
import { KitAside } from './KitAside'
import { KitBox } from './KitBox'
import { KitFacets } from './KitFacets'
import type { KitModel } from './KitFitSection'
import { KitLeads } from './KitLeads'
import { KitModels } from './KitModels'
import { KitModules } from './KitModules'
import { FoundTroubles, type FoundTrouble } from './FoundTroubles'
import { FunctionRows } from './FunctionRows'
import { KitPhotos } from './PictureField'
import { ChangeRows, type KitEdited } from './KitRows'
import { WorkRows } from './WorkRows'
import { useKitDraft } from './useKitDraft'

type Save = (input: {
  kit: Kit
  version: number
}) => Promise<{ status: 'done'; version: number } | { status: 'refused'; sentence: string }>

/**
 * A kit: what is in the box, how it may differ, what is set, the work it does, the functions it adds, what it changes
 * for good, and how it meets each model. Beside it what it comes to and what is to be put right.
 */
export function KitForm({
  kit: given,
  version: first,
  others,
  models,
  stations,
  currency,
  found,
  photos,
  may,
  save,
  remove,
}: {
  kit: Kit
  version: number
  /** The shop's other kits, to begin with a copy of one. */
  others: readonly Kit[]
  models: KitModel[]
  stations: string[]
  currency: string
  /** What jobs have found of its functions, and it does not say yet. */
  found: readonly FoundTrouble[]
  photos: readonly { photoId: string; words: string }[]
  may: boolean
  save: Save
  remove: (kitId: string) => Promise<Saved>
}) {
  const { kit, set, undo, canUndo } = useKitDraft(given)
  const [version, setVersion] = useState(first)
  const [problem, setProblem] = useState('')
  const saving = useSaving()
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const parsed = Kit.safeParse(kit)
    if (!parsed.success) return setProblem(whereWords(kit, parsed.error.issues[0]!))
    setProblem('')
    saving.save(
      () => save({ kit: parsed.data, version }),
      (answer) => setVersion(answer.version),
    )
  }
  const facets = [
    ...kit.facets,
    ...models
      .filter(({ procedureId }) => kit.fits.some((fit) => fit.procedureId === procedureId))
      .flatMap(({ document }) => document.facets),
  ]
  const edited: KitEdited = { kit, set }
  return (
    <form className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_20rem]" onSubmit={submit} noValidate>
      <div className="max-w-5xl space-y-8">
        <fieldset disabled={!may} className="min-w-0 space-y-8">
          {version === 0 && others.length > 0 && (
            <BeginWith others={others} begin={(other) => set({ ...copyKit(other, kit.id, newId) })} />
          )}
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
          <KitBox {...edited} facets={facets} />
          <KitFacets {...edited} />
          <KitLeads {...edited} facets={facets} />
          <KitModules {...edited} facets={facets} />
          <KitPhotos value={photos}>
            <WorkRows {...edited} places={[...STATIONS, ...stations]} facets={facets} />
          </KitPhotos>
          <FunctionRows {...edited} facets={facets} />
          <FoundTroubles {...edited} found={found} />
          <ChangeRows {...edited} facets={facets} />
          <KitModels {...edited} models={models} />
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
      </div>
      <KitAside kit={kit} models={models} undo={undo} canUndo={canUndo && may} currency={currency} />
    </form>
  )
}

/** A new kit begun with the facts of another. */
function BeginWith({ others, begin }: { others: readonly Kit[]; begin: (kit: Kit) => void }) {
  return (
    <SelectField
      label="Begin with a copy of"
      className="max-w-sm"
      value=""
      onChange={(event) => {
        const other = others.find(({ id }) => id === event.target.value)
        if (other) begin(other)
      }}
    >
      <option value="">nothing: an empty kit</option>
      {others.map((other) => (
        <option key={other.id} value={other.id}>
          {other.name}
        </option>
      ))}
    </SelectField>
  )
}

/** Whose entry is wrong: "Display: A count is a whole number." */
function whereWords(kit: Kit, issue: { path: PropertyKey[]; message: string }): string {
  const [list, index] = issue.path
  const items = kit[list as keyof Kit]
  const item: unknown = Array.isArray(items) && typeof index === 'number' ? items[index] : null
  const name = item && typeof item === 'object' && 'name' in item && typeof item.name === 'string' ? item.name : ''
  return name === '' ? issue.message : `${name}: ${issue.message}`
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
