import QRCode from 'qrcode'

/**
 * The black squares of a two-dimensional code (ISO/IEC 18004) as path data, one unit a square, and how many squares a
 * side has.
 */
export function codePath(text: string): { d: string; size: number } {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  const rows: string[] = []
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) rows.push(`M${x} ${y}h1v1h-1z`)
  return { d: rows.join(''), size: modules.size }
}

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
