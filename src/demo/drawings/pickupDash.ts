import { Pen } from './pen'

/** The road-works pickup's dash: upright and square, sketched in 700 by 540, scaled to 1650 mm. */
export function pickupDash(): { pen: Pen; sizeMm: [number, number] } {
  const pen = new Pen(1650 / 700)
  shell(pen)
  driver(pen)
  middle(pen)
  right(pen)
  roof(pen)
  return { pen, sizeMm: [1650, 1273] }
}

function shell(p: Pen): void {
  p.line('outer', [44, 90], [22, 250])
    .line('outer', [60, 90], [38, 250])
    .line('outer', [656, 90], [678, 250])
    .line('outer', [640, 90], [662, 250])
  p.curve('outer', [0, 256], [80, 240], [350, 226], [620, 240], [700, 256]).line(
    'outer',
    [0, 290],
    [40, 276],
    [660, 276],
    [700, 290],
  )
  p.curve('ghost', [230, 240], [350, 234], [470, 240]).curve('ghost', [230, 248], [350, 242], [470, 248])
  p.line('outer', [0, 446], [60, 456], [270, 462], [280, 520]).line(
    'outer',
    [420, 520],
    [430, 462],
    [640, 456],
    [700, 446],
  )
  p.line('ghost', [60, 456], [56, 540]).line('ghost', [640, 456], [644, 540])
}

function driver(p: Pen): void {
  p.shape('inner', [96, 262], [270, 262], [262, 338], [104, 338])
    .gauge([146, 302], 30)
    .gauge([220, 302], 30)
    .rect('inner', 172, 322, 22, 12, 2)
  p.circle('mass', [182, 380], 92)
    .circle('outer', [182, 380], 96)
    .circle('inner', [182, 380], 82)
    .circle('ghost', [182, 380], 89)
  p.shape('mass', [136, 362], [228, 362], [224, 404], [204, 420], [160, 420], [140, 404])
    .line('outer', [102, 376], [136, 370])
    .line('outer', [262, 376], [228, 370])
    .line('outer', [160, 420], [152, 458])
    .line('outer', [204, 420], [212, 458])
    .circle('ghost', [182, 390], 14)
  p.rect('mass', 24, 296, 50, 40, 3)
    .slats('ghost', 24, 296, 50, 40, 4)
    .rect('mass', 24, 348, 50, 34, 3)
    .knob([42, 365], 11)
    .circle('inner', [64, 365], 5)
  p.rect('inner', 150, 490, 40, 26, 3)
    .slats('ghost', 150, 490, 40, 26, 3)
    .rect('inner', 204, 486, 20, 34, 3)
    .slats('ghost', 204, 486, 20, 34, 4)
}

function middle(p: Pen): void {
  p.rect('mass', 288, 250, 130, 34, 3)
    .slats('ghost', 290, 252, 60, 30, 4)
    .slats('ghost', 356, 252, 60, 30, 4)
    .line('inner', [353, 250], [353, 284])
  p.shape('mass', [286, 290], [420, 290], [416, 452], [290, 452]).line(
    'ghost',
    [292, 296],
    [414, 296],
    [410, 446],
    [296, 446],
    [292, 296],
  )
  p.rect('inner', 298, 300, 110, 60, 3)
    .rect('ghost', 312, 306, 82, 48, 2)
    .circle('inner', [304, 318], 3.4)
    .circle('inner', [304, 340], 3.4)
  p.rect('inner', 298, 368, 110, 28, 3)
  for (let i = 0; i < 5; i++) p.rect('inner', 303 + i * 21, 373, 16, 18, 2)
  p.knob([322, 424], 14).knob([353, 424], 14).knob([384, 424], 14)
  p.shape('mass', [300, 462], [406, 462], [414, 530], [292, 530])
    .line('outer', [352, 500], [358, 470])
    .blob('mass', [348, 462], [356, 452], [368, 458], [366, 470], [354, 472])
    .blob('inner', [336, 506], [344, 494], [364, 494], [374, 506], [356, 514])
}

function right(p: Pen): void {
  p.rect('mass', 626, 296, 50, 40, 3).slats('ghost', 626, 296, 50, 40, 4)
  p.rect('inner', 446, 292, 164, 40, 3).line('ghost', [452, 298], [604, 298], [604, 326], [452, 326], [452, 298])
  p.shape('mass', [446, 352], [620, 352], [614, 436], [450, 436])
    .rect('inner', 512, 362, 44, 13, 5)
    .line('ghost', [452, 430], [612, 430])
  p.shape('inner', [646, 460], [700, 452], [700, 530], [650, 534])
}

function roof(p: Pen): void {
  p.curve('outer', [60, 60], [350, 44], [640, 60])
    .curve('outer', [44, 90], [350, 76], [656, 90])
    .curve('ghost', [52, 74], [350, 58], [648, 74])
  p.shape('mass', [272, 12], [428, 12], [436, 66], [264, 66])
    .rect('inner', 286, 22, 44, 24, 5)
    .rect('inner', 370, 22, 44, 24, 5)
    .slats('ghost', 286, 22, 44, 24, 3)
    .slats('ghost', 370, 22, 44, 24, 3)
    .circle('inner', [350, 34], 8)
  p.shape('inner', [90, 22], [230, 16], [236, 52], [92, 58]).shape('inner', [470, 16], [610, 22], [608, 58], [464, 52])
}
