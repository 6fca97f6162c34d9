import { seededRandom, seedOfText } from '@/core/base/random'

/**
 * A strip of masking tape with a hand-set code: only on things that really wear one (trays, bays, vehicles). Torn ends,
 * crepe and tilt come from a seed of the label, so that a label always looks the same.
 */
export function Tape({ label, size = 'm' }: { label: string; size?: 's' | 'm' | 'l' }) {
  const random = seededRandom(seedOfText(label))
  const unit = size === 's' ? 11 : size === 'm' ? 14 : 20
  const width = Math.max(unit * 2, unit * 0.68 * label.length + unit * 1.5)
  const height = unit * 1.9
  const tilt = (random.next() * 2.4 - 1.2).toFixed(2)
  const torn = (x: number, dir: 1 | -1) =>
    Array.from({ length: 6 }, (_, i) => [x + dir * (i % 2 ? random.next() * 3 : 0), (height / 5) * i] as const)
  const points = [...torn(4, -1), ...torn(width - 4, 1).reverse()]
    .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ')
  const crepe = Array.from({ length: Math.round(width / 14) }, () => 4 + random.next() * (width - 8))
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      style={{ transform: `rotate(${tilt}deg)` }}
      role="img"
      aria-label={label}
      className="shrink-0"
    >
      <polygon points={points} fill="var(--tape)" stroke="var(--tape-edge)" strokeWidth="1" />
      {crepe.map((x, i) => (
        <line
          key={i}
          x1={x}
          x2={x + 1}
          y1={height * 0.1}
          y2={height * (0.35 + 0.5 * random.next())}
          stroke="var(--tape-edge)"
          strokeWidth="0.7"
          opacity="0.7"
        />
      ))}
      <text
        x={width / 2}
        y={height * 0.69}
        textAnchor="middle"
        fontFamily="var(--font-mono)"
        fontWeight="800"
        fontSize={unit}
        fill="var(--tape-ink)"
      >
        {label}
      </text>
    </svg>
  )
}
