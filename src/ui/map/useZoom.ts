import { select } from 'd3-selection'
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3-zoom'
import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react'
import type { View } from '@/core/procedure/view'

const MOST = 12
const STEP = 1.5
/** One press of an arrow moves by so much of the view. */
const PAN_SHARE = 0.12

/**
 * Zoom and pan of a view: wheel, two fingers, dragging once it is larger than its frame, keys and buttons. While
 * something is being drawn one finger draws. The transform is in millimetres of the view.
 */
export function useZoom(svg: RefObject<SVGSVGElement | null>, view: View, drawing: boolean) {
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null)
  const busy = useRef(drawing)
  const { widthMm, heightMm } = view
  const [{ x, y, k }, setTransform] = useState({ x: 0, y: 0, k: 1 })
  useEffect(() => {
    busy.current = drawing
  }, [drawing])
  useEffect(() => {
    const element = svg.current
    if (!element) return
    const made = zoomOf({ widthMm, heightMm }, () => busy.current, setTransform)
    behaviour.current = made
    select(element).call(made).on('dblclick.zoom', null)
    return () => {
      select(element).on('.zoom', null)
    }
  }, [svg, widthMm, heightMm])
  const by = (factor: number) => svg.current && behaviour.current?.scaleBy(select(svg.current), factor)
  const pan = (dx: number, dy: number) =>
    svg.current &&
    behaviour.current?.translateBy(select(svg.current), (dx * widthMm * PAN_SHARE) / k, (dy * heightMm * PAN_SHARE) / k)
  const reset = () => svg.current && behaviour.current?.transform(select(svg.current), zoomIdentity)
  const onKeyDown = (event: KeyboardEvent) => {
    const act = {
      '+': () => by(STEP),
      '=': () => by(STEP),
      '-': () => by(1 / STEP),
      '0': reset,
      ArrowLeft: () => pan(1, 0),
      ArrowRight: () => pan(-1, 0),
      ArrowUp: () => pan(0, 1),
      ArrowDown: () => pan(0, -1),
    }[event.key]
    if (!act) return
    event.preventDefault()
    act()
  }
  return {
    transform: `translate(${x} ${y}) scale(${k})`,
    k,
    closer: () => by(STEP),
    farther: () => by(1 / STEP),
    reset,
    onKeyDown,
  }
}

type Transform = { x: number; y: number; k: number }

/** Wheel and two fingers always; one finger drags only what is larger than its frame, while nothing is drawn. */
function zoomOf(
  { widthMm, heightMm }: Pick<View, 'widthMm' | 'heightMm'>,
  isDrawing: () => boolean,
  told: (transform: Transform) => void,
): ZoomBehavior<SVGSVGElement, unknown> {
  const scale = { now: 1 }
  return zoom<SVGSVGElement, unknown>()
    .scaleExtent([1, MOST])
    .extent([
      [0, 0],
      [widthMm, heightMm],
    ])
    .translateExtent([
      [-widthMm * 0.05, -heightMm * 0.05],
      [widthMm * 1.05, heightMm * 1.05],
    ])
    .filter(
      (event: MouseEvent & { touches?: TouchList }) =>
        event.type === 'wheel' ||
        (event.touches?.length ?? 0) > 1 ||
        (!isDrawing() && scale.now > 1 && event.button === 0),
    )
    .on('zoom', ({ transform: { x, y, k } }: D3ZoomEvent<SVGSVGElement, unknown>) => {
      scale.now = k
      told({ x, y, k })
    })
}
