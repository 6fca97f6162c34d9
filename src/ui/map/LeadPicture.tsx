import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import type { WorkStep } from '@/core/shop/workStep'
import { isOnView, pathOnView, WayChannels, type DrawnRun } from './WayChannels'

/** The view on which the leg that is laid now has its place, else any leg of the lead; none where no view has. */
export function leadViewOf(
  document: ProcedureDocument,
  steps: readonly WorkStep[],
  now: WorkStep | undefined,
): View | undefined {
  const ways = (of: readonly WorkStep[]) => of.flatMap(({ wayId }) => wayId ?? [])
  return (
    document.views.find((view) => isOnView(document, view, ways(now ? [now] : []))) ??
    document.views.find((view) => isOnView(document, view, ways(steps)))
  )
}

/** Where a lead goes, over the drawing of the vehicle; the leg that is laid now ringed at the point it comes to. */
export function LeadPicture({
  document,
  view,
  run,
  now,
}: {
  document: ProcedureDocument
  view: View
  run: DrawnRun
  now: WorkStep | undefined
}) {
  const way = document.ways.find(({ id }) => id === now?.wayId)
  const points = way ? pathOnView(document, view, way) : null
  return (
    <svg
      viewBox={`0 0 ${view.widthMm} ${view.heightMm}`}
      className="h-full w-full"
      role="img"
      aria-label={`Where the lead goes, ${view.name}`}
    >
      {view.backdrop.map((line, i) => (
        <path
          key={i}
          d={line.d}
          fill={line.weight === 'mass' ? 'var(--ground)' : 'none'}
          stroke="var(--untravelled)"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {points && (
        <polyline
          points={points.map((point) => point.join(',')).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="18"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <WayChannels document={document} view={view} runs={[run]} />
    </svg>
  )
}
