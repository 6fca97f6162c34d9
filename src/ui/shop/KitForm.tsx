'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useState, type FormEvent, type ReactNode } from 'react'
import { ENDINGS } from '@/core/procedure/endings'
import type { ProcedureDocument } from '@/core/procedure/document'
import { STATIONS } from '@/core/procedure/stations'
import { Kit, KitFit, type Access } from '@/core/shop/kit'
import { WORK_KINDS } from '@/core/shop/workItem'
import { SelectField, TextField } from '../forms/Field'
import { ownerWords } from '@/words/items'
import { SaveBar } from './SaveBar'
import { useSaving, type Saved } from './useSaving'

export type KitModel = { procedureId: string; document: ProcedureDocument }
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
  const setFit = (i: number, more: Partial<KitFit>) => set({ fits: kit.fits.with(i, { ...kit.fits[i]!, ...more }) })
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
        <Rows
          title="Work, in any order"
          add="Add work"
          onAdd={() =>
            set({
              works: [
                ...kit.works,
                {
                  id: newId('work'),
                  name: '',
                  kind: 'mount',
                  station: 'centre',
                  helperStation: null,
                  tool: 'hand',
                  durationS: 120,
                  persons: 1,
                  unattendedS: 0,
                  afterWork: [],
                  note: '',
                },
              ],
            })
          }
          empty="No work yet: the kit would only open and close."
        >
          {kit.works.map((work, i) => {
            const change = (more: Partial<typeof work>) => set({ works: kit.works.with(i, { ...work, ...more }) })
            return (
              <Row key={work.id} name={work.name} onRemove={() => set({ works: kit.works.toSpliced(i, 1) })}>
                <TextField
                  className="lg:col-span-2"
                  label="What is done"
                  value={work.name}
                  onChange={(event) => change({ name: event.target.value })}
                />
                <Select
                  label="Kind"
                  value={work.kind}
                  options={WORK_KINDS.filter((kind) => kind !== 'bypass a signal')}
                  onChange={(kind) => change({ kind: kind as typeof work.kind })}
                />
                <Select
                  label="From"
                  value={work.station}
                  options={places}
                  onChange={(station) => change({ station })}
                />
                <NumberField label="Takes (s)" value={work.durationS} onChange={(durationS) => change({ durationS })} />
                <TextField label="With" value={work.tool} onChange={(event) => change({ tool: event.target.value })} />
                <NumberField label="Persons" value={work.persons} onChange={(persons) => change({ persons })} />
                <NumberField
                  label="Then waits (s)"
                  help="Glue, cooling, a first start."
                  value={work.unattendedS}
                  onChange={(unattendedS) => change({ unattendedS })}
                />
                <Picks
                  className="lg:col-span-4"
                  label="After"
                  options={kit.works
                    .filter((other) => other.id !== work.id)
                    .map((other) => [other.id, other.name || 'unnamed work'])}
                  chosen={work.afterWork}
                  onChange={(afterWork) => change({ afterWork })}
                />
              </Row>
            )
          })}
        </Rows>
        <Rows
          title="The vehicle can do afterwards"
          add="Add a function"
          onAdd={() =>
            set({
              functions: [
                ...kit.functions,
                {
                  id: newId('function'),
                  name: '',
                  how: '',
                  power: 'ignition',
                  readingUnit: '',
                  interim: 'when hidden',
                  warmUpS: 0,
                  afterWork: [],
                },
              ],
            })
          }
          empty="Nothing new."
        >
          {kit.functions.map((item, i) => {
            const change = (more: Partial<typeof item>) =>
              set({ functions: kit.functions.with(i, { ...item, ...more }) })
            return (
              <Row key={item.id} name={item.name} onRemove={() => set({ functions: kit.functions.toSpliced(i, 1) })}>
                <TextField
                  label="Function"
                  value={item.name}
                  onChange={(event) => change({ name: event.target.value })}
                />
                <TextField
                  label="It works when"
                  value={item.how}
                  onChange={(event) => change({ how: event.target.value })}
                />
                <Select
                  label="Power"
                  value={item.power}
                  options={['none', 'battery', 'accessory', 'ignition', 'engine']}
                  onChange={(power) => change({ power: power as typeof item.power })}
                />
                <NumberField
                  label="Its unit needs (s)"
                  value={item.warmUpS}
                  onChange={(warmUpS) => change({ warmUpS })}
                />
                <Picks
                  className="lg:col-span-4"
                  label="Can be tested after"
                  options={kit.works.map((work) => [work.id, work.name || 'unnamed work'])}
                  chosen={item.afterWork}
                  onChange={(afterWork) => change({ afterWork })}
                />
              </Row>
            )
          })}
        </Rows>
        <Rows
          title="Changed for good"
          add="Add a change"
          onAdd={() =>
            set({
              changes: [
                ...kit.changes,
                { id: newId('change'), what: 'drill', where: '', how: '', consent: false, edgeTreated: false },
              ],
            })
          }
          empty="Nothing is cut, filed or drilled."
        >
          {kit.changes.map((item, i) => {
            const change = (more: Partial<typeof item>) => set({ changes: kit.changes.with(i, { ...item, ...more }) })
            return (
              <Row key={item.id} name={item.where} onRemove={() => set({ changes: kit.changes.toSpliced(i, 1) })}>
                <Select
                  label="What"
                  value={item.what}
                  options={['cut', 'file', 'drill']}
                  onChange={(what) => change({ what: what as typeof item.what })}
                />
                <TextField
                  label="Where"
                  value={item.where}
                  onChange={(event) => change({ where: event.target.value })}
                />
                <TextField
                  label="How much"
                  value={item.how}
                  onChange={(event) => change({ how: event.target.value })}
                />
                <span className="space-y-1 self-end">
                  <Yes
                    label="customer’s consent in writing"
                    value={item.consent}
                    onChange={(consent) => change({ consent })}
                  />
                  <Yes
                    label="edge treated"
                    value={item.edgeTreated}
                    onChange={(edgeTreated) => change({ edgeTreated })}
                  />
                </span>
              </Row>
            )
          })}
        </Rows>
        <section>
          <h2 className="border-b-2 border-ink pb-1 text-xl">On these models</h2>
          {kit.fits.length === 0 && (
            <p className="py-2 text-second">
              On none yet: it can’t be planned. Add a model, then say what each piece of work needs open.
            </p>
          )}
          {kit.fits.map((fit, i) => {
            const model = models.find((item) => item.procedureId === fit.procedureId)
            return model ? (
              <Fit
                key={fit.procedureId}
                kit={kit}
                fit={fit}
                model={model}
                change={(more) => setFit(i, more)}
                remove={() => set({ fits: kit.fits.toSpliced(i, 1) })}
              />
            ) : null
          })}
          <div className="mt-3 flex flex-wrap gap-2">
            {models
              .filter((model) => !kit.fits.some((fit) => fit.procedureId === model.procedureId))
              .map((model) => (
                <button
                  key={model.procedureId}
                  type="button"
                  className="desk-button"
                  onClick={() => set({ fits: [...kit.fits, KitFit.parse({ procedureId: model.procedureId })] })}
                >
                  <Plus size={16} aria-hidden /> {model.document.name}
                </button>
              ))}
          </div>
        </section>
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

