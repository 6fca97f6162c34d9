'use client'
import type { View } from '@/core/procedure/view'

export function ZoneFrame({ view, frame }: { view: View; frame: number }) {
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
