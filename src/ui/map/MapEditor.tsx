'use client'
import { useRef, useState, type PointerEvent } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { fieldEdits } from '@/core/procedure/edit'
import { otherSideEdits, seenOn, storedAt } from '@/core/procedure/mirror'
import type { View } from '@/core/procedure/view'
import { holderWords } from '@/words/items'
import { newId } from '@/client/newId'
import { PanelMap } from './PanelMap'
import { snap } from './snapping'
import { pointAt, rectangle, type Point } from './geometry'

type Tool = 'pick' | 'outline' | 'corners' | `mark:${string}`

/**
 * The map with its tools: draw a part's outline as a rectangle or corner by corner, clinging to what is drawn already;
 * drop the marks of a group by tapping; copy a part to the other side. Everything can be typed as numbers in the forms
 * as well.
 */
export function MapEditor({
  document,
  view,
  pickedId,
  onPick,
  save,
}: {
  document: ProcedureDocument
  view: View
  pickedId: Id | null
  onPick: (id: Id) => void
  save: (edits: Edit[]) => Promise<string | null>
}) {
  const sheet = useRef<SVGGElement>(null)
  const [tool, setTool] = useState<Tool>('pick')
  const [corner, setCorner] = useState<Point | null>(null)
  const [corners, setCorners] = useState<Point[]>([])
  const [pointer, setPointer] = useState<Point | null>(null)
  const [trouble, setTrouble] = useState('')
  const picked = document.parts.find((part) => part.id === pickedId) ?? null
  const groups = pickedId
    ? [
        ...document.holders.filter((holder) => holder.holds.includes(pickedId)),
        ...document.tethers.filter((tether) => tether.partId === pickedId),
      ]
    : []

  const at = (event: PointerEvent<SVGSVGElement>): Point => pointAt(sheet.current!, event, view)
  const far = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]) > view.widthMm / 80
  const others = seenOn(document, view).parts.flatMap((part) =>
    part.outline?.viewId === view.id && part.id !== pickedId ? [part.outline.points] : [],
  )
  const clung = (point: Point, before: Point | null): Point => snap(point, others, before, view.widthMm / 110).point
  const draw = async (points: readonly Point[]) => {
    setCorner(null)
    setCorners([])
    setTool('pick')
    if (!picked) return
    const stored = points.map((point) => storedAt(document, view, point))
    setTrouble(
      (await save(
        fieldEdits('parts', picked, {
          ...picked,
          outline: { viewId: stored[0]!.viewId, points: stored.map(({ x, y }): [number, number] => [x, y]) },
        } as typeof picked),
      )) ?? '',
    )
  }
  const finish = (a: Point, b: Point) => draw(rectangle(view.id, a, b).points)
  const addCorner = (point: Point) => {
    const first = corners[0]
    if (first && corners.length > 2 && !far(first, point)) return void draw(corners)
    const next = clung(point, corners.at(-1) ?? null)
    if (corners.length < 200 && !corners.some(([x, y]) => x === next[0] && y === next[1]))
      setCorners([...corners, next])
  }
  const otherSide = async () => {
    const edits = otherSideEdits(document, pickedId!, newId)
    setTrouble((await save(edits)) ?? 'Copied to the other side: look at its name, and at what is different there.')
  }
  const drop = async (itemId: Id, point: Point) => {
    const holder = document.holders.find((item) => item.id === itemId)
    const item = holder ?? document.tethers.find((other) => other.id === itemId)
    if (!item) return
    const positions = [...item.positions, storedAt(document, view, point)]
    setTrouble(
      (await save(fieldEdits(holder ? 'holders' : 'tethers', item, { ...item, positions } as typeof item))) ?? '',
    )
    if (positions.length >= (holder?.count ?? 1)) setTool('pick')
  }
  const down = (event: PointerEvent<SVGSVGElement>) => {
    if (tool === 'pick') return
    event.preventDefault()
    const point = at(event)
    if (tool.startsWith('mark:')) return void drop(tool.slice(5), point)
    if (tool === 'corners') return addCorner(point)
    if (corner && far(corner, point)) return void finish(corner, clung(point, null))
    setCorner(clung(point, null))
    setPointer(point)
  }
  const up = (event: PointerEvent<SVGSVGElement>) => {
    if (tool !== 'outline' || !corner) return
    const point = at(event)
    if (far(corner, point)) void finish(corner, clung(point, null))
  }
  const clearMarks = async () => {
    const edits = groups.flatMap((item) => {
      const holder = 'holds' in item
      return item.positions.length > 0
        ? fieldEdits(holder ? 'holders' : 'tethers', item, { ...item, positions: [] } as typeof item)
        : []
    })
    setTrouble((await save(edits)) ?? '')
  }
  const marking = tool.startsWith('mark:') ? groups.find((item) => item.id === tool.slice(5)) : null
  const hint =
    tool === 'corners'
      ? corners.length < 3
        ? 'Tap corner after corner. They cling to what is drawn, and level or plumb with the one before.'
        : 'Tap the first corner again, or Close it.'
      : tool === 'outline'
        ? corner
          ? 'Tap the opposite corner.'
          : `Drag a rectangle for the ${picked?.name.toLowerCase()}, or tap two corners.`
        : marking
          ? `Tap where ${'count' in marking ? `mark ${marking.positions.length + 1} of ${marking.count}` : 'the plug'} sits.`
          : ''
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex min-h-11 flex-wrap items-center gap-2 border-b border-hair px-2 py-1">
        {picked ? (
          <>
            <button
              type="button"
              className={`desk-button ${tool === 'outline' ? 'main' : ''}`}
              aria-pressed={tool === 'outline'}
              onClick={() => setTool(tool === 'outline' ? 'pick' : 'outline')}
            >
              {picked.outline ? 'Draw its outline anew' : 'Draw its outline'}
            </button>
            <button
              type="button"
              className={`desk-button ${tool === 'corners' ? 'main' : ''}`}
              aria-pressed={tool === 'corners'}
              onClick={() => (setCorners([]), setTool(tool === 'corners' ? 'pick' : 'corners'))}
            >
              Corner by corner
            </button>
            {tool === 'corners' && corners.length > 0 && (
              <>
                <button type="button" className="desk-button" onClick={() => setCorners(corners.slice(0, -1))}>
                  One back
                </button>
                <button
                  type="button"
                  className="desk-button main"
                  disabled={corners.length < 3}
                  onClick={() => void draw(corners)}
                >
                  Close it
                </button>
              </>
            )}
            {groups.map((item) => {
              const missing = ('count' in item ? item.count : 1) - item.positions.length
              return missing > 0 ? (
                <button
                  key={item.id}
                  type="button"
                  className={`desk-button ${tool === `mark:${item.id}` ? 'main' : ''}`}
                  aria-pressed={tool === `mark:${item.id}`}
                  onClick={() => setTool(tool === `mark:${item.id}` ? 'pick' : `mark:${item.id}`)}
                >
                  Mark {'count' in item ? holderWords({ ...item, count: missing }) : item.name}
                </button>
              ) : null
            })}
            {groups.some((item) => item.positions.length > 0) && (
              <button type="button" className="desk-button" onClick={() => void clearMarks()}>
                Clear its marks
              </button>
            )}
            {tool === 'pick' && picked.outline && (
              <button type="button" className="desk-button" onClick={() => void otherSide()}>
                Copy to the other side
              </button>
            )}
          </>
        ) : (
          <span className="text-second">Pick a part on the map or in the list.</span>
        )}
        <button type="button" className="desk-button ml-auto" onClick={() => window.print()}>
          Print this view
        </button>
        <span className="font-semibold" role="status">
          {trouble || hint}
        </span>
      </div>
      <div className="min-h-0 flex-1">
        <PanelMap
          document={document}
          view={view}
          pickedId={pickedId}
          onPick={onPick}
          sheetRef={sheet}
          drawing={tool !== 'pick'}
          leaders={tool === 'pick'}
          onPointerDown={down}
          onPointerMove={(event) =>
            ((tool === 'outline' && corner) || (tool === 'corners' && corners.length > 0)) && setPointer(at(event))
          }
          onPointerUp={up}
        >
          {corner && pointer && (
            <rect
              x={Math.min(corner[0], pointer[0])}
              y={Math.min(corner[1], pointer[1])}
              width={Math.abs(corner[0] - pointer[0])}
              height={Math.abs(corner[1] - pointer[1])}
              fill="var(--tint)"
              fillOpacity="0.6"
              stroke="var(--petrol)"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
              className="pointer-events-none"
            />
          )}
          {tool === 'corners' && corners.length > 0 && (
            <g
              className="pointer-events-none"
              fill="none"
              stroke="var(--petrol)"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
            >
              <path
                d={`M${[...corners, ...(pointer ? [clung(pointer, corners.at(-1)!)] : [])].map(([x, y]) => `${x} ${y}`).join('L')}`}
                vectorEffect="non-scaling-stroke"
              />
              {corners.map(([x, y], i) => (
                <circle
                  key={i}
                  cx={x}
                  cy={y}
                  r={view.widthMm / (i === 0 ? 130 : 220)}
                  fill={i === 0 ? 'var(--petrol)' : 'var(--sheet)'}
                  vectorEffect="non-scaling-stroke"
                />
              ))}
            </g>
          )}
        </PanelMap>
      </div>
    </div>
  )
}
