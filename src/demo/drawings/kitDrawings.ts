import { View } from '@/core/procedure/view'
import { Pen, spots, type Pt } from './pen'

/* What is in the boxes of the demo, drawn by our own pen, in millimetres. */

function drawn(id: string, name: string, widthMm: number, heightMm: number, draw: (pen: Pen) => void): View {
  const pen = new Pen()
  draw(pen)
  return View.parse({ id, name, widthMm, heightMm, backdrop: pen.lines })
}

/** Places on a view. */
export const on = (viewId: string, ...points: Pt[]) => ({ positions: spots(viewId, ...points) })

/** The new unit from the left, its bracket on the flange, and the display in front of it. */
export const newUnitView = () =>
  drawn('swap-view', 'new unit, from the left', 300, 170, (pen) =>
    pen
      .rect('outer', 90, 40, 170, 84, 4)
      .rect('inner', 250, 56, 14, 18, 2)
      .rect('inner', 250, 88, 14, 18, 2)
      .shape('mass', [100, 100], [214, 100], [214, 140], [120, 140], [100, 124])
      .rect('outer', 36, 22, 26, 124, 6)
      .rect('inner', 30, 30, 6, 108, 2)
      .line('ghost', [62, 46], [90, 46])
      .line('ghost', [62, 118], [90, 118]),
  )

/** The recorder from above, on its bracket. */
export const recorderView = () =>
  drawn('rec-view', 'recorder, from above', 260, 170, (pen) =>
    pen
      .shape('mass', [20, 30], [240, 30], [240, 150], [20, 150])
      .rect('outer', 50, 44, 160, 92, 5)
      .rect('inner', 70, 60, 40, 12, 2)
      .rect('inner', 210, 60, 12, 22, 2)
      .rect('inner', 210, 98, 12, 22, 2)
      .circle('inner', [86, 112], 10),
  )

/** The tracker, label up. */
export const trackerView = () =>
  drawn('trk-view', 'tracker, label up', 160, 110, (pen) =>
    pen.rect('outer', 24, 20, 100, 70, 10).rect('inner', 40, 34, 56, 26, 3).rect('inner', 124, 44, 16, 22, 2),
  )

/** Camera and relay beside each other. */
export const cameraView = () =>
  drawn('cam-view', 'camera and relay', 240, 130, (pen) =>
    pen
      .rect('outer', 16, 30, 84, 64, 12)
      .circle('outer', [58, 62], 22)
      .circle('inner', [58, 62], 10)
      .rect('outer', 150, 34, 62, 62, 4)
      .rect('inner', 166, 96, 30, 16, 2),
  )

/** The sign's driver from the front, its dial open. */
export const signView = () =>
  drawn('sgn-view', 'sign driver, from the front', 280, 150, (pen) =>
    pen
      .rect('outer', 24, 24, 232, 102, 5)
      .rect('inner', 48, 44, 120, 44, 3)
      .circle('inner', [208, 62], 16)
      .line('inner', [208, 62], [208, 48])
      .rect('inner', 190, 96, 44, 20, 2),
  )
