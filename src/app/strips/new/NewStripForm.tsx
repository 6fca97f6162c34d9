'use client'
import { useRouter } from 'next/navigation'
import { useState, useTransition, type FormEvent } from 'react'
import { mediaBoxOf, preparePhoto } from '@/client/media'
import { SelectField, TextField } from '@/ui/forms/Field'
import { reach } from '@/client/reach'
import { newStripAction } from './actions'
import { dateWords } from '@/words/dates'
import { newUuid } from '@/client/newId'

type Model = { id: string; name: string; published: boolean }

/** A fleet number is enough to begin. What the shop knows of the vehicle is said at once. */
export function NewStripForm({
  shopId,
  models,
  vehicles,
}: {
  shopId: string
  models: readonly Model[]
  vehicles: readonly { label: string; model: string | null }[]
}) {
  const [label, setLabel] = useState('')
  const [from, setFrom] = useState('new')
  const [photo, setPhoto] = useState<File | null>(null)
  const [trouble, setTrouble] = useState('')
  const router = useRouter()
  const [pending, start] = useTransition()
  const known = vehicles.find((vehicle) => vehicle.label.toLowerCase() === label.trim().toLowerCase())
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const [how, id] = from.split(':')
    const bay = String(new FormData(event.currentTarget).get('bay') ?? '')
    start(async () => {
      const taken = photo && (await preparePhoto(photo))
      if (photo && !taken)
        return setTrouble('This file can’t be read as a picture. Take the photo again, or choose a JPEG or PNG.')
      const outcome = await reach(
        () =>
          newStripAction({
            label: label.trim() || nameByDay(vehicles.map((vehicle) => vehicle.label)),
            bay,
            onModelId: !known?.model && how === 'on' ? id : null,
            likeId: !known?.model && how === 'like' ? id : null,
          }),
        (sentence) => ({ status: 'refused' as const, sentence }),
      )
      if (outcome.status === 'refused') return setTrouble(outcome.sentence)
      // The photo is kept on this tablet first; the recording takes it over when it opens.
      if (taken)
        await mediaBoxOf(shopId).keep({
          id: newUuid(),
          jobId: outcome.jobId,
          kind: 'photo',
          seconds: 0,
          unclaimed: true,
          ...taken,
        })
      router.push(`/jobs/${outcome.jobId}/record`)
    })
  }
  return (
    <form onSubmit={submit} className="mx-auto max-w-2xl space-y-5 px-6 py-8">
      <h1 className="text-[52px] font-extrabold leading-none">New strip</h1>
      <p className="text-xl text-second">
        A vehicle comes apart, and what you see is kept as facts. Its fleet number or one photo is enough to begin; the
        model can be named later.
      </p>
      <TextField
        label="Fleet number, or what the crew calls it"
        name="label"
        className="text-xl"
        maxLength={40}
        required={photo === null}
        autoComplete="off"
        value={label}
        onChange={(event) => setLabel(event.target.value)}
        suggest={vehicles.map((vehicle) => vehicle.label)}
        problem={trouble || undefined}
        help={
          known
            ? known.model
              ? `Known: ${known.model}. The strip goes on top of its record: only what differs is caught.`
              : 'Known, but nobody has said which model it is.'
            : undefined
        }
      />
      {!known?.model && (
        <SelectField
          label="Its record"
          name="from"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
          help={
            from.startsWith('like')
              ? 'Its facts are copied; none counts as seen on this model.'
              : from.startsWith('on')
                ? 'Only what differs is caught, as confirmation or contradiction.'
                : undefined
          }
        >
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
      <label className="block">
        <span className="mb-0.5 block text-[15px] font-semibold">Or one photo of it</span>
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="field file:mr-3 file:rounded file:border-0 file:bg-ink file:px-3 file:py-1 file:font-semibold file:text-ground"
          onChange={(event) => setPhoto(event.target.files?.[0] ?? null)}
        />
      </label>
      <TextField label="Bay" name="bay" maxLength={20} autoComplete="off" />
      <button className="slab w-full !min-h-16 !text-2xl" disabled={pending || (label.trim() === '' && photo === null)}>
        {pending ? 'Beginning…' : 'Begin'}
      </button>
    </form>
  )
}

/** What a vehicle is called until somebody reads its number: the day of its strip, and which of that day. */
function nameByDay(taken: readonly string[]): string {
  const day = `Strip ${dateWords(new Date(), 'day')}`
  const names = [day, ...Array.from({ length: 98 }, (_, i) => `${day}, ${i + 2}`)]
  return names.find((name) => !taken.includes(name)) ?? day
}
