'use client'
import { useState } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import { mergeEdits, splitEdits } from '@/core/procedure/onePart'
import { SelectField, TextField } from '../forms/Field'
import { holderWords, itemWords } from '@/words/items'
import { newId } from '@/client/newId'
import type { Edit } from '@/core/procedure/edit'

type FormProps = {
  document: ProcedureDocument
  partId: string
  save: (edits: Edit[]) => Promise<string | null>
  close: () => void
}

export function MergeForm({ document, partId, save, close }: FormProps) {
  const others = document.parts.filter((part) => part.id !== partId)
  const [other, setOther] = useState(others[0]?.id ?? '')
  const [trouble, setTrouble] = useState('')
  return (
    <div className="space-y-4">
      <SelectField
        label="The other one"
        value={other}
        onChange={(event) => setOther(event.target.value)}
        problem={trouble || undefined}
        help={`Its fasteners, plugs and needs come to the ${itemWords(document, partId).toLowerCase()}; its name becomes a synonym. What jobs did to it counts for both. Undo takes it back.`}
      >
        {others.map((part) => (
          <option key={part.id} value={part.id}>
            {part.name}
          </option>
        ))}
      </SelectField>
      <button
        type="button"
        className="desk-button main w-full"
        onClick={() =>
          void save(mergeEdits(document, partId, other)).then((sentence) => (sentence ? setTrouble(sentence) : close()))
        }
      >
        They are one part
      </button>
    </div>
  )
}

export function SplitForm({ document, partId, save, close }: FormProps) {
  const [name, setName] = useState('')
  const [moves, setMoves] = useState<ReadonlySet<string>>(new Set())
  const [trouble, setTrouble] = useState('')
  const items = [
    ...document.holders
      .filter((holder) => holder.holds.includes(partId))
      .map((holder): [string, string] => [holder.id, holderWords(holder)]),
    ...document.tethers
      .filter((tether) => tether.partId === partId)
      .map((tether): [string, string] => [tether.id, `plug ${tether.name}`]),
  ]
  return (
    <div className="space-y-4">
      <TextField
        label="What is the second one called?"
        value={name}
        onChange={(event) => setName(event.target.value)}
        maxLength={80}
        problem={trouble || undefined}
      />
      <fieldset>
        <legend className="text-[15px] font-semibold">What belongs to the second one</legend>
        {items.map(([id, words]) => (
          <label key={id} className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              checked={moves.has(id)}
              onChange={(event) =>
                setMoves(new Set(event.target.checked ? [...moves, id] : [...moves].filter((other) => other !== id)))
              }
            />
            {words}
          </label>
        ))}
        {items.length === 0 && <p className="text-second">It has no fastener and no plug of its own.</p>}
      </fieldset>
      <button
        type="button"
        className="desk-button main w-full"
        disabled={name.trim() === ''}
        onClick={() =>
          void save(splitEdits(document, partId, { id: newId('part'), name: name.trim() }, [...moves])).then(
            (sentence) => (sentence ? setTrouble(sentence) : close()),
          )
        }
      >
        They are two parts
      </button>
    </div>
  )
}
