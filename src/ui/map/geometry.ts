import type { Outline } from '@/core/procedure/part'
import type { View } from '@/core/procedure/view'

export type Point = readonly [number, number]
export type Box = { x: number; y: number; width: number; height: number }

export function boxOf(points: readonly Point[]): Box {
  const xs = points.map(([x]) => x)
  const ys = points.map(([, y]) => y)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}

/** The middle of an outline: the mean of its corners is near enough for a leader's foot. */
export function middleOf(points: readonly Point[]): Point {
  const box = boxOf(points)
  return [box.x + box.width / 2, box.y + box.height / 2]
}

/** "C2": columns A to D, rows 1 to 3, like a drawing's zone frame. */
export function zoneOf(view: View, [x, y]: Point): string {
  const column = Math.min(3, Math.max(0, Math.floor((x / view.widthMm) * 4)))
  const row = Math.min(2, Math.max(0, Math.floor((y / view.heightMm) * 3)))
  return `${'ABCD'[column]}${row + 1}`
}

export function pathOf(points: readonly Point[]): string {
  return `M${points.map(([x, y]) => `${x} ${y}`).join('L')}Z`
}

/** Where on a view a pointer is, in whole millimetres, inside its frame. */
export function pointAt(sheet: SVGGraphicsElement, event: { clientX: number; clientY: number }, view: View): Point {
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(sheet.getScreenCTM()!.inverse())
  const inside = (value: number, most: number) => Math.round(Math.min(most, Math.max(0, value)))
  return [inside(point.x, view.widthMm), inside(point.y, view.heightMm)]
}

/** A rectangle as an outline, from two corners, whichever way it was dragged. */
export function rectangle(viewId: string, [x1, y1]: Point, [x2, y2]: Point): Outline {
  const [left, right] = [Math.round(Math.min(x1, x2)), Math.round(Math.max(x1, x2))]
  const [top, bottom] = [Math.round(Math.min(y1, y2)), Math.round(Math.max(y1, y2))]
  return {
    viewId,
    points: [
      [left, top],
      [right, top],
      [right, bottom],
      [left, bottom],
    ],
  }
}
