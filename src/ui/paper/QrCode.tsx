import { codePath } from '@/paper/codePath'

const QUIET = 4

/** A code that a tablet's camera opens. Always black on white with its quiet zone, whatever the theme. */
export function QrCode({ text, sizeMm, label }: { text: string; sizeMm: number; label: string }) {
  const { d, size } = codePath(text)
  const side = size + 2 * QUIET
  return (
    <svg
      width={`${sizeMm}mm`}
      height={`${sizeMm}mm`}
      viewBox={`${-QUIET} ${-QUIET} ${side} ${side}`}
      role="img"
      aria-label={label}
      data-code={text}
      shapeRendering="crispEdges"
      className="shrink-0"
    >
      <rect x={-QUIET} y={-QUIET} width={side} height={side} fill="#fff" />
      <path d={d} fill="#000" />
    </svg>
  )
}
