import { Pen } from './pen'

/** The small bus's driver's place with the post beside it: sketched in 720 by 560, scaled to 2100 mm. */
export function busCab(): { pen: Pen; sizeMm: [number, number] } {
  const pen = new Pen(2100 / 720)
  frame(pen)
  dash(pen)
  post(pen)
  return { pen, sizeMm: [2100, 1633] }
}

function frame(p: Pen): void {
  p.rect('outer', 20, 16, 470, 56, 6).line('ghost', [28, 44], [482, 44]).rect('inner', 120, 24, 210, 36, 3)
  for (let i = 0; i < 14; i++) p.line('ghost', [126 + i * 15, 28], [126 + i * 15, 56])
  p.line('outer', [20, 72], [40, 262])
    .line('outer', [36, 72], [54, 262])
    .line('outer', [490, 72], [486, 262])
    .line('outer', [474, 72], [470, 262])
    .curve('outer', [40, 262], [260, 244], [486, 262])
  p.rect('inner', 44, 96, 40, 70, 8).line('inner', [64, 166], [70, 190])
}

function dash(p: Pen): void {
  p.curve('outer', [10, 300], [90, 272], [260, 262], [420, 270], [500, 292])
    .line('outer', [10, 300], [10, 430], [60, 446])
    .line('outer', [500, 292], [508, 430], [452, 448])
  p.curve('inner', [70, 300], [130, 276], [210, 272], [284, 280], [320, 304])
    .gauge([150, 312], 32)
    .gauge([232, 312], 32)
    .rect('inner', 182, 326, 20, 14, 2)
  p.circle('mass', [190, 404], 104)
    .circle('outer', [190, 404], 108)
    .circle('inner', [190, 404], 94)
    .circle('ghost', [190, 404], 101)
  p.gauge([150, 326], 22).gauge([232, 326], 22)
  p.blob('mass', [152, 388], [190, 380], [228, 388], [232, 412], [212, 432], [168, 432], [148, 412])
    .line('outer', [98, 396], [150, 396])
    .line('outer', [230, 396], [282, 396])
    .line('outer', [178, 434], [174, 496])
    .line('outer', [202, 434], [206, 496])
  p.rect('mass', 24, 318, 50, 60, 4)
  for (let row = 0; row < 3; row++)
    for (let column = 0; column < 2; column++) p.rect('inner', 29 + column * 22, 323 + row * 18, 18, 14, 2)
  p.shape('mass', [330, 292], [484, 298], [480, 432], [336, 432])
    .rect('inner', 346, 308, 122, 52, 3)
    .rect('ghost', 362, 314, 90, 40, 2)
    .circle('inner', [354, 334], 4)
  p.rect('inner', 346, 370, 122, 20, 2)
  for (let i = 0; i < 6; i++) p.rect('inner', 351 + i * 19.5, 373, 15, 14, 2)
  p.knob([368, 411], 13).knob([406, 411], 13).knob([444, 411], 13)
  p.shape('mass', [60, 446], [330, 452], [322, 500], [70, 496]).line('ghost', [70, 454], [320, 460])
  p.rect('inner', 112, 508, 46, 24, 3)
    .slats('ghost', 112, 508, 46, 24, 3)
    .rect('inner', 214, 504, 22, 36, 3)
    .slats('ghost', 214, 504, 22, 36, 4)
  p.shape('inner', [340, 452], [452, 448], [460, 540], [346, 540]).slats('ghost', 352, 470, 96, 50, 4)
}

function post(p: Pen): void {
  p.line('outer', [560, 20], [556, 548])
    .line('outer', [600, 20], [604, 548])
    .rect('mass', 540, 210, 86, 124, 6)
    .rect('inner', 552, 222, 62, 50, 3)
    .rect('inner', 556, 282, 24, 16, 2)
    .rect('inner', 588, 282, 24, 16, 2)
    .slats('ghost', 556, 304, 56, 22, 3)
  p.rect('outer', 630, 16, 76, 70, 6)
    .rect('inner', 640, 26, 56, 40, 3)
    .line('ghost', [640, 74], [696, 74])
    .rect('mass', 536, 100, 94, 60, 5)
    .slats('ghost', 542, 106, 82, 48, 6)
  p.line('outer', [712, 90], [712, 548])
    .line('inner', [660, 96], [656, 548])
    .rect('ghost', 666, 120, 38, 160, 4)
    .rect('ghost', 666, 300, 38, 160, 4)
  p.shape('mass', [520, 470], [644, 470], [652, 548], [512, 548]).line('ghost', [524, 480], [640, 480])
}
