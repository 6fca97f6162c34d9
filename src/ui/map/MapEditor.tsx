'use client'
import { useRef, useState, type PointerEvent } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { fieldEdits } from '@/core/procedure/edit'
import { otherSideEdits, seenOn, storedAt } from '@/core/procedure/mirror'
import type { View } from '@/core/procedure/view'
import { newId } from '@/client/newId'
import { hintOf, MapTools, type Tool } from './MapTools'
import { PanelMap } from './PanelMap'
import { Corners, Dragged } from './Drawn'
import { snap } from './snapping'
import { WayChannels } from './WayChannels'
import { pointAt, rectangle, type Point } from './geometry'

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
  const [ways, setWays] = useState(false)
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
  return (
    <div className="flex h-full min-h-0 flex-col">
      <MapTools
        picked={picked}
        groups={groups}
        tool={tool}
        choose={(next) => (setCorners([]), setTool(next))}
        corners={corners.length}
        oneBack={() => setCorners(corners.slice(0, -1))}
        close={() => void draw(corners)}
        clearMarks={() => void clearMarks()}
        otherSide={() => void otherSide()}
        said={trouble || hintOf(tool, { corners: corners.length, hasCorner: corner !== null, picked, marking })}
      />
      {document.ways.length > 0 && (
        <label className="flex min-h-9 items-center gap-2 px-3 text-[15px]">
          <input
            type="checkbox"
            className="size-5 accent-[var(--petrol)]"
            checked={ways}
            onChange={(event) => setWays(event.target.checked)}
          />
          Ways for leads
        </label>
      )}
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
          {ways && <WayChannels document={seenOn(document, view)} view={view} />}
          {corner && pointer && <Dragged from={corner} to={pointer} />}
          {tool === 'corners' && corners.length > 0 && (
            <Corners corners={corners} next={pointer && clung(pointer, corners.at(-1)!)} widthMm={view.widthMm} />
          )}
        </PanelMap>
      </div>
    </div>
  )
}
