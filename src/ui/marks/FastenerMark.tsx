import type { HolderKind } from '@/core/procedure/holderKinds'
import { usualDrive } from '@/core/procedure/heads'
import type { Holder } from '@/core/procedure/holder'

/** Our own small shapes by kind, in a 24 px box. A hidden one is dashed in the shape itself. */
export type MarkShape =
  | 'hex'
  | 'hex socket'
  | 'lobe'
  | 'cross'
  | 'slot'
  | 'spring clip'
  | 'fir-tree'
  | 'push-pin'
  | 'pull-pin'
  | 'turn'
  | 'rivet'
  | 'stud'
  | 'tape'
  | 'hook'
  | 'tie'
  | 'round'

const BY_KIND: Partial<Record<HolderKind, MarkShape>> = {
  'spring clip': 'spring clip',
  'fir-tree clip': 'fir-tree',
  'push-pin': 'push-pin',
  'pull-pin': 'pull-pin',
  'retaining pin': 'pull-pin',
  'quarter-turn': 'turn',
  'expanding rivet': 'rivet',
  'rivet nut': 'rivet',
  'well nut': 'rivet',
  'stud and grommet': 'stud',
  adhesive: 'tape',
  'hook-and-loop': 'hook',
  'cable tie': 'tie',
}

export function shapeOf(holder: Pick<Holder, 'kind' | 'drives'>): MarkShape {
  const fixed = BY_KIND[holder.kind]
  if (fixed) return fixed
  const drive = usualDrive(holder as Holder)?.drive
  if (drive === 'six-lobe') return 'lobe'
  if (drive === 'hex' || drive === 'hex socket' || drive === 'cross' || drive === 'slot') return drive
  return 'round'
}

/** Six round lobes about a centre: drawn as one closed path. */
function lobePath(): string {
  const points = Array.from({ length: 12 }, (_, i) => {
    const angle = (i * Math.PI) / 6
    const r = i % 2 === 0 ? 12.5 : 7.4
    return [12 + r * Math.sin(angle), 12 - r * Math.cos(angle)] as const
  })
  // Lobes are the odd corners' way round: each outer point is the handle of a curve between two inner ones.
  const at = (i: number) => `${points[i % 12]![0].toFixed(2)} ${points[i % 12]![1].toFixed(2)}`
  return `M${at(1)}${[2, 4, 6, 8, 10, 12].map((i) => `Q${at(i)} ${at(i + 1)}`).join('')}Z`
}

const HEX = 'M12 2 20.7 7 20.7 17 12 22 3.3 17 3.3 7Z'
const LOBE = lobePath()

/** The outline of a shape, which is dashed when hidden, and its inside, which never is. */
const SHAPES: Record<MarkShape, { outline: string; inside?: string }> = {
  hex: { outline: HEX, inside: 'M12 9.5a2.5 2.5 0 1 0 .01 0Z' },
  'hex socket': { outline: 'M12 2a10 10 0 1 0 .01 0Z', inside: 'M12 7 16.3 9.5 16.3 14.5 12 17 7.7 14.5 7.7 9.5Z' },
  lobe: { outline: LOBE, inside: 'M12 10a2 2 0 1 0 .01 0Z' },
  cross: { outline: 'M12 2a10 10 0 1 0 .01 0Z', inside: 'M12 7v10M7 12h10' },
  slot: { outline: 'M12 2a10 10 0 1 0 .01 0Z', inside: 'M6 12h12' },
  'spring clip': { outline: 'M4 3 10 9.5 7.5 13.5 12 21 16.5 13.5 14 9.5 20 3' },
  'fir-tree': { outline: 'M12 2v20M6 7l6-4 6 4M6 13l6-4 6 4M6 19l6-4 6 4' },
  'push-pin': { outline: 'M12 2a10 10 0 1 0 .01 0Z', inside: 'M12 9a3 3 0 1 0 .01 0ZM12 10.8v2.4' },
  'pull-pin': { outline: 'M12 8a7 7 0 1 0 .01 0Z', inside: 'M12 8V2M8.5 2h7' },
  turn: { outline: 'M12 5a8 8 0 1 0 .01 0Z', inside: 'M12 9v8M3 9A10 10 0 0 1 8 3M3 4v5h5' },
  rivet: { outline: 'M4 9a8 8 0 0 1 16 0Z', inside: 'M9 9v12M15 9v12' },
  stud: { outline: 'M12 3a5 5 0 1 0 .01 0Z', inside: 'M12 13v8M7 21h10' },
  tape: { outline: 'M3 7h18v10H3Z', inside: 'M8 17 16 7M3 15l6-8M15 17l6-8' },
  hook: {
    outline: 'M3 5h18M3 19h18',
    inside: 'M6 5v5a2 2 0 0 0 4 0M14 5v5a2 2 0 0 0 4 0M6 19v-3M10 19v-3M14 19v-3M18 19v-3',
  },
  tie: { outline: 'M14 4a8 8 0 1 0 6 8', inside: 'M14 1v7h6' },
  round: { outline: 'M12 3a9 9 0 1 0 .01 0Z', inside: 'M12 9v6M9 12h6' },
}

/** The shape as SVG children in a 24 px box, for maps that place it themselves. */
export function MarkPaths({
  shape,
  hidden = false,
  stroke = 2,
}: {
  shape: MarkShape
  hidden?: boolean
  stroke?: number
}) {
  const { outline, inside } = SHAPES[shape]
  return (
    <g fill="none" stroke="currentColor" strokeWidth={stroke} strokeLinecap="round" strokeLinejoin="round">
      <path d={outline} strokeDasharray={hidden ? '3.2 3' : undefined} />
      {inside && <path d={inside} />}
    </g>
  )
}

export function FastenerMark({
  shape,
  hidden,
  size = 24,
  className,
}: {
  shape: MarkShape
  hidden?: boolean
  size?: number
  className?: string
}) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" className={className} aria-hidden="true">
      <MarkPaths shape={shape} hidden={hidden} stroke={size > 40 ? 2.2 : 2} />
    </svg>
  )
}
