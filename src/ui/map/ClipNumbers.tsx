import type { Id } from '@/core/base/id'
import { clipPath } from '@/core/procedure/clipPath'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import { middleOf } from './geometry'

/**
 * The clips of the picked part numbered as they come off, from its start corner on; dashed where one is likely that
 * nobody has marked.
 */
export function ClipNumbers({
  document,
  view,
  partId,
  size,
}: {
  document: ProcedureDocument
  view: View
  partId: Id
  size: number
}) {
  const part = document.parts.find((item) => item.id === partId)
  if (part?.outline?.viewId !== view.id) return null
  const [middleX, middleY] = middleOf(part.outline.points)
  /** Beside its mark, toward the middle of the panel, where no leader comes from. */
  const beside = ({ x, y }: { x: number; y: number }) => {
    const off = Math.hypot(middleX - x, middleY - y) || 1
    return { x: x + ((middleX - x) / off) * size * 1.15, y: y + ((middleY - y) / off) * size * 1.15 }
  }
  return (
    <g className="pointer-events-none" aria-hidden="true">
      {document.holders
        .filter((holder) => holder.holds.includes(partId) && holder.kind.includes('clip'))
        .map((holder) => {
          const path = clipPath(part, holder)
          return (
            path && (
              <g key={holder.id}>
                {path.marks.map((mark, i) => {
                  const { x, y } = beside(mark)
                  return (
                    <text
                      key={i}
                      x={x}
                      y={y}
                      dy="0.35em"
                      textAnchor="middle"
                      fontSize={size * 0.95}
                      fontWeight="700"
                      fontFamily="var(--font-mono)"
                      fill="var(--petrol)"
                      stroke="var(--sheet)"
                      strokeWidth={size * 0.26}
                      paintOrder="stroke"
                    >
                      {i + 1}
                    </text>
                  )
                })}
                {path.likely.map(({ x, y }) => (
                  <g key={`${x} ${y}`} transform={`translate(${x} ${y})`}>
                    <circle
                      r={size * 0.6}
                      fill="var(--sheet)"
                      stroke="var(--ink)"
                      strokeWidth="1.4"
                      strokeDasharray={`${size * 0.2} ${size * 0.16}`}
                    />
                    <text dy="0.35em" textAnchor="middle" fontSize={size * 0.75} fontWeight="700" fill="var(--ink)">
                      ?
                    </text>
                  </g>
                ))}
              </g>
            )
          )
        })}
    </g>
  )
}
