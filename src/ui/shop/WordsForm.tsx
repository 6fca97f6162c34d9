'use client'
import { Plus, Trash2 } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { HouseWords, type HouseWord } from '@/core/shop/houseWord'
import { TextField } from '../forms/Field'
import { SaveBar } from './SaveBar'
import { useFilledFrom, useSaving, type SaveShared } from './useSaving'

/** The shop's own words, each with what it stands for. */
export function WordsForm({ words, may, save }: { words: HouseWord[]; may: boolean; save: SaveShared<HouseWord[]> }) {
  const [own, setOwn] = useState<readonly HouseWord[]>(words)
  const [problem, setProblem] = useState('')
  const saving = useSaving()
  const saveFilled = useFilledFrom(words, save)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const parsed = HouseWords.safeParse(own)
    setProblem(parsed.success ? '' : parsed.error.issues[0]!.message)
    if (parsed.success) saving.save(() => saveFilled(parsed.data))
  }
  return (
    <form className="max-w-2xl space-y-4" onSubmit={submit} noValidate>
      {own.length === 0 && (
        <p className="text-lg text-second">
          None yet. Add one: “wotsit” stands for “spring clip”, “bin lid” for the glovebox.
        </p>
      )}
      <ul className="space-y-2">
        {own.map((row, i) => (
          <li key={i} className="flex items-end gap-3">
            <TextField
              className="flex-1"
              label="We say"
              value={row.word}
              maxLength={40}
              readOnly={!may}
              onChange={(event) => setOwn(own.with(i, { ...row, word: event.target.value }))}
            />
            <TextField
              className="flex-1"
              label="It stands for"
              value={row.means}
              maxLength={60}
              readOnly={!may}
              onChange={(event) => setOwn(own.with(i, { ...row, means: event.target.value }))}
            />
            <button
              type="button"
              className="desk-button"
              aria-label={`Remove ${row.word || 'this word'}`}
              disabled={!may}
              onClick={() => setOwn(own.toSpliced(i, 1))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="desk-button"
        disabled={!may}
        onClick={() => setOwn([...own, { word: '', means: '' }])}
      >
        <Plus size={16} aria-hidden /> Add a word
      </button>
      <SaveBar
        {...saving}
        said={problem || saving.said}
        failed={problem !== '' || saving.failed}
        may={may}
        who="A lead"
      />
    </form>
  )
}
