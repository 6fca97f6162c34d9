'use client'
import { useState, useTransition, type FormEvent } from 'react'
import { SelectField, TextField } from '@/ui/forms/Field'
import { reach } from '@/ui/forms/reach'
import { newStripAction } from './actions'

type Model = { id: string; name: string; published: boolean }

/** A fleet number is enough to begin. What the shop knows of the vehicle is said at once. */
export function NewStripForm({ models, vehicles }: { models: readonly Model[]; vehicles: readonly { label: string; model: string | null }[] }) {
  const [label, setLabel] = useState('')
  const [from, setFrom] = useState('new')
  const [trouble, setTrouble] = useState('')
  const [pending, start] = useTransition()
  const known = vehicles.find((vehicle) => vehicle.label.toLowerCase() === label.trim().toLowerCase())
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const [how, id] = from.split(':')
    const bay = String(new FormData(event.currentTarget).get('bay') ?? '')
    start(async () => setTrouble((await reach(() => newStripAction({ label, bay, onModelId: !known?.model && how === 'on' ? id : null, likeId: !known?.model && how === 'like' ? id : null }), (sentence) => ({ sentence })))?.sentence ?? ''))
  }
  return (
    <form onSubmit={submit} className="mx-auto max-w-2xl space-y-5 px-6 py-8">
      <h1 className="text-[52px] font-extrabold leading-none">New strip</h1>
      <p className="text-xl text-second">A vehicle comes apart, and what you see is kept as facts. Its fleet number is enough to begin; the model can be named later.</p>
      <TextField label="Fleet number, or what the crew calls it" name="label" className="text-xl" maxLength={40} required autoComplete="off" value={label} onChange={(event) => setLabel(event.target.value)} suggest={vehicles.map((vehicle) => vehicle.label)} problem={trouble || undefined} help={known ? (known.model ? `Known: ${known.model}. The strip goes on top of its record: only what differs is caught.` : 'Known, but nobody has said which model it is.') : undefined} />
      {!known?.model && (
        <SelectField label="Its record" name="from" value={from} onChange={(event) => setFrom(event.target.value)} help={from.startsWith('like') ? 'Its facts are copied; none counts as seen on this model.' : from.startsWith('on') ? 'Only what differs is caught, as confirmation or contradiction.' : undefined}>
          <option value="new">a new model, nothing known</option>
          {models.length > 0 && (
            <optgroup label="On top of the record of">
              {models.map((model) => (
                <option key={model.id} value={`on:${model.id}`}>
                  {model.name}
                </option>
              ))}
            </optgroup>
          )}
          {models.length > 0 && (
            <optgroup label="A new model, on the same platform as">
              {models.map((model) => (
                <option key={model.id} value={`like:${model.id}`}>
                  like {model.name}
                </option>
              ))}
            </optgroup>
          )}
        </SelectField>
      )}
      <TextField label="Bay" name="bay" maxLength={20} autoComplete="off" />
      <button className="slab w-full !min-h-16 !text-2xl" disabled={pending || label.trim() === ''}>
        {pending ? 'Beginning…' : 'Begin'}
      </button>
    </form>
  )
}
