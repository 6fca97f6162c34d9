'use client'
import { Trash2, Undo2 } from 'lucide-react'
import { useState } from 'react'
import { mendableOf, type Mendable } from '@/core/shorthand/mendable'
import type { Chip } from '@/core/shorthand/lineInHand'
import { factWords, mendFieldWords, mendValueWords } from '@/words/shorthandWords'
import { Dialog } from '../shell/Dialog'
import type { Line } from './useLine'

/** One fact of a line (`mended`: its key), to be said otherwise by a tap or in words, or not at all. */
export function MendSheet({ mended, line, close }: { mended: string | null; line: Line; close: () => void }) {
  const chip = line.chips.find(({ key }) => key === mended) ?? null
  return (
    <Dialog title={chip ? factWords(chip.fact) : ''} open={chip !== null} onClose={close} wide>
      {chip && <Mending chip={chip} line={line} close={close} />}
    </Dialog>
  )
}

function Mending({ chip, line, close }: { chip: Chip; line: Line; close: () => void }) {
  const done = (act: () => void) => () => (act(), close())
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap gap-3">
        <button type="button" className="slab" onClick={done(() => line.drop(chip.key))}>
          <Trash2 aria-hidden /> Drop it
        </button>
        {chip.isMended && (
          <button type="button" className="ghost" onClick={done(() => line.asRead(chip.key))}>
            <Undo2 aria-hidden /> As it was read
          </button>
        )}
      </div>
      {mendableOf(chip.fact).map((field) => (
        <MendField
          key={field.field}
          field={field}
          onFact={(fact) => (line.mend(chip.key, { fact, settled: [] }), close())}
        />
      ))}
    </div>
  )
}

function MendField({
  field: { field, now, choices, typed },
  onFact,
}: {
  field: Mendable
  onFact: (fact: Chip['fact']) => void
}) {
  const [said, setSaid] = useState(choices ? '' : now)
  const [trouble, setTrouble] = useState(false)
  const title = mendFieldWords(field)
  return (
    <form
      className="border-t border-hair pt-3"
      onSubmit={(event) => {
        event.preventDefault()
        const fact = typed(said)
        if (fact) onFact(fact)
        else setTrouble(true)
      }}
    >
      <h3 className="mb-2 text-lg font-semibold">{title[0]!.toUpperCase() + title.slice(1)}</h3>
      <div className="flex flex-wrap gap-2">
        {choices?.map(({ value, fact }) => (
          <button
            key={value}
            type="button"
            aria-pressed={String(value) === now}
            className={`${String(value) === now ? 'slab' : 'ghost'} !min-h-12 min-w-12 !px-3 text-lg`}
            onClick={() => onFact(fact)}
          >
            {mendValueWords(field, value)}
          </button>
        ))}
        {(choices === null || field === 'count' || field === 'head') && (
          <span className="flex min-w-40 flex-1 gap-2">
            <input
              className="field !min-h-12 text-lg"
              aria-label={`${title}, typed`}
              value={said}
              maxLength={120}
              autoComplete="off"
              placeholder={choices ? 'another' : 'not said'}
              onChange={(event) => (setSaid(event.target.value), setTrouble(false))}
            />
            <button className="ghost !min-h-12 text-lg" disabled={choices !== null && said.trim() === ''}>
              Keep
            </button>
          </span>
        )}
      </div>
      {trouble && (
        <p role="alert" className="mt-2 text-lg font-semibold">
          {field === 'count'
            ? 'A whole number from 1 on, please.'
            : 'The record has no such value here. Say it otherwise.'}
        </p>
      )}
    </form>
  )
}
