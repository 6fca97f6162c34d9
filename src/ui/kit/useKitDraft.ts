import { useCallback, useState } from 'react'
import type { Kit } from '@/core/shop/kit'

/** What is typed one after the other into the same field is one change to take back. */
const SAME_CHANGE_MS = 1_500
const MOST_BACK = 100

type Draft = { kit: Kit; before: readonly Kit[]; lastMs: number; lastKey: string }

export type ChangeKit = (more: Partial<Kit>) => void

/** A kit that is being changed, with every change to be taken back, one at a time. */
export function useKitDraft(given: Kit): { kit: Kit; set: ChangeKit; undo: () => void; canUndo: boolean } {
  const [draft, setDraft] = useState<Draft>({ kit: given, before: [], lastMs: 0, lastKey: '' })
  const set = useCallback((more: Partial<Kit>) => {
    const nowMs = Date.now()
    setDraft(({ kit, before, lastMs, lastKey }) => {
      const next = { ...kit, ...more }
      const key = changedKey(kit, more)
      const goesOn = key === lastKey && nowMs - lastMs < SAME_CHANGE_MS
      return { kit: next, before: goesOn ? before : [...before, kit].slice(-MOST_BACK), lastMs: nowMs, lastKey: key }
    })
  }, [])
  const undo = useCallback(
    () =>
      setDraft((now) =>
        now.before.length === 0
          ? now
          : { kit: now.before.at(-1)!, before: now.before.slice(0, -1), lastMs: 0, lastKey: '' },
      ),
    [],
  )
  return { kit: draft.kit, set, undo, canUndo: draft.before.length > 0 }
}

/** Which lists were changed, and how long they are: a thing more or less is a change of its own. */
function changedKey(kit: Kit, more: Partial<Kit>): string {
  return Object.entries(more)
    .map(([field, value]) => {
      const before = kit[field as keyof Kit]
      return Array.isArray(value) && Array.isArray(before)
        ? `${field} ${value.length} ${value.findIndex((item, i) => item !== before[i])}`
        : field
    })
    .join()
}
