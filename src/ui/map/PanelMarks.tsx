'use client'
import type { ReactNode } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import { MarkPaths, shapeOf } from '../marks/FastenerMark'
import { PlugPaths } from '../marks/PlugMark'
import { holderWords } from '@/words/items'
import { startWords } from '@/words/operations'
import type { Point } from './geometry'
import { placeLabels, type LabelWish } from './placeLabels'

export function Marks({
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
export function Leaders({ document, view, pickedId }: { document: ProcedureDocument; view: View; pickedId: Id }) {
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
