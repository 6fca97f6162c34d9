'use client'
import { useState } from 'react'
import type { Conflict } from '@/core/procedure/edit'
import type { ProcedureDocument } from '@/core/procedure/document'
import { Dialog } from '../shell/Dialog'
import { itemWords } from '@/words/items'
import type { Draft } from './useDraft'

/** Somebody else changed the same field meanwhile: both are shown, one is chosen. */
export function ConflictDialog({ draft }: { draft: Draft }) {
  const [trouble, setTrouble] = useState('')
  const conflict = draft.conflicts[0]
  if (!conflict) return null
  const { edit, theirs, reason } = conflict
  const choose = async (keep: 'mine' | 'theirs') => setTrouble((await draft.settle(conflict, keep)) ?? '')
  const mine =
    edit.kind === 'field' || edit.kind === 'about' ? shown(edit.to) : edit.kind === 'remove' ? 'taken away' : ''
  return (
    <Dialog title="Changed by somebody else meanwhile" open onClose={() => void choose('theirs')}>
      <p className="text-lg">
        {name(draft.document, conflict)}
        {reason === 'removed' && ': it was taken away meanwhile.'}
      </p>
      <dl className="my-4 grid grid-cols-2 gap-4">
        <div className="border-l-4 border-petrol pl-3">
          <dt className="text-second">Yours</dt>
          <dd className="break-words text-lg font-bold">{mine}</dd>
        </div>
        <div className="border-l-4 border-untravelled pl-3">
          <dt className="text-second">Theirs</dt>
          <dd className="break-words text-lg font-bold">{theirs === null ? 'taken away' : shown(theirs)}</dd>
        </div>
      </dl>
      <p role="alert">{trouble}</p>
      <div className="flex gap-3">
        <button type="button" className="desk-button flex-1" onClick={() => void choose('theirs')}>
          Keep theirs
        </button>
        {theirs !== null && (
          <button type="button" className="desk-button main flex-1" onClick={() => void choose('mine')}>
            Use mine
          </button>
        )}
      </div>
    </Dialog>
  )
}

function name(document: ProcedureDocument, { edit }: Conflict): string {
  if (edit.kind === 'about') return `The procedure’s ${edit.field}`
  const id = edit.kind === 'add' ? edit.item.id : edit.id
  return `${itemWords(document, id)}${edit.kind === 'field' ? `, ${edit.field}` : ''}`
}

function shown(value: unknown): string {
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean') return String(value)
  if (Array.isArray(value)) return value.map(shown).join(', ') || 'nothing'
  if (value === null || value === undefined) return 'nothing'
  return Object.entries(value)
    .filter(([, v]) => v !== '' && v !== null && !(Array.isArray(v) && v.length === 0))
    .map(([k, v]) => `${k}: ${shown(v)}`)
    .join(', ')
}
