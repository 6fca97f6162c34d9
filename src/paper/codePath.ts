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
