import type { Point } from './geometry'

/** A rectangle while it is dragged. */
export function Dragged({ from, to }: { from: Point; to: Point }) {
  return (
    <rect
      x={Math.min(from[0], to[0])}
      y={Math.min(from[1], to[1])}
      width={Math.abs(from[0] - to[0])}
      height={Math.abs(from[1] - to[1])}
      fill="var(--tint)"
      fillOpacity="0.6"
      stroke="var(--petrol)"
      strokeWidth="2"
      vectorEffect="non-scaling-stroke"
      className="pointer-events-none"
    />
  )
}

/** Corners tapped so far; `next`: where one more would cling. */
export function Corners({
  corners,
  next,
  widthMm,
}: {
  corners: readonly Point[]
  next: Point | null
  widthMm: number
}) {
  return (
    <g
      className="pointer-events-none"
      fill="none"
      stroke="var(--petrol)"
      strokeWidth="2"
      vectorEffect="non-scaling-stroke"
    >
      <path
        d={`M${[...corners, ...(next ? [next] : [])].map(([x, y]) => `${x} ${y}`).join('L')}`}
        vectorEffect="non-scaling-stroke"
      />
      {corners.map(([x, y], i) => (
        <circle
          key={i}
          cx={x}
          cy={y}
          r={widthMm / (i === 0 ? 130 : 220)}
          fill={i === 0 ? 'var(--petrol)' : 'var(--sheet)'}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  )
}
