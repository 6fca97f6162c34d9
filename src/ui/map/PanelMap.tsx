'use client'
import { useMemo, useRef, type ReactNode } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import { drawnFrom, seenOn } from '@/core/procedure/mirror'
import { mediaUrl } from '@/client/media'
import { useZoom } from './useZoom'
import { ClipNumbers } from './ClipNumbers'
import { pathOf, type Point } from './geometry'
import { markSize } from './markSize'
import { Marks, Leaders } from './PanelMarks'
import { ZoneFrame } from './ZoneFrame'

export type MapProps = {
  document: ProcedureDocument
  view: View
  pickedId: Id | null
  onPick: (partId: Id) => void
  children?: ReactNode
  /** Leaders with the names of what holds, ties and covers the picked part. */
  leaders?: boolean
  /** The sheet that moves and grows with the zoom: what a pointer is measured on. */
  sheetRef?: React.Ref<SVGGElement>
  onPointerDown?: (event: React.PointerEvent<SVGSVGElement>) => void
  onPointerMove?: (event: React.PointerEvent<SVGSVGElement>) => void
  onPointerUp?: (event: React.PointerEvent<SVGSVGElement>) => void
  drawing?: boolean
  /** Marks of the picked part large enough for a glove and a metre's distance. */
  large?: boolean
}

const WEIGHT = { outer: 1.35, inner: 0.95, ghost: 0.7, mass: 0.95 } as const

/**
 * The panel map: a fine technical drawing with a zone frame, the parts' outlines over it, marks for fasteners and
 * plugs, and leaders for the picked part. Lines keep their weight at any size. Parts are picked by pointer here, by
 * list beside it.
 */
