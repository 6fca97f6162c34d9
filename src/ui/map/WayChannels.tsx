import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { View } from '@/core/procedure/view'
import type { Way } from '@/core/procedure/way'
import type { LeadClass } from '@/core/shop/leadClass'
import { LEAD_LINES } from '../marks/leadLines'
import type { Point } from './geometry'

/** A lead as it lies: its letter, its kind, the ways it takes. */
export type DrawnRun = { letter: string; kind: LeadClass; wayIds: readonly Id[] }

/** How far apart the lines of several leads are drawn in one channel, in screen pixels of their strokes. */
const GAP = 9

/** Where a way is drawn on a view: from its first point by its own marks to its second; null where one is not there. */
export function pathOnView(document: ProcedureDocument, view: View, way: Way): Point[] | null {
  const at = (id: Id): Point | null => {
    const place = document.waypoints
      .find((point) => point.id === id)
      ?.positions.find(({ viewId }) => viewId === view.id)
    return place ? [place.x, place.y] : null
  }
  const [from, to] = [at(way.from), at(way.to)]
  if (!from || !to) return null
  return [from, ...way.positions.filter(({ viewId }) => viewId === view.id).map(({ x, y }): Point => [x, y]), to]
}

/** Whether anything of these ways can be drawn on a view. */
export function isOnView(document: ProcedureDocument, view: View, wayIds: readonly Id[]): boolean {
  return document.ways.some((way) => wayIds.includes(way.id) && pathOnView(document, view, way) !== null)
}

/**
 * Ways as hollow channels between their points, filled with the lines of the leads that lie in them. Dashed: nobody has
 * looked along it; struck across: nobody lays a lead there. Where it is not to scale, nothing says it is.
 */
export function WayChannels({
  document,
  view,
  runs = [],
}: {
  document: ProcedureDocument
  view: View
  runs?: readonly DrawnRun[]
}) {
  const size = view.widthMm / 90
  const drawn = document.ways.flatMap((way) => {
    const points = pathOnView(document, view, way)
    return points ? [{ way, points, leads: runs.filter(({ wayIds }) => wayIds.includes(way.id)) }] : []
  })
  const onView = document.waypoints.flatMap((point) =>
    point.positions.filter(({ viewId }) => viewId === view.id).map((place) => ({ point, place })),
  )
  return (
    <g className="pointer-events-none" fill="none" strokeLinejoin="round">
      {drawn.map(({ way, points, leads }) => (
        <Channel key={way.id} way={way} points={points} lines={leads.length} />
      ))}
      {drawn.flatMap(({ way, points, leads }) =>
        leads.map((lead, i) => (
          <Line
            key={`${way.id}-${lead.letter}`}
            lead={lead}
            points={points}
            shift={(i - (leads.length - 1) / 2) * GAP}
          />
        )),
      )}
      {onView.map(({ point, place }) => (
        <g key={point.id}>
          <circle
            {...{ cx: place.x, cy: place.y, r: size * 0.7 }}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="2"
            vectorEffect="non-scaling-stroke"
          />
          <text
            {...{ x: place.x, y: place.y - size * 1.2, fontSize: size * 1.5, textAnchor: 'middle' }}
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth={size * 0.4}
            paintOrder="stroke"
          >
            {point.name}
          </text>
        </g>
      ))}
      {runs.map((run, i) => (
        <Letter key={run.letter} run={run} drawn={drawn} size={size} nth={i} />
      ))}
    </g>
  )
}

const path = (points: readonly Point[]) => points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')

function Channel({ way, points, lines }: { way: Way; points: readonly Point[]; lines: number }) {
  const unseen = !way.looked && way.passes.length === 0
  const never = way.never !== '' || way.passes.some(({ kind, how }) => how === 'crosses' && kind.startsWith('airbag '))
  const width = 8 + Math.max(0, lines - 1) * GAP
  const [x, y] = middleOf(points)
  return (
    <>
      <path
        d={path(points)}
        stroke="var(--untravelled)"
        strokeWidth={width}
        strokeDasharray={unseen ? '10 5' : undefined}
        vectorEffect="non-scaling-stroke"
      />
      <path d={path(points)} stroke="var(--sheet)" strokeWidth={width - 3} vectorEffect="non-scaling-stroke" />
      {never && (
        <text
          x={x}
          y={y}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize="34"
          fontWeight="800"
          fill="var(--stop)"
        >
          ×
        </text>
      )}
    </>
  )
}

/** One lead in a channel, beside the others that lie there. */
function Line({ lead, points, shift }: { lead: DrawnRun; points: readonly Point[]; shift: number }) {
  const line = LEAD_LINES[lead.kind]
  const stroke = {
    d: path(points),
    vectorEffect: 'non-scaling-stroke',
    style: { transform: `translate(${shift}px, ${shift}px)` },
  } as const
  return (
    <>
      <path
        {...stroke}
        stroke="var(--petrol)"
        strokeWidth={Math.max(3, line.width)}
        strokeDasharray={line.dash}
        strokeLinecap={line.round ? 'round' : 'butt'}
      />
      {line.walls && <path {...stroke} stroke="var(--sheet)" strokeWidth={line.width - 3} />}
    </>
  )
}

function middleOf(points: readonly Point[]): Point {
  const half = Math.floor((points.length - 1) / 2)
  const [[ax, ay], [bx, by]] = [points[half]!, points[half + 1] ?? points[half]!]
  return [(ax + bx) / 2, (ay + by) / 2]
}

/** The letter of a lead on its tape, at the middle of its longest drawn way. */
function Letter({
  run,
  drawn,
  size,
  nth,
}: {
  run: DrawnRun
  drawn: readonly { way: Way; points: readonly Point[] }[]
  size: number
  nth: number
}) {
  const mine = drawn.filter(({ way }) => run.wayIds.includes(way.id))
  const longest = mine.sort((a, b) => b.way.lengthMm - a.way.lengthMm)[0]
  if (!longest) return null
  const [x, y] = middleOf(longest.points)
  const side = size * 2
  return (
    <g transform={`translate(${x + nth * side * 1.1} ${y})`}>
      <rect
        {...{ x: -side / 2, y: -side / 2, width: side, height: side }}
        fill="var(--tape)"
        stroke="var(--tape-edge)"
      />
      <text
        {...{ textAnchor: 'middle', dominantBaseline: 'central', fontSize: side * 0.75, fontWeight: 800 }}
        fill="var(--tape-ink)"
      >
        {run.letter}
      </text>
    </g>
  )
}
