'use client'
import { useCallback, useMemo, useState } from 'react'
import type { Strip } from '@/core/order/learntOrder'
import type { Goal } from '@/core/order/wish'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import type { Build } from '@/core/procedure/when'
import { LearntOrders } from './LearntOrders'
import { OrderGraph } from './OrderGraph'
import { OrderList } from './OrderList'
import { everything, orderView } from './orderModel'

/**
 * Which comes before which, and why: for a goal and a build, as a drawing or a list, with what the strips have taught.
 */
export function OrderTab({
  document,
  strips,
  pickedId,
  onPick,
  onWhy,
  save,
}: {
  document: ProcedureDocument
  strips: readonly Strip[]
  pickedId: string | null
  onPick: (id: string) => void
  onWhy: (needId: string) => void
  save: (edits: Edit[]) => Promise<string | null>
}) {
  const [goalId, setGoalId] = useState(document.cavities[0]?.id ?? '')
  const [build, setBuild] = useState<Build>({})
  const [chosen, setChosen] = useState<'drawing' | 'list' | null>(null)
  // For which goal and build the drawing was seen not to fit: there the list opens, until somebody wants the drawing.
  const [tooSmall, setTooSmall] = useState<string | null>(null)
  const asked = document.facets.filter((facet) =>
    [...document.parts, ...document.holders, ...document.tethers, ...document.needs, ...document.settings].some(
      (item) => item.when[facet.id],
    ),
  )
  const goals = useMemo<Goal[]>(
    () =>
      document.cavities.some((cavity) => cavity.id === goalId)
        ? [{ kind: 'cavity', cavityId: goalId }]
        : everything(document),
    [document, goalId],
  )
  const view = useMemo(() => orderView(document, goals, build, strips), [document, goals, build, strips])
  const asking = JSON.stringify([goalId, build])
  const shape = chosen ?? (tooSmall === asking ? 'list' : 'drawing')
  const doesNotFit = useCallback(() => setTooSmall(asking), [asking])
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair px-1 py-1.5 text-[15px]">
        <label className="flex items-center gap-2">
          For
          <select className="field !w-36 2xl:!w-60" value={goalId} onChange={(event) => setGoalId(event.target.value)}>
            <option value="">everything that comes off</option>
            {document.cavities.map((cavity) => (
              <option key={cavity.id} value={cavity.id}>
                {cavity.name}
              </option>
            ))}
          </select>
        </label>
        {asked.map((facet) => (
          <label key={facet.id} className="flex items-center gap-2">
            {facet.name}
            <select
              className="field !w-24"
              value={build[facet.id] ?? ''}
              onChange={(event) => {
                const { [facet.id]: _, ...rest } = build
                setBuild(event.target.value ? { ...rest, [facet.id]: event.target.value } : rest)
              }}
            >
              <option value="">any</option>
              {facet.choices.map((choice) => (
                <option key={choice.id} value={choice.id}>
                  {choice.name}
                </option>
              ))}
            </select>
          </label>
        ))}
        <span className="ml-auto flex" role="group" aria-label="Show as">
          {(['drawing', 'list'] as const).map((name) => (
            <button
              key={name}
              type="button"
              aria-pressed={shape === name}
              onClick={() => setChosen(name)}
              className={`desk-button ${shape === name ? '!bg-tint font-bold' : ''}`}
            >
              {name}
            </button>
          ))}
        </span>
      </div>
      <div className="min-h-0 flex-1">
        {shape === 'drawing' ? (
          <OrderGraph document={document} view={view} pickedId={pickedId} onPick={onPick} onTooSmall={doesNotFit} />
        ) : (
          <div className="h-full overflow-auto">
            <OrderList document={document} view={view} onPick={onPick} />
          </div>
        )}
      </div>
      <div className="max-h-[27%] min-h-0 shrink-0 overflow-auto">
        <LearntOrders document={document} view={view} strips={strips.length} save={save} onWhy={onWhy} />
      </div>
    </div>
  )
}
