'use client'
import { useState } from 'react'
import type { StripRow } from '@/core/strip/stripRows'
import { fieldEdits } from '@/core/procedure/edit'
import type { Part } from '@/core/procedure/part'
import { itemWords } from '@/words/items'
import type { LiveStrip } from './useStrip'

/**
 * What can be put right about one thing of the strip: taken in hand again, its order, that somebody had it off before.
 */
export function RowSheet({
  strip,
  row,
  rows,
  close,
}: {
  strip: LiveStrip
  row: StripRow
  rows: readonly StripRow[]
  close: () => void
}) {
  const { document } = strip.job
  const act = (run: () => void) => () => {
    run()
    close()
  }
  const acts = strip.job.state.history
    .filter(
      ({ what }) =>
        (what.kind === 'undone' && what.holderId === row.id) ||
        (what.kind === 'opened' && what.tetherId === row.id) ||
        (what.kind === 'part at' && what.partId === row.id) ||
        (what.kind === 'set' && what.settingId === row.id),
    )
    .map(({ id }) => id)
  const earlier = rows.slice(0, rows.indexOf(row)).filter((other) => other.kind !== 'setting' && other.id !== row.id)
  return (
    <div className="space-y-4">
      {row.kind === 'part' && row.id !== strip.inHand && (
        <button type="button" className="slab w-full" onClick={act(() => strip.takeInHand(row.id))}>
          Go on with it
        </button>
      )}
      {row.kind === 'part' && <Rename strip={strip} partId={row.id} close={close} />}
      {row.kind !== 'setting' && (
        <div className="grid gap-2 sm:grid-cols-2">
          <button
            type="button"
            className="ghost text-lg"
            onClick={act(() => strip.happen([{ kind: 'already off', itemId: row.id }]))}
          >
            It was already off
          </button>
          <button
            type="button"
            className="ghost text-lg"
            onClick={act(() => strip.happen([{ kind: 'order means nothing', itemId: row.id }]))}
          >
            Wrong order, ignore it
          </button>
        </div>
      )}
      {row.kind === 'part' && row.level !== 'in place' && (
        <button
          type="button"
          className="ghost w-full text-lg"
          onClick={act(() => strip.happen([{ kind: 'part at', partId: row.id, level: 'in place' }]))}
        >
          It is still in place
        </button>
      )}
      {acts.length > 0 && (
        <button type="button" className="ghost w-full text-lg" onClick={act(() => strip.job.takeBackEvents(acts))}>
          It never happened: take it back
        </button>
      )}
      {earlier.length > 0 && (
        <section>
          <h3 className="mb-2 text-xl">It really came off before the …</h3>
          <div className="grid gap-2 sm:grid-cols-2">
            {earlier.slice(-6).map((other) => (
              <button
                key={other.id}
                type="button"
                className="ghost text-lg"
                onClick={act(() => strip.happen([{ kind: 'came before', itemId: row.id, otherId: other.id }]))}
              >
                {itemWords(document, other.id)}
              </button>
            ))}
          </div>
        </section>
      )}
    </div>
  )
}

/** Another name for a part of the strip: what it was called first stays beside it, so that either is understood. */
function Rename({ strip, partId, close }: { strip: LiveStrip; partId: string; close: () => void }) {
  const part = strip.job.document.parts.find((item) => item.id === partId)
  const [name, setName] = useState(part?.name ?? '')
  if (!part) return null
  const taken = strip.job.document.parts.some(
    (other) => other.id !== partId && other.name.toLowerCase() === name.trim().toLowerCase(),
  )
  const save = () => {
    const synonyms = [...new Set([...part.synonyms, part.name])].filter(
      (word) => word.toLowerCase() !== name.trim().toLowerCase(),
    )
    strip.state(
      fieldEdits('parts', part, { ...part, name: name.trim(), synonyms } as Part),
      `${part.name} is called ${name.trim()}`,
    )
    close()
  }
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <label className="min-w-52 flex-1">
        <span className="mb-1 block text-lg font-semibold">
          Its name
          {part.synonyms.length > 0 && (
            <span className="font-normal text-second">, also {part.synonyms.join(', ')}</span>
          )}
        </span>
        <input
          className="field !min-h-14 text-lg"
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button className="ghost text-lg" disabled={name.trim() === '' || name.trim() === part.name || taken}>
        Rename
      </button>
      {taken && (
        <p className="w-full text-lg font-semibold">
          Another part is called so already. Say which of the two: {name.trim()} upper, lower, left …
        </p>
      )}
    </form>
  )
}
