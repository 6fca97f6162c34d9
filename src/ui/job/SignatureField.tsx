'use client'
import { useEffect, useRef } from 'react'
import SignaturePad from 'signature_pad'

/** A field that is signed by finger or pen. `onChange`: the strokes as one SVG path; empty while nothing is written. */
export function SignatureField({ label, onChange }: { label: string; onChange: (strokes: string) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<SignaturePad>(null)
  const tell = useRef(onChange)
  useEffect(() => {
    tell.current = onChange
  })
  useEffect(() => {
    const field = canvas.current!
    // One point of the path is one point of the screen, however dense it is.
    const fit = () => {
      const ratio = Math.max(window.devicePixelRatio, 1)
      const strokes = pad.current?.toData() ?? []
      field.width = field.offsetWidth * ratio
      field.height = field.offsetHeight * ratio
      field.getContext('2d')?.scale(ratio, ratio)
      pad.current?.fromData(strokes)
    }
    const made = new SignaturePad(field, { minWidth: 1, maxWidth: 2.5 })
    pad.current = made
    fit()
    made.addEventListener('endStroke', () => tell.current(pathOf(made)))
    window.addEventListener('resize', fit)
    return () => {
      window.removeEventListener('resize', fit)
      made.off()
    }
  }, [])
  return (
    <div>
      <p className="mb-1 text-lg font-semibold" id="signature-label">
        {label}
      </p>
      <canvas
        ref={canvas}
        className="h-44 w-full touch-none rounded border-2 border-ink bg-white"
        aria-labelledby="signature-label"
      />
      <button
        type="button"
        className="ghost mt-2 min-h-12"
        onClick={() => {
          pad.current?.clear()
          onChange('')
        }}
      >
        Clear, and sign once more
      </button>
    </div>
  )
}

/** A finger may leave the field. */
const whole = (at: number) => Math.min(99_999, Math.max(0, Math.round(at)))

/** The strokes, rounded to whole points, thinned where there are many: as a path of moves and lines. */
function pathOf(pad: SignaturePad): string {
  const strokes = pad.toData().map(({ points }) => points)
  const all = strokes.reduce((sum, points) => sum + points.length, 0)
  const every = Math.max(1, Math.ceil(all / 1500))
  return strokes
    .flatMap((points) =>
      points
        .filter((_, i) => i % every === 0 || i === points.length - 1)
        .map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${whole(x)} ${whole(y)}`),
    )
    .join(' ')
}
