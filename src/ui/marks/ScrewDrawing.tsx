/**
 * A screw to scale with its dimension: lookalikes are drawn to one scale, so that the eye can settle it. `toScale`: 1:1
 * on paper.
 */
export function ScrewDrawing({
  diameterMm,
  lengthMm,
  pxPerMm = 4.4,
  toScale = false,
}: {
  diameterMm: number
  lengthMm: number
  pxPerMm?: number
  toScale?: boolean
}) {
  const head = diameterMm * 0.7
  const wide = diameterMm * 1.75
  const total = head + lengthMm
  const mid = wide / 2 + 1
  const threads = Array.from({ length: Math.floor(lengthMm / 1.4) }, (_, i) => head + 0.7 + i * 1.4)
  return (
    <svg
      width={toScale ? `${total + 4}mm` : (total + 4) * pxPerMm}
      height={toScale ? `${wide + 8}mm` : (wide + 8) * pxPerMm}
      viewBox={`-1 0 ${total + 4} ${wide + 8}`}
      role="img"
      aria-label={`M${diameterMm} by ${lengthMm} mm`}
      className="shrink-0"
    >
      <g fill="none" stroke="currentColor" strokeWidth="0.45">
        <rect x="0" y={mid - wide / 2} width={head} height={wide} />
        <rect x={head} y={mid - diameterMm / 2} width={lengthMm} height={diameterMm} />
        {threads.map((x) => (
          <line key={x} x1={x} x2={x + 0.7} y1={mid - diameterMm / 2} y2={mid + diameterMm / 2} strokeWidth="0.3" />
        ))}
        <path d={`M${head} ${wide + 2}v3M${total} ${wide + 2}v3M${head} ${wide + 3.5}H${total}`} strokeWidth="0.3" />
      </g>
      <text
        x={head + lengthMm / 2}
        y={wide + 7.4}
        fontSize="3.6"
        textAnchor="middle"
        fontFamily="var(--font-mono)"
        fontWeight="700"
        fill="currentColor"
      >
        {lengthMm} mm
      </text>
    </svg>
  )
}
