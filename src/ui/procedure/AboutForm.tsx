import { useState } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { TextField } from '../forms/Field'

/** The name of a model, what else it is called, and a note: a strip may begin before anybody knows. */
export function AboutForm({
  document,
  save,
  close,
}: {
  document: ProcedureDocument
  save: (edits: Edit[]) => Promise<string | null>
  close: () => void
}) {
  const [name, setName] = useState(document.name)
  const [others, setOthers] = useState(document.synonyms.join(', '))
  const [note, setNote] = useState(document.note)
  const [trouble, setTrouble] = useState('')
  const put = async () => {
    const synonyms = others
      .split(',')
      .map((word) => word.trim())
      .filter(Boolean)
    const edits: Edit[] = [
      { kind: 'about', field: 'name', from: document.name, to: name.trim() },
      { kind: 'about', field: 'synonyms', from: document.synonyms, to: synonyms },
      { kind: 'about', field: 'note', from: document.note, to: note },
    ]
    const sentence = await save(
      edits.filter((edit) => edit.kind === 'about' && JSON.stringify(edit.from) !== JSON.stringify(edit.to)),
    )
    if (sentence) setTrouble(sentence)
    else close()
  }
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        void put()
      }}
    >
      <TextField
        label="Name of the model"
        value={name}
        onChange={(event) => setName(event.target.value)}
        maxLength={80}
        required
        problem={trouble || undefined}
      />
      <TextField
        label="Also called"
        value={others}
        onChange={(event) => setOthers(event.target.value)}
        help="Several names with commas between them."
      />
      <label className="block">
        <span className="mb-0.5 block text-[15px] font-semibold">Note</span>
        <textarea
          className="field min-h-24"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          maxLength={2000}
        />
      </label>
      <button className="desk-button main w-full" disabled={name.trim() === ''}>
        Save
      </button>
    </form>
  )
}
