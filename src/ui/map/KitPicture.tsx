import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import type { WorkStep } from '@/core/shop/workStep'
import { MarkPaths, shapeOf } from '../marks/FastenerMark'
import { PlugPaths } from '../marks/PlugMark'

/** The kit's view on which most of these things sit; none where it has no drawing of them. */
export function kitViewOf(document: ProcedureDocument, steps: readonly WorkStep[]): View | undefined {
  const things = thingsOf(document, steps)
  const onView = (viewId: string) => things.filter(({ positions }) => positions.some((p) => p.viewId === viewId)).length
  return document.views.filter(({ id }) => onView(id) > 0).sort((a, b) => onView(b.id) - onView(a.id))[0]
}

function thingsOf({ holders, tethers }: ProcedureDocument, steps: readonly WorkStep[]) {
  const ids = new Set(steps.flatMap(({ itemId }) => itemId ?? []))
  return [...holders, ...tethers].filter(({ id }) => ids.has(id))
}

/**
 * A kit's own drawing of what a piece of work is about: where its fasteners and plugs sit, and the one that is meant
 * now ringed. Nothing where the kit has no drawing of them.
 */
export function KitPicture({
  document,
  steps,
  nowItemId,
}: {
  document: ProcedureDocument
  steps: readonly WorkStep[]
  nowItemId: string | null
}) {
  const view = kitViewOf(document, steps)
  if (!view) return null
  const things = thingsOf(document, steps)
  const size = Math.max(view.widthMm, view.heightMm) / 14
  const marks = things.flatMap((thing) =>
    thing.positions
      .filter(({ viewId }) => viewId === view.id)
      .map(({ x, y }, i) => ({ ...{ thing, x, y }, key: `${thing.id}${i}`, now: thing.id === nowItemId })),
  )
  return (
    <svg
      viewBox={`0 0 ${view.widthMm} ${view.heightMm}`}
      className="max-h-full w-full"
      role="img"
      aria-label={`Where they sit: ${view.name}`}
    >
      {view.backdrop.map((line, i) => (
        <path
          key={i}
          d={line.d}
          fill={line.weight === 'mass' ? 'var(--sheet)' : 'none'}
          stroke={line.weight === 'outer' ? 'var(--ink)' : 'var(--untravelled)'}
          strokeWidth={line.weight === 'outer' ? 2 : 1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {marks.map(({ thing, x, y, key, now }) => (
        <g key={key} transform={`translate(${x} ${y})`} style={{ color: now ? '#0f1315' : 'var(--ink)' }}>
          {now && <circle r={size * 0.85} fill="none" stroke="var(--ink)" strokeWidth={size * 0.1} />}
          <circle r={size * 0.68} fill={now ? '#f4f1e9' : 'var(--ground)'} />
          <g transform={`scale(${size / 26}) translate(-12 -12)`}>
            {'kind' in thing && 'holds' in thing ? (
              <MarkPaths shape={shapeOf(thing)} hidden={false} />
            ) : (
              <PlugPaths tether={thing} />
            )}
          </g>
        </g>
      ))}
    </svg>
  )
}
