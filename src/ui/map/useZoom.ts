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
  const [{ x, y, k }, setTransform] = useState({ x: 0, y: 0, k: 1 })
  useEffect(() => {
    busy.current = drawing
  }, [drawing])
  useEffect(() => {
    const element = svg.current
    if (!element) return
    const scale = { now: 1 }
    const made = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, MOST])
      .extent([
        [0, 0],
        [view.widthMm, view.heightMm],
      ])
      .translateExtent([
        [-view.widthMm * 0.05, -view.heightMm * 0.05],
        [view.widthMm * 1.05, view.heightMm * 1.05],
      ])
      .filter(
        (event: MouseEvent & { touches?: TouchList }) =>
          event.type === 'wheel' ||
          (event.touches?.length ?? 0) > 1 ||
          (!busy.current && scale.now > 1 && event.button === 0),
      )
      .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => {
        scale.now = event.transform.k
        setTransform({ x: event.transform.x, y: event.transform.y, k: event.transform.k })
      })
    behaviour.current = made
    select(element).call(made).on('dblclick.zoom', null)
    return () => {
      select(element).on('.zoom', null)
    }
  }, [svg, view.widthMm, view.heightMm])
  const by = (factor: number) => svg.current && behaviour.current?.scaleBy(select(svg.current), factor)
  const pan = (dx: number, dy: number) =>
    svg.current &&
    behaviour.current?.translateBy(
      select(svg.current),
      (dx * view.widthMm * PAN_SHARE) / k,
      (dy * view.heightMm * PAN_SHARE) / k,
    )
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