export function PanelMap({
  document: whole,
  view,
  pickedId,
  onPick,
  children,
  leaders = true,
  sheetRef,
  drawing = false,
  large = false,
  ...pointer
}: MapProps) {
  const document = useMemo(() => seenOn(whole, view), [whole, view])
  const { view: front, mirrored } = drawnFrom(whole, view)
  // A back without a drawing of its own shows the front's, mirrored.
  const drawn = mirrored && view.backdrop.length === 0 && view.photoId === null ? front : view
  const flipped = view.mirrorBackdrop !== (drawn !== view)
  const svg = useRef<SVGSVGElement>(null)
  const zoom = useZoom(svg, view, drawing)
  const frame = view.widthMm * 0.02
  const parts = document.parts.filter((part) => part.outline?.viewId === view.id)
  // On a photo every line and mark wears a rim of the sheet's colour, whatever lies under it.
  const rim = (d: string, key: string) =>
    view.photoId !== null && (
      <path
        key={key}
        d={d}
        vectorEffect="non-scaling-stroke"
        fill="none"
        stroke="var(--sheet)"
        strokeWidth="5"
        strokeOpacity="0.8"
        className="pointer-events-none"
      />
    )
  const picked = parts.find((part) => part.id === pickedId) ?? null
  const covering = useMemo(() => new Set(coveringParts(document, pickedId)), [document, pickedId])
  const mark = markSize(view)
  return (
    <div
      className="relative h-full w-full"
      tabIndex={0}
      role="group"
      aria-label={`${view.name}: zoom with plus and minus, move with the arrows, zero for the whole`}
      onKeyDown={zoom.onKeyDown}
    >
      <svg
        ref={svg}
        viewBox={`${-frame} ${-frame} ${view.widthMm + frame} ${view.heightMm + frame}`}
        className={`h-full w-full touch-none select-none ${drawing ? 'cursor-crosshair' : ''}`}
        role="img"
        aria-label={`${view.name}: ${parts.length} parts drawn`}
        {...pointer}
      >
        <defs>
          <pattern
            id={`hatch-${view.id}`}
            width={view.widthMm / 120}
            height={view.widthMm / 120}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line
              x1="0"
              y1="0"
              x2="0"
              y2={view.widthMm / 120}
              stroke="var(--petrol)"
              strokeWidth={view.widthMm / 900}
            />
          </pattern>
        </defs>
        <g ref={sheetRef} transform={zoom.transform}>
          <rect x="0" y="0" width={view.widthMm} height={view.heightMm} fill="var(--sheet)" />
          <g transform={flipped ? `translate(${view.widthMm} 0) scale(-1 1)` : undefined}>
            {drawn.photoId && (
              <image
                href={mediaUrl(drawn.photoId)}
                x="0"
                y="0"
                width={view.widthMm}
                height={view.heightMm}
                preserveAspectRatio="none"
              />
            )}
            <g fill="none" strokeLinejoin="round" strokeLinecap="round">
              {drawn.backdrop.map((line, i) => (
                <path
                  key={i}
                  d={line.d}
                  vectorEffect="non-scaling-stroke"
                  fill={line.weight === 'mass' ? 'var(--sheet)' : 'none'}
                  stroke={line.weight === 'ghost' ? 'var(--untravelled)' : 'var(--ink)'}
                  strokeWidth={WEIGHT[line.weight]}
                />
              ))}
            </g>
          </g>
          {parts.map((part) => rim(pathOf(part.outline!.points), `rim-${part.id}`))}
          {[...parts]
            .sort((a, b) => area(b.outline!.points) - area(a.outline!.points))
            .map((part) => (
              <path
                key={part.id}
                d={pathOf(part.outline!.points)}
                data-part={part.id}
                vectorEffect="non-scaling-stroke"
                fill={
                  part.id === pickedId
                    ? 'var(--tint)'
                    : covering.has(part.id)
                      ? `url(#hatch-${view.id})`
                      : 'transparent'
                }
                fillOpacity={part.id === pickedId ? 0.75 : 1}
                stroke={part.id === pickedId || covering.has(part.id) ? 'var(--petrol)' : 'var(--ink)'}
                strokeWidth={part.id === pickedId ? 2.8 : 1.2}
                className={drawing ? 'pointer-events-none' : 'cursor-pointer hover:fill-tint'}
                onClick={() => onPick(part.id)}
              >
                <title>{part.name}</title>
              </path>
            ))}
          {/* Covering parts lie on top of the picked one. */}
          {parts
            .filter((part) => covering.has(part.id))
            .map((part) => (
              <path
                key={part.id}
                d={pathOf(part.outline!.points)}
                vectorEffect="non-scaling-stroke"
                fill={`url(#hatch-${view.id})`}
                stroke="var(--petrol)"
                strokeWidth="1.6"
                className="pointer-events-none"
              />
            ))}
          <Marks document={document} view={view} size={mark} picked={large ? mark * 2.2 : mark} pickedId={pickedId} />
          {leaders && picked && <ClipNumbers document={document} view={view} partId={picked.id} size={mark} />}
          {leaders && picked && <Leaders document={document} view={view} pickedId={picked.id} />}
          <ZoneFrame view={view} frame={frame} />
          {children}
        </g>
      </svg>
      <div className="no-print absolute right-1 top-1 flex gap-1">
        <MapButton words="Closer" sign="+" onClick={zoom.closer} />
        {zoom.k > 1 && <MapButton words="Farther" sign="−" onClick={zoom.farther} />}
        {zoom.k > 1 && <MapButton words="Whole view" sign="0" onClick={zoom.reset} />}
      </div>
    </div>
  )
}

function MapButton({ words, sign, onClick }: { words: string; sign: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={words}
      title={words}
      className="num grid size-11 place-items-center rounded border-2 border-untravelled bg-ground text-xl hover:border-ink"
      onClick={onClick}
    >
      {sign}
    </button>
  )
}

function area(points: readonly Point[]): number {
  return Math.abs(
    points.reduce(
      (sum, [x, y], i) => sum + x * points[(i + 1) % points.length]![1] - y * points[(i + 1) % points.length]![0],
      0,
    ),
  )
}

function coveringParts(document: ProcedureDocument, partId: Id | null): Id[] {
  const holders = new Set(
    document.holders.filter((holder) => partId && holder.holds.includes(partId)).map((holder) => holder.id),
  )
  return document.needs.flatMap((need) =>
    need.needs.kind === 'part' &&
    ((need.reason === 'covers' && holders.has(need.dependent.id)) ||
      (need.reason === 'traps' && need.dependent.id === partId))
      ? [need.needs.partId]
      : [],
  )
}
