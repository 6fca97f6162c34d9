'use client'
import { useRef, useState, type PointerEvent } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { fieldEdits } from '@/core/procedure/edit'
import type { View } from '@/core/procedure/view'
import { holderWords } from '../words/items'
import { PanelMap } from './PanelMap'
import { pointAt, rectangle, type Point } from './geometry'

type Tool = 'pick' | 'outline' | `mark:${string}`

/**
 * The map with its tools: draw a part's outline by dragging or by tapping two corners, drop the marks of a group by tapping.
 * Everything can be typed as numbers in the forms as well.
 */
export function MapEditor({ document, view, pickedId, onPick, save }: { document: ProcedureDocument; view: View; pickedId: Id | null; onPick: (id: Id) => void; save: (edits: Edit[]) => Promise<string | null> }) {
  const svg = useRef<SVGSVGElement>(null)
  const [tool, setTool] = useState<Tool>('pick')
  const [corner, setCorner] = useState<Point | null>(null)
  const [pointer, setPointer] = useState<Point | null>(null)
  const [trouble, setTrouble] = useState('')
  const picked = document.parts.find((part) => part.id === pickedId) ?? null
  const groups = pickedId ? [...document.holders.filter((holder) => holder.holds.includes(pickedId)), ...document.tethers.filter((tether) => tether.partId === pickedId)] : []

  const at = (event: PointerEvent<SVGSVGElement>): Point => pointAt(svg.current!, event, view)
  const far = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]) > view.widthMm / 80
  const finish = async (a: Point, b: Point) => {
    setCorner(null)
    setTool('pick')
    if (picked) setTrouble((await save(fieldEdits('parts', picked, { ...picked, outline: rectangle(view.id, a, b) } as typeof picked))) ?? '')
  }
  const drop = async (itemId: Id, [x, y]: Point) => {
    const holder = document.holders.find((item) => item.id === itemId)
    const item = holder ?? document.tethers.find((other) => other.id === itemId)
    if (!item) return
    const positions = [...item.positions, { viewId: view.id, x, y }]
    setTrouble((await save(fieldEdits(holder ? 'holders' : 'tethers', item, { ...item, positions } as typeof item))) ?? '')
    if (positions.length >= (holder?.count ?? 1)) setTool('pick')
  }
  const down = (event: PointerEvent<SVGSVGElement>) => {
    if (tool === 'pick') return
    event.preventDefault()
    const point = at(event)
    if (tool.startsWith('mark:')) return void drop(tool.slice(5), point)
    if (corner && far(corner, point)) return void finish(corner, point)
    setCorner(point)
    setPointer(point)
  }
  const up = (event: PointerEvent<SVGSVGElement>) => {
    if (tool !== 'outline' || !corner) return
    const point = at(event)
    if (far(corner, point)) void finish(corner, point)
  }
  const clearMarks = async () => {
    const edits = groups.flatMap((item) => {
      const holder = 'holds' in item
      return item.positions.length > 0 ? fieldEdits(holder ? 'holders' : 'tethers', item, { ...item, positions: [] } as typeof item) : []
    })
    setTrouble((await save(edits)) ?? '')
  }
  const marking = tool.startsWith('mark:') ? groups.find((item) => item.id === tool.slice(5)) : null
  const hint = tool === 'outline' ? (corner ? 'Tap the opposite corner.' : `Drag a rectangle for the ${picked?.name.toLowerCase()}, or tap two corners.`) : marking ? `Tap where ${'count' in marking ? `mark ${marking.positions.length + 1} of ${marking.count}` : 'the plug'} sits.` : ''
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex min-h-11 flex-wrap items-center gap-2 border-b border-hair px-2 py-1">
        {picked ? (
          <>
            <button type="button" className={`desk-button ${tool === 'outline' ? 'main' : ''}`} aria-pressed={tool === 'outline'} onClick={() => setTool(tool === 'outline' ? 'pick' : 'outline')}>
              {picked.outline ? 'Draw its outline anew' : 'Draw its outline'}
            </button>
            {groups.map((item) => {
              const missing = ('count' in item ? item.count : 1) - item.positions.length
              return missing > 0 ? (
                <button key={item.id} type="button" className={`desk-button ${tool === `mark:${item.id}` ? 'main' : ''}`} aria-pressed={tool === `mark:${item.id}`} onClick={() => setTool(tool === `mark:${item.id}` ? 'pick' : `mark:${item.id}`)}>
                  Mark {'count' in item ? holderWords({ ...item, count: missing }) : item.name}
                </button>
              ) : null
            })}
            {groups.some((item) => item.positions.length > 0) && (
              <button type="button" className="desk-button" onClick={() => void clearMarks()}>
                Clear its marks
              </button>
            )}
          </>
        ) : (
          <span className="text-second">Pick a part on the map or in the list.</span>
        )}
        <span className="font-semibold" role="status">
          {trouble || hint}
        </span>
      </div>
      <div className="min-h-0 flex-1">
        <PanelMap document={document} view={view} pickedId={pickedId} onPick={onPick} svgRef={svg} drawing={tool !== 'pick'} leaders={tool === 'pick'} onPointerDown={down} onPointerMove={(event) => tool === 'outline' && corner && setPointer(at(event))} onPointerUp={up}>
          {corner && pointer && <rect x={Math.min(corner[0], pointer[0])} y={Math.min(corner[1], pointer[1])} width={Math.abs(corner[0] - pointer[0])} height={Math.abs(corner[1] - pointer[1])} fill="var(--tint)" fillOpacity="0.6" stroke="var(--petrol)" strokeWidth="2" vectorEffect="non-scaling-stroke" className="pointer-events-none" />}
        </PanelMap>
      </div>
    </div>
  )
}
