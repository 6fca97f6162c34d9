'use client'
import { useMemo, useRef, type ReactNode } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import { drawnFrom, seenOn } from '@/core/procedure/mirror'
import { mediaUrl } from '@/client/media'
import { MarkPaths, shapeOf } from '../marks/FastenerMark'
import { PlugPaths } from '../marks/PlugMark'
import { holderWords } from '@/words/items'
import { startWords } from '@/words/operations'
import { useZoom } from './useZoom'
import { ClipNumbers } from './ClipNumbers'
import { pathOf, type Point } from './geometry'
import { placeLabels, type LabelWish } from './placeLabels'

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

export function markSize(view: View): number {
  return Math.min(view.widthMm / 46, view.heightMm / 26)
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

function Marks({
  document,
  view,
  size: usual,
  picked,
  pickedId,
}: {
  document: ProcedureDocument
  view: View
  size: number
  picked: number
  pickedId: Id | null
}) {
  const covered = new Set(document.needs.filter((need) => need.reason === 'covers').map((need) => need.dependent.id))
  const at = (x: number, y: number, children: ReactNode, key: string, strong: boolean) => {
    const size = strong ? picked : usual
    return (
      <g
        key={key}
        transform={`translate(${x - size / 2} ${y - size / 2}) scale(${size / 24})`}
        style={{ color: strong ? 'var(--petrol)' : 'var(--untravelled)' }}
        className="pointer-events-none"
      >
        {(strong || view.photoId !== null) && (
          <circle cx="12" cy="12" r="15" fill="var(--sheet)" fillOpacity={view.photoId === null ? 0.85 : 1} />
        )}
        {children}
      </g>
    )
  }
  return (
    <>
      {document.holders.flatMap((holder) =>
        holder.positions.flatMap((position, i) =>
          position.viewId === view.id
            ? [
                at(
                  position.x,
                  position.y,
                  <MarkPaths shape={shapeOf(holder)} hidden={covered.has(holder.id)} stroke={2} />,
                  `${holder.id}-${i}`,
                  pickedId !== null && holder.holds.includes(pickedId),
                ),
              ]
            : [],
        ),
      )}
      {document.tethers.flatMap((tether) =>
        tether.positions.flatMap((position, i) =>
          position.viewId === view.id
            ? [
                at(
                  position.x,
                  position.y,
                  <PlugPaths tether={tether} hidden={tether.reached === 'after the release'} />,
                  `${tether.id}-${i}`,
                  tether.partId === pickedId,
                ),
              ]
            : [],
        ),
      )}
    </>
  )
}

/** Names of what holds and ties the picked part, put where the drawing is empty, their leaders not crossing. */
function Leaders({ document, view, pickedId }: { document: ProcedureDocument; view: View; pickedId: Id }) {
  const line = view.heightMm / 28
  const spots = (positions: readonly { viewId: string; x: number; y: number }[]) =>
    positions.filter((position) => position.viewId === view.id).map((position): Point => [position.x, position.y])
  const part = document.parts.find((item) => item.id === pickedId)!
  const entries: LabelWish[] = []
  const add = (key: string, anchors: Point[], title: string, sub: string) =>
    anchors.length > 0 &&
    entries.push({
      key,
      anchors,
      title,
      sub,
      widthMm: Math.max(title.length, sub.length * 0.9) * line * 0.52 + line * 0.4,
      heightMm: sub ? line * 2.3 : line * 1.3,
    })
  for (const holder of document.holders.filter((item) => item.holds.includes(pickedId))) {
    const covers = document.needs.flatMap((need) =>
      need.reason === 'covers' && need.dependent.id === holder.id && need.needs.kind === 'part'
        ? [need.needs.partId]
        : [],
    )
    const hider = covers.map((id) => document.parts.find((item) => item.id === id)?.name.toLowerCase()).join(', ')
    const clip = holder.kind.includes('clip') && part.release.start ? startWords(part.release.start) : ''
    add(holder.id, spots(holder.positions), holderWords(holder), hider ? `behind the ${hider}` : clip)
  }
  for (const tether of document.tethers.filter((item) => item.partId === pickedId))
    add(tether.id, spots(tether.positions), tether.name, tether.tabSide ? `tab: ${tether.tabSide}` : '')
  const text = {
    paintOrder: 'stroke' as const,
    stroke: 'var(--sheet)',
    strokeWidth: line * 0.28,
    strokeLinejoin: 'round' as const,
  }
  return (
    <g className="pointer-events-none">
      {placeLabels(
        view,
        entries,
        document.parts.flatMap((item) => (item.outline?.viewId === view.id ? [item.outline.points] : [])),
      ).map(({ key, title, sub, anchor, foot, box }) => {
        return (
          <g key={key}>
            <path
              d={`M${foot[0]} ${foot[1]}L${anchor[0]} ${anchor[1]}`}
              stroke="var(--petrol)"
              strokeWidth="0.9"
              vectorEffect="non-scaling-stroke"
              fill="none"
            />
            <circle cx={anchor[0]} cy={anchor[1]} r={line / 7} fill="var(--petrol)" />
            <text x={box.x} y={box.y + line} fontSize={line} fontWeight="700" fill="var(--ink)" {...text}>
              {title}
            </text>
            {sub && (
              <text x={box.x} y={box.y + line * 2} fontSize={line * 0.88} fill="var(--second)" {...text}>
                {sub}
              </text>
            )}
          </g>
        )
      })}
    </g>
  )
}

function ZoneFrame({ view, frame }: { view: View; frame: number }) {
  const w = view.widthMm / 4
  const h = view.heightMm / 3
  const text = {
    fontSize: frame * 0.72,
    fill: 'var(--second)',
    textAnchor: 'middle' as const,
    fontFamily: 'var(--font-mono)',
  }
  return (
    <g className="pointer-events-none">
      <rect
        x="0"
        y="0"
        width={view.widthMm}
        height={view.heightMm}
        fill="none"
        stroke="var(--untravelled)"
        strokeWidth="1.5"
        vectorEffect="non-scaling-stroke"
      />
      {['A', 'B', 'C', 'D'].map((letter, i) => (
        <g key={letter}>
          <text x={w * (i + 0.5)} y={-frame * 0.25} {...text}>
            {letter}
          </text>
          {i > 0 && (
            <line
              x1={w * i}
              x2={w * i}
              y1={-frame}
              y2="0"
              stroke="var(--untravelled)"
              strokeWidth="1"
              vectorEffect="non-scaling-stroke"
            />
          )}
        </g>
      ))}
      {['1', '2', '3'].map((digit, i) => (
        <g key={digit}>
          <text x={-frame * 0.5} y={h * (i + 0.5) + frame * 0.25} {...text}>
            {digit}
          </text>
          {i > 0 && (
            <line
              y1={h * i}
              y2={h * i}
              x1={-frame}
              x2="0"
              stroke="var(--untravelled)"
              strokeWidth="1"
              vectorEffect="non-scaling-stroke"
            />
          )}
        </g>
      ))}
      {view.leftWord && (
        <text x={frame * 0.5} y={view.heightMm - frame * 0.4} fontSize={frame * 0.8} fill="var(--second)">
          {view.leftWord}
        </text>
      )}
      {view.rightWord && (
        <text
          x={view.widthMm - frame * 0.5}
          y={view.heightMm - frame * 0.4}
          fontSize={frame * 0.8}
          fill="var(--second)"
          textAnchor="end"
        >
          {view.rightWord}
        </text>
      )}
    </g>
  )
}
