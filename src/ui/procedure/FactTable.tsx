'use client'
import { Copy, Pencil, Plus, Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { ITEM_SCHEMA, type FactCollection } from '@/core/procedure/document'
import { takenAway } from '@/core/procedure/cutOff'
import { editsBetween, fieldEdits, type Edit } from '@/core/procedure/edit'
import { SelectField, Options } from '../forms/Field'
import { Dialog } from '../shell/Dialog'
import { COLLECTION_WORDS, TOGETHER } from './fieldSpecs'
import { factRows } from './factRows'
import { FactRows } from './FactTableRows'
import { TakenAway } from './TakenAway'
import { duplicateItem } from '@/core/procedure/newItem'
import { newId } from '@/client/newId'
import type { Draft } from './useDraft'

/** The facts of one kind as a table: open a row, copy it, take several at once, set them together, undo. */
export function FactTable({
  draft,
  collection,
  onOpen,
  onAdd,
}: {
  draft: Draft
  collection: FactCollection
  onOpen: (id: string) => void
  onAdd: () => void
}) {
  const { document } = draft
  const { heads, rows } = factRows(document, collection)
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [ask, setAsk] = useState<'remove' | 'together' | null>(null)
  const [trouble, setTrouble] = useState('')
  const items = document[collection] as { id: string }[]
  const picked = items.filter((item) => chosen.has(item.id))
  const run = async (edits: Edit[]) => setTrouble((await draft.save(edits)) ?? '')
  const copy = (ids: ReadonlySet<string>) =>
    run(
      items
        .filter((item) => ids.has(item.id))
        .map((item) => ({ kind: 'add', collection, item: duplicateItem(collection, item, newId), after: item.id })),
    )
  const after = useMemo(() => (ask === 'remove' ? takenAway(document, chosen) : null), [ask, document, chosen])
  const remove = async () => {
    if (after) await run(editsBetween(document, after.document))
    setChosen(new Set())
    setAsk(null)
  }
  const words = COLLECTION_WORDS[collection]
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex flex-wrap items-center gap-2 py-2">
        <button type="button" className="desk-button main" onClick={onAdd}>
          <Plus size={18} aria-hidden /> Add a {words.one}
        </button>
        <button type="button" className="desk-button" disabled={chosen.size === 0} onClick={() => void copy(chosen)}>
          <Copy size={16} aria-hidden /> Copy {chosen.size || ''}
        </button>
        {TOGETHER[collection] && (
          <button type="button" className="desk-button" disabled={chosen.size < 2} onClick={() => setAsk('together')}>
            <Pencil size={16} aria-hidden /> Set together
          </button>
        )}
        <button type="button" className="desk-button" disabled={chosen.size === 0} onClick={() => setAsk('remove')}>
          <Trash2 size={16} aria-hidden /> Take away
        </button>
        <span role="alert" className="font-semibold">
          {trouble}
        </span>
      </div>
      <div className="min-h-0 flex-1 overflow-auto">
        {rows.length === 0 ? (
          <p className="py-4 text-lg text-second">None recorded yet.</p>
        ) : (
          <FactRows
            heads={heads}
            rows={rows}
            chosen={chosen}
            choose={setChosen}
            copy={(id) => void copy(new Set([id]))}
            onOpen={onOpen}
          />
        )}
      </div>
      <Dialog title={`Take away ${picked.length}?`} open={ask === 'remove'} onClose={() => setAsk(null)}>
        {after && <TakenAway document={document} count={picked.length} after={after} remove={() => void remove()} />}
      </Dialog>
      <Dialog title={`Set ${picked.length} together`} open={ask === 'together'} onClose={() => setAsk(null)}>
        <Together
          collection={collection}
          onSet={async (changes) => {
            await run(
              picked.flatMap((item) =>
                fieldEdits(collection, item, ITEM_SCHEMA[collection].parse({ ...item, ...changes }) as { id: string }),
              ),
            )
            setAsk(null)
          }}
        />
      </Dialog>
    </div>
  )
}

function Together({
  collection,
  onSet,
}: {
  collection: FactCollection
  onSet: (changes: Record<string, string>) => Promise<void>
}) {
  const [changes, setChanges] = useState<Record<string, string>>({})
  return (
    <div className="space-y-3">
      {TOGETHER[collection]!.map((spec) => (
        <SelectField
          key={spec.path}
          label={spec.label}
          value={changes[spec.path] ?? ''}
          onChange={(event) =>
            setChanges(
              Object.fromEntries(
                Object.entries({ ...changes, [spec.path]: event.target.value }).filter(([, value]) => value !== ''),
              ),
            )
          }
        >
          <Options values={spec.options} empty="leave as it is" />
        </SelectField>
      ))}
      <button
        type="button"
        className="desk-button main w-full"
        disabled={Object.keys(changes).length === 0}
        onClick={() => void onSet(changes)}
      >
        Set
      </button>
    </div>
  )
}