function Fit({
  kit,
  fit,
  model,
  change,
  remove,
}: {
  kit: Kit
  fit: KitFit
  model: KitModel
  change: (more: Partial<KitFit>) => void
  remove: () => void
}) {
  const { document } = model
  const options: [string, string, Access][] = [
    ...document.cavities.map((cavity): [string, string, Access] => [
      `cavity:${cavity.id}`,
      cavity.name,
      { kind: 'cavity', cavityId: cavity.id },
    ]),
    ...document.parts.map((part): [string, string, Access] => [
      `part:${part.id}`,
      `${part.name} off`,
      { kind: 'part', partId: part.id, level: 'off' },
    ]),
  ]
  const keyOf = (access: Access) => (access.kind === 'cavity' ? `cavity:${access.cavityId}` : `part:${access.partId}`)
  const things: [string, string][] = [
    ...document.parts.map((part): [string, string] => [part.id, part.name]),
    ...document.tethers.map((tether): [string, string] => [
      tether.id,
      `plug ${tether.name} of ${ownerWords(document, tether)}`,
    ]),
  ]
  return (
    <section className="mt-4 border-l-[6px] border-petrol pl-4" aria-label={`On ${document.name}`}>
      <h3 className="flex items-center justify-between text-lg">
        {document.name}
        <button type="button" className="desk-button" onClick={remove} aria-label={`Take ${document.name} out`}>
          <Trash2 size={16} aria-hidden />
        </button>
      </h3>
      {kit.works.map((work) => {
        const chosen = (fit.access[work.id] ?? []).map(keyOf)
        return (
          <details key={work.id} className="border-b border-hair py-1.5">
            <summary className="min-h-8 cursor-pointer">
              <b>{work.name || 'unnamed work'}</b> needs open:{' '}
              {chosen.length > 0 ? (
                chosen
                  .map((key) => options.find(([name]) => name === key)?.[1] ?? 'something this model does not have')
                  .join(', ')
              ) : (
                <span className="text-second">nothing: it is reached from outside</span>
              )}
            </summary>
            <Picks
              label="Open for it"
              options={options.map(([key, name]) => [key, name])}
              chosen={chosen}
              onChange={(keys) =>
                change({
                  access: {
                    ...fit.access,
                    [work.id]: options.filter(([key]) => keys.includes(key)).map(([, , access]) => access),
                  },
                })
              }
            />
          </details>
        )
      })}
      <div className="py-2">
        <p className="text-[15px] font-semibold">What does not simply go back</p>
        {fit.endings.map((ending, i) => (
          <div key={i} className="flex flex-wrap items-end gap-2 py-1">
            <SelectField
              label="Thing"
              value={ending.itemId}
              onChange={(event) => change({ endings: fit.endings.with(i, { ...ending, itemId: event.target.value }) })}
            >
              {things.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
            <Select
              label="Is"
              value={ending.ending}
              options={ENDINGS}
              onChange={(value) =>
                change({ endings: fit.endings.with(i, { ...ending, ending: value as typeof ending.ending }) })
              }
            />
            <button
              type="button"
              className="desk-button"
              aria-label="Remove this end"
              onClick={() => change({ endings: fit.endings.toSpliced(i, 1) })}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </div>
        ))}
        <button
          type="button"
          className="desk-button mt-1"
          disabled={things.length === 0}
          onClick={() => change({ endings: [...fit.endings, { itemId: things[0]![0], ending: 'replaced', note: '' }] })}
        >
          <Plus size={16} aria-hidden /> Add an end
        </button>
      </div>
      <div className="grid gap-x-6 md:grid-cols-2">
        <Picks
          label="Works differently afterwards"
          options={document.functions.map((item) => [item.id, item.name])}
          chosen={fit.functionsChanged}
          onChange={(functionsChanged) => change({ functionsChanged })}
        />
        <Picks
          label="Works no more"
          options={document.functions.map((item) => [item.id, item.name])}
          chosen={fit.functionsTaken}
          onChange={(functionsTaken) => change({ functionsTaken })}
        />
      </div>
    </section>
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

function newId(prefix: string): string {
  return `${prefix}-${crypto.randomUUID().slice(0, 8)}`
}

function Rows({
  title,
  add,
  onAdd,
  empty,
  children,
}: {
  title: string
  add: string
  onAdd: () => void
  empty: string
  children: ReactNode[]
}) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1 text-xl">{title}</h2>
      {children.length === 0 && <p className="py-2 text-second">{empty}</p>}
      {children}
      <button type="button" className="desk-button mt-3" onClick={onAdd}>
        <Plus size={16} aria-hidden /> {add}
      </button>
    </section>
  )
}

function Row({ name, onRemove, children }: { name: string; onRemove: () => void; children: ReactNode }) {
  return (
    <div className="flex items-start gap-3 border-b border-hair py-3">
      <div className="grid min-w-0 flex-1 gap-x-4 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">{children}</div>
      <button type="button" className="desk-button mt-6" aria-label={`Remove ${name || 'this row'}`} onClick={onRemove}>
        <Trash2 size={16} aria-hidden />
      </button>
    </div>
  )
}

function Select({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string
  options: readonly string[]
  onChange: (value: string) => void
}) {
  return (
    <SelectField label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {options.map((option) => (
        <option key={option}>{option}</option>
      ))}
    </SelectField>
  )
}

function NumberField({
  label,
  help,
  value,
  onChange,
}: {
  label: string
  help?: string
  value: number
  onChange: (value: number) => void
}) {
  return (
    <TextField
      label={label}
      help={help}
      type="number"
      min={0}
      value={value}
      onChange={(event) => onChange(event.target.valueAsNumber)}
    />
  )
}

function Yes({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  return (
    <label className="flex min-h-8 items-center gap-2 text-[15px]">
      <input
        type="checkbox"
        className="size-5 accent-[var(--petrol)]"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
      />{' '}
      {label}
    </label>
  )
}

function Picks({
  label,
  options,
  chosen,
  onChange,
  className = '',
}: {
  label: string
  options: readonly (readonly [string, string])[]
  chosen: readonly string[]
  onChange: (chosen: string[]) => void
  className?: string
}) {
  if (options.length === 0) return null
  return (
    <fieldset className={className}>
      <legend className="text-[15px] font-semibold">{label}</legend>
      <div className="flex max-h-40 flex-wrap gap-x-4 overflow-auto">
        {options.map(([key, name]) => (
          <label key={key} className="flex min-h-8 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              className="size-5 accent-[var(--petrol)]"
              checked={chosen.includes(key)}
              onChange={(event) =>
                onChange(event.target.checked ? [...chosen, key] : chosen.filter((other) => other !== key))
              }
            />{' '}
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
