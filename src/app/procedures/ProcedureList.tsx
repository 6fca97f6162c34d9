'use client'
import { reach } from '@/client/reach'
import Link from 'next/link'
import { useState, useTransition, type FormEvent } from 'react'
import { SelectField, TextField } from '@/ui/forms/Field'
import { createProcedureAction, importProcedureAction } from './actions'

type Row = {
  id: string
  name: string
  revision: number | null
  hasDraft: boolean
  jobs: number
  published: string
  counts: { parts: number; fasteners: number; plugs: number }
  builds: string[]
  words: { word: string; of: string }[]
}

/** Every model, found by its name, a part's name or synonym, a fastener, a plug, or words in a note. */
export function ProcedureList({ rows }: { rows: Row[] }) {
  const [search, setSearch] = useState('')
  const wanted = search.trim().toLowerCase().split(/\s+/).filter(Boolean)
  const found = rows.flatMap((row) => {
    if (wanted.length === 0) return [{ row, hits: [] as Row['words'] }]
    const all = [{ word: row.name, of: 'model' }, ...row.words]
    const fits = wanted.every((word) => all.some((entry) => entry.word.toLowerCase().includes(word)))
    return fits
      ? [
          {
            row,
            hits: all.filter((entry) => wanted.some((word) => entry.word.toLowerCase().includes(word))).slice(0, 4),
          },
        ]
      : []
  })
  return (
    <div className="grid gap-10 px-6 py-6 lg:grid-cols-[1fr_340px]">
      <section>
        <div className="flex flex-wrap items-end gap-6">
          <h1 className="text-3xl">Procedures</h1>
          <TextField
            label="Find"
            type="search"
            className="max-w-md flex-1"
            value={search}
            placeholder="model, part, synonym, T20, a word in a note"
            onChange={(event) => setSearch(event.target.value)}
          />
        </div>
        {rows.length === 0 && (
          <p className="mt-6 text-lg">
            No model is recorded yet. Begin one on the right: its name is enough, the facts follow.
          </p>
        )}
        {rows.length > 0 && found.length === 0 && (
          <p className="mt-6 text-lg">Nothing is called “{search}”. Try another word for it, or fewer letters.</p>
        )}
        <ul className="mt-4 border-t-2 border-ink">
          {found.map(({ row, hits }) => (
            <li key={row.id} className="border-b border-hair py-3">
              <div className="flex flex-wrap items-baseline justify-between gap-x-6">
                <Link href={`/procedures/${row.id}`} className="text-xl font-bold hover:underline">
                  {row.name}
                </Link>
                <span className="text-second">
                  {row.revision ? `revision ${row.revision}, ${row.published}` : 'not published'}
                  {row.hasDraft && row.revision ? ', with a draft' : ''} · {row.jobs} {row.jobs === 1 ? 'job' : 'jobs'}
                </span>
              </div>
              <p className="text-second">
                <span className="num text-[15px]">{row.counts.parts}</span> parts,{' '}
                <span className="num text-[15px]">{row.counts.fasteners}</span> fasteners,{' '}
                <span className="num text-[15px]">{row.counts.plugs}</span> plugs
                {row.builds.length > 0 && ` · ${row.builds.join(' · ')}`}
              </p>
              {hits.length > 0 && (
                <ul className="mt-1 flex flex-wrap gap-2">
                  {hits.map((hit, i) => (
                    <li key={i} className="rounded border border-untravelled px-2 text-[15px]">
                      <b>{hit.word.slice(0, 60)}</b> <span className="text-second">{hit.of}</span>
                    </li>
                  ))}
                </ul>
              )}
            </li>
          ))}
        </ul>
      </section>
      <section className="space-y-8">
        <NewModel others={rows} />
        <ImportFile />
      </section>
    </div>
  )
}

function NewModel({ others }: { others: readonly { id: string; name: string }[] }) {
  const [trouble, setTrouble] = useState('')
  const [like, setLike] = useState('')
  const [pending, start] = useTransition()
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const form = new FormData(event.currentTarget)
    start(async () =>
      setTrouble(
        (
          await reach(
            () => createProcedureAction(form.get('name'), form.get('like') ?? '', form.get('mirrored') === 'on'),
            (sentence) => ({ sentence }),
          )
        )?.sentence ?? '',
      ),
    )
  }
  return (
    <form onSubmit={submit} className="space-y-3">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Record a model</h2>
      <TextField label="What is the model called?" name="name" maxLength={80} required problem={trouble || undefined} />
      {others.length > 0 && (
        <SelectField
          label="On the same platform as"
          name="like"
          value={like}
          onChange={(event) => setLike(event.target.value)}
          help="Its facts are copied; none counts as seen on this model."
        >
          <option value="">nothing: begin empty</option>
          {others.map((other) => (
            <option key={other.id} value={other.id}>
              {other.name}
            </option>
          ))}
        </SelectField>
      )}
      {like !== '' && (
        <label className="flex min-h-9 items-center gap-2">
          <input type="checkbox" name="mirrored" className="size-5" /> Mirrored: its wheel is on the other side
        </label>
      )}
      <button className="desk-button main w-full" disabled={pending}>
        {pending ? 'Beginning…' : 'Begin the record'}
      </button>
    </form>
  )
}

function ImportFile() {
  const [sentences, setSentences] = useState<string[]>([])
  const [pending, start] = useTransition()
  return (
    <div className="space-y-3">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Import a file</h2>
      <label className="block">
        <span className="mb-0.5 block text-[15px] font-semibold">A procedure file (.json)</span>
        <input
          type="file"
          accept=".json,application/json"
          className="field file:mr-3 file:rounded file:border-0 file:bg-ink file:px-3 file:py-1 file:font-semibold file:text-ground"
          disabled={pending}
          onChange={(event) => {
            const input = event.target
            const file = input.files?.[0]
            if (file)
              start(async () => {
                setSentences(
                  file.size > 3_000_000
                    ? ['This file is larger than 3 MB. Choose a procedure file that was exported from here.']
                    : ((
                        await reach(
                          async () => importProcedureAction(await file.text()),
                          (sentence) => ({ sentences: [sentence] }),
                        )
                      )?.sentences ?? []),
                )
                input.value = ''
              })
          }}
        />
      </label>
      {pending && <p>Reading…</p>}
      {sentences.length > 0 && (
        <div role="alert" className="border-l-8 border-stop bg-sheet p-3">
          <p className="font-bold">Nothing was changed.</p>
          <ul className="list-disc pl-5">
            {sentences.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-[15px] text-second">
        The format is published as a{' '}
        <a className="jump" href="/api/procedure-schema">
          JSON Schema
        </a>
        . A file with anything wrong in it changes nothing.
      </p>
    </div>
  )
}
