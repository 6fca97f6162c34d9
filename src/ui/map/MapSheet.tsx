import type { ProcedureDocument } from '@/core/procedure/document'
import { seenOn } from '@/core/procedure/mirror'
import type { Part } from '@/core/procedure/part'
import type { View } from '@/core/procedure/view'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { PlugMark } from '../marks/PlugMark'
import { holderWords } from '@/words/items'
import { boxOf, middleOf, type Point } from './geometry'
import { PanelMap } from './PanelMap'

/**
 * A view on one sheet of A4: the drawing as large as the paper, each part numbered, and what holds and ties it in a
 * list below.
 */
export function MapSheet({ document: whole, view }: { document: ProcedureDocument; view: View }) {
  const document = seenOn(whole, view)
  const parts = document.parts.filter((part) => part.outline?.viewId === view.id)
  const size = view.widthMm / 62
  const spots = numberSpots(parts, size * 2.2)
  return (
    <article
      data-theme="desk"
      className="map-sheet hidden text-[12px] print:block"
      aria-label={`${view.name} for printing`}
    >
      <header className="flex items-baseline justify-between border-b-2 border-ink pb-1">
        <h1 className="text-xl">
          {document.name}, {view.name}
        </h1>
        <span>{view.measured ? `${view.widthMm} × ${view.heightMm} mm` : 'in proportion, not measured'}</span>
      </header>
      <div className="mx-auto h-[124mm]">
        <PanelMap document={whole} view={view} pickedId={null} onPick={() => undefined} leaders={false}>
          {parts.map((part, i) => {
            const [x, y] = spots.get(part.id)!
            return (
              <g key={part.id}>
                <circle
                  cx={x}
                  cy={y}
                  r={size}
                  fill="#fff"
                  stroke="#000"
                  strokeWidth="1"
                  vectorEffect="non-scaling-stroke"
                />
                <text x={x} y={y + size * 0.36} fontSize={size * 1.05} fontWeight="700" textAnchor="middle" fill="#000">
                  {i + 1}
                </text>
              </g>
            )
          })}
        </PanelMap>
      </div>
      <ol className="columns-3 gap-6 border-t-2 border-ink pt-1">
        {parts.map((part, i) => (
          <li key={part.id} className="mb-1 flex break-inside-avoid gap-2">
            <b className="num w-5 text-right">{i + 1}</b>
            <span>
              <b>{part.name}</b>
              {document.holders
                .filter((holder) => holder.holds.includes(part.id))
                .map((holder) => (
                  <span key={holder.id} className="ml-2 inline-flex items-center gap-1 whitespace-nowrap">
                    <FastenerMark shape={shapeOf(holder)} size={13} /> {holderWords(holder)}
                  </span>
                ))}
              {document.tethers
                .filter((tether) => tether.partId === part.id)
                .map((tether) => (
                  <span key={tether.id} className="ml-2 inline-flex items-center gap-1 whitespace-nowrap">
                    <PlugMark tether={tether} size={14} /> {tether.name}
                  </span>
                ))}
            </span>
          </li>
        ))}
      </ol>
      {parts.length === 0 && <p>No part is drawn on this view yet.</p>}
    </article>
  )
}

/**
 * Where each part's number stands: in its middle, or near a corner where another number stands there already. Small
 * parts choose first.
 */
function numberSpots(parts: readonly Part[], apartMm: number): Map<string, Point> {
  const spots = new Map<string, Point>()
  const box = (part: Part) => boxOf(part.outline!.points)
  for (const part of [...parts].sort((a, b) => box(a).width * box(a).height - box(b).width * box(b).height)) {
    const { x, y, width, height } = box(part)
    const inset = Math.min(apartMm, width / 4, height / 4)
    const wished: Point[] = [
      middleOf(part.outline!.points),
      [x + inset, y + inset],
      [x + width - inset, y + inset],
      [x + inset, y + height - inset],
      [x + width - inset, y + height - inset],
      [x + width / 2, y + height - inset],
      [x + width / 2, y + inset],
    ]
    const free = wished.find(([px, py]) =>
      [...spots.values()].every(([qx, qy]) => Math.hypot(px - qx, py - qy) >= apartMm),
    )
    spots.set(part.id, free ?? wished[0]!)
  }
  return spots
}
