import { memo } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import { MarkPaths, shapeOf } from '../marks/FastenerMark'
import { PlugPaths } from '../marks/PlugMark'
import { boxOf, pathOf } from './geometry'

/** One panel, cut out of its view for the bay: its outline, its marks, and the one that is meant now ringed. */
export const PartMap = memo(function PartMap({
  document,
  partId,
  nowItemId,
}: {
  document: ProcedureDocument
  partId: Id
  nowItemId: Id | null
}) {
  const part = document.parts.find((item) => item.id === partId)
  const view = document.views.find((item) => item.id === part?.outline?.viewId)
  if (!part?.outline || !view) return null
  const holders = document.holders.filter((holder) => holder.holds.includes(partId))
  const tethers = document.tethers.filter((tether) => tether.partId === partId)
  const spots = [...holders, ...tethers].flatMap((item) =>
    item.positions
      .filter((position) => position.viewId === view.id)
      .map((position): [number, number] => [position.x, position.y]),
  )
  const box = boxOf([...part.outline.points, ...spots])
  const margin = Math.max(box.width, box.height) * 0.16 + 12
  const size = Math.max(box.width, box.height) / 11
  const others = document.parts.filter((item) => item.id !== partId && item.outline?.viewId === view.id)
  const covered = new Set(document.needs.filter((need) => need.reason === 'covers').map((need) => need.dependent.id))
  const mark = (x: number, y: number, itemId: Id, key: string, airbag: boolean, children: React.ReactNode) => (
    <g key={key} transform={`translate(${x} ${y})`} style={{ color: itemId === nowItemId ? '#0f1315' : 'var(--ink)' }}>
      {itemId === nowItemId && (
        <circle r={size * 0.82} fill="var(--ground)" stroke="var(--ink)" strokeWidth={size * 0.09} />
      )}
      <circle r={size * 0.68} fill={itemId === nowItemId ? '#f4f1e9' : airbag ? 'var(--ground)' : 'var(--sheet)'} />
      <g transform={`scale(${size / 26}) translate(-12 -12)`}>{children}</g>
    </g>
  )
  return (
    <svg
      viewBox={`${box.x - margin} ${box.y - margin} ${box.width + 2 * margin} ${box.height + 2 * margin}`}
      className="absolute inset-0 h-full w-full"
      role="img"
      aria-label={`Where the marks of ${part.name} are, ${view.name}`}
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
      <path
        d={pathOf(part.outline.points)}
        fill="var(--sheet)"
        stroke="var(--petrol)"
        strokeWidth="5"
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
      />
      {others.map((item) => (
        <path
          key={item.id}
          d={pathOf(item.outline!.points)}
          fill="none"
          stroke="var(--untravelled)"
          strokeWidth="1.4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {holders.flatMap((holder) =>
        holder.positions.flatMap((p, i) =>
          p.viewId === view.id
            ? [
                mark(
                  p.x,
                  p.y,
                  holder.id,
                  `${holder.id}${i}`,
                  false,
                  <MarkPaths shape={shapeOf(holder)} hidden={covered.has(holder.id)} />,
                ),
              ]
            : [],
        ),
      )}
      {tethers.flatMap((tether) =>
        tether.positions.flatMap((p, i) =>
          p.viewId === view.id
            ? [mark(p.x, p.y, tether.id, `${tether.id}${i}`, true, <PlugPaths tether={tether} />)]
            : [],
        ),
      )}
    </svg>
  )
})
