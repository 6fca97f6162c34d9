import type { LeadClass } from '@/core/shop/leadClass'
import { LEAD_LINES } from './leadLines'
import { Tape } from './Tape'

const [WIDTH, HEIGHT, LEFT, RIGHT, MIDDLE] = [540, 80, 16, 16, 40]
/** A leg is drawn by its true length, and no shorter than this share of the line: its name has to stand somewhere. */
const LEAST_SHARE = 0.1

export type BeadLeg = { lengthMm: number; name: string; passage: boolean }

/** How wide each leg is drawn, in shares of the line. */
export function shares(lengths: readonly number[]): number[] {
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  const least = Math.min(LEAST_SHARE, 1 / Math.max(1, lengths.length))
  const wanted = lengths.map((length) => Math.max(least, length / whole))
  const sum = wanted.reduce((total, share) => total + share, 0)
  return wanted.map((share) => share / sum)
}

/**
 * A lead as it lies, drawn straight: its points as beads, a wall as a bar across, an open ring where the coil lies. Not
 * to scale where a leg is very short.
 */
export function Beadline({
  letter,
  kind,
  points,
  legs,
  coilAt,
  at,
}: {
  letter: string
  kind: LeadClass
  points: readonly string[]
  legs: readonly BeadLeg[]
  coilAt: number
  /** The bead that a hand is at. */
  at?: number
}) {
  const widths = shares(legs.map(({ lengthMm }) => lengthMm))
  const xs = [LEFT]
  for (const share of widths) xs.push(xs.at(-1)! + share * (WIDTH - LEFT - RIGHT))
  const line = LEAD_LINES[kind]
  const [from, to] = [xs[0]!, xs.at(-1)!]
  return (
    <div className="flex items-center gap-3">
      <Tape label={letter} size="s" />
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="min-w-0 grow"
        role="img"
        aria-label={`${points.join(', then ')}; ${legs.map(({ name }) => name).join(', then ')}`}
      >
        <line
          {...{ x1: from, x2: to, y1: MIDDLE, y2: MIDDLE }}
          stroke="currentColor"
          strokeWidth={line.width}
          strokeDasharray={line.dash}
          strokeLinecap={line.round ? 'round' : 'butt'}
        />
        {line.walls && (
          <line {...{ x1: from, x2: to, y1: MIDDLE, y2: MIDDLE }} stroke="var(--ground)" strokeWidth={line.width - 3} />
        )}
        {line.ticks && <Ticks from={from} to={to} />}
        {legs.map((leg, i) => leg.passage && <Wall key={i} x={(xs[i]! + xs[i + 1]!) / 2} />)}
        {points.map((name, i) => (
          <g key={i}>
            <circle
              {...{ cx: xs[i], cy: MIDDLE, r: at === i ? 9 : 6 }}
              fill={at === i ? 'var(--petrol)' : 'var(--ground)'}
              stroke="currentColor"
              strokeWidth="2.5"
            />
            {coilAt === i && legs.length > 0 && (
              <circle {...{ cx: xs[i], cy: MIDDLE, r: 12 }} fill="none" stroke="currentColor" strokeWidth="1.5" />
            )}
            <text
              x={xs[i]}
              y={i % 2 === 0 ? 16 : 74}
              textAnchor={i === 0 ? 'start' : i === points.length - 1 ? 'end' : 'middle'}
              fontSize="15"
              fill="currentColor"
            >
              {name}
            </text>
          </g>
        ))}
      </svg>
    </div>
  )
}

function Ticks({ from, to }: { from: number; to: number }) {
  const count = Math.floor((to - from) / 24)
  return Array.from({ length: count }, (_, i) => {
    const x = from + 12 + i * 24
    return <line key={i} x1={x} x2={x} y1={MIDDLE - 8} y2={MIDDLE + 8} stroke="currentColor" strokeWidth="1.5" />
  })
}

function Wall({ x }: { x: number }) {
  return (
    <g>
      <line x1={x} x2={x} y1={MIDDLE - 15} y2={MIDDLE + 15} stroke="currentColor" strokeWidth="5" />
      <circle cx={x} cy={MIDDLE} r="7" fill="var(--ground)" stroke="currentColor" strokeWidth="2.5" />
    </g>
  )
}
