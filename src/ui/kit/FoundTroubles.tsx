'use client'
import { Plus } from 'lucide-react'
import { isKnownTrouble, MOST_TROUBLES, type Trouble } from '@/core/procedure/vehicleFunction'
import type { KitEdited } from './KitRows'

export type FoundTrouble = { functionId: string; trouble: Trouble; label: string }

/** Why tests of this kit failed on the job: each is taken into the kit, or left. */
export function FoundTroubles({ kit, set, found }: KitEdited & { found: readonly FoundTrouble[] }) {
  const open = found.filter(({ functionId, trouble }) => {
    const known = kit.functions.find(({ id }) => id === functionId)?.troubles
    return known && !isKnownTrouble(known, trouble)
  })
  const isFull = (id: string) => (kit.functions.find((item) => item.id === id)?.troubles.length ?? 0) >= MOST_TROUBLES
  if (open.length === 0) return null
  return (
    <section aria-label="Found by jobs" className="border-l-[6px] border-petrol pl-4">
      <h2 className="text-xl">Found by jobs: why a test of it failed</h2>
      <ul>
        {open.map(({ functionId, trouble, label }) => (
          <li key={`${functionId}:${trouble.cause}`} className="flex items-center gap-3 border-b border-hair py-2">
            <span className="flex-1">
              <b>{kit.functions.find(({ id }) => id === functionId)?.name}</b>:{' '}
              {[trouble.symptom, trouble.cause, trouble.cure].filter(Boolean).join(', ')}{' '}
              <span className="text-second">{label}</span>
            </span>
            <button
              type="button"
              className="desk-button"
              disabled={isFull(functionId)}
              title={isFull(functionId) ? `It keeps ${MOST_TROUBLES}: take one away first.` : undefined}
              onClick={() =>
                set({
                  functions: kit.functions.map((item) =>
                    item.id === functionId ? { ...item, troubles: [...item.troubles, trouble] } : item,
                  ),
                })
              }
            >
              <Plus size={16} aria-hidden /> Take it into the kit
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
