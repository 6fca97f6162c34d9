import { onCircle, Pen } from './pen'

/** The patrol motorcycle from its left side, nose to the left: sketched in 690 by 560, scaled to 2200 mm. */
export function motorcycleLeft(): { pen: Pen; sizeMm: [number, number] } {
  const pen = new Pen(2200 / 690, 0, 0)
  ground(pen)
  wheel(pen, [112, 414], 84)
  wheel(pen, [556, 414], 84)
  chassis(pen)
  tail(pen)
  nose(pen)
  return { pen, sizeMm: [2200, 1690] }
}

function ground(p: Pen): void {
  p.line('ghost', [14, 498], [676, 498])
  for (let x = 20; x < 676; x += 16) p.line('ghost', [x, 498], [x - 7, 506])
  // Wheel chock and centre stand.
  p.shape('inner', [40, 498], [70, 498], [62, 470], [50, 470]).shape(
    'inner',
    [154, 498],
    [196, 498],
    [184, 462],
    [172, 462],
  )
  p.line('outer', [396, 446], [412, 494]).line('outer', [406, 444], [424, 494]).line('outer', [402, 496], [438, 496])
}

function wheel(p: Pen, c: readonly [number, number], r: number): void {
  p.circle('mass', c, r)
    .circle('outer', c, r)
    .circle('inner', c, r * 0.78)
    .circle('inner', c, r * 0.73)
    .circle('ghost', c, r * 0.9)
  p.spokes('inner', c, r * 0.2, r * 0.73, 5, 10).spokes('inner', c, r * 0.2, r * 0.73, 5, 22)
  p.circle('inner', c, r * 0.42)
    .circle('ghost', c, r * 0.36)
    .circle('outer', c, r * 0.13)
    .circle('inner', c, r * 0.06)
  for (let i = 0; i < 24; i++) p.line('ghost', onCircle(c, r * 0.9, i * 15), onCircle(c, r * 0.98, i * 15 + 5))
}

function chassis(p: Pen): void {
  // Fork and front mudguard.
  p.line('outer', [226, 250], [108, 414]).line('outer', [240, 256], [122, 420]).line('inner', [233, 252], [114, 418])
  p.curve('outer', [34, 372], [60, 332], [108, 314], [160, 322], [196, 350]).curve(
    'inner',
    [42, 376],
    [66, 340],
    [110, 322],
    [156, 330],
    [188, 354],
  )
  p.blob('inner', [160, 396], [172, 384], [184, 392], [182, 416], [168, 424], [158, 412])
  // Engine block behind the belly: ribs, covers, foot rests.
  p.curve('outer', [300, 350], [352, 340], [420, 344], [462, 366], [468, 420], [430, 452], [350, 452], [306, 436])
  p.circle('inner', [372, 398], 40)
    .circle('ghost', [372, 398], 33)
    .circle('inner', [372, 398], 10)
    .spokes('ghost', [372, 398], 12, 32, 10)
  for (let i = 0; i < 7; i++) p.line('ghost', [424, 356 + i * 12], [462, 360 + i * 12])
  p.rect('inner', 428, 446, 38, 10, 4).rect('ghost', 470, 430, 30, 8, 4)
  // Swing arm, drive and the hot exhaust.
  p.curve('outer', [452, 412], [500, 404], [556, 404])
    .curve('outer', [456, 436], [510, 430], [556, 426])
    .circle('inner', [556, 414], 20)
  p.curve('outer', [420, 452], [460, 468], [500, 462], [560, 436], [640, 406])
  p.blob('mass', [498, 456], [516, 442], [640, 392], [664, 396], [668, 414], [650, 424], [524, 474], [506, 474])
    .line('ghost', [514, 462], [656, 410])
    .line('inner', [640, 392], [650, 424])
  for (let i = 0; i < 9; i++) p.line('ghost', [524 + i * 13, 452 - i * 5], [530 + i * 13, 462 - i * 5])
}

function tail(p: Pen): void {
  // Tank, seat, radio box and light bar, pannier.
  p.curve('outer', [286, 196], [310, 172], [356, 166], [398, 190], [420, 220])
    .curve('inner', [296, 204], [316, 182], [354, 176], [390, 196], [408, 222])
    .blob('inner', [330, 178], [348, 170], [362, 176], [352, 184], [336, 184])
  p.curve('outer', [416, 222], [450, 244], [500, 246], [540, 220], [600, 212], [634, 230]).curve(
    'outer',
    [420, 240],
    [456, 262],
    [510, 262],
    [556, 244],
    [620, 240],
  )
  p.curve('ghost', [424, 230], [456, 252], [508, 254], [548, 232], [610, 224])
  p.rect('mass', 540, 142, 86, 60, 5)
    .rect('inner', 546, 148, 74, 14, 3)
    .rect('inner', 570, 170, 26, 10, 3)
    .line('ghost', [546, 190], [620, 190])
  p.line('outer', [626, 196], [634, 120])
    .blob('inner', [626, 112], [634, 98], [644, 112], [642, 124], [628, 124])
    .line('inner', [612, 142], [616, 100])
  p.blob('mass', [498, 266], [520, 252], [620, 246], [636, 258], [634, 340], [622, 352], [520, 356], [502, 344])
    .line('inner', [502, 296], [634, 288])
    .rect('inner', 530, 310, 66, 22, 4)
    .rect('ghost', 516, 282, 16, 18, 2)
    .rect('ghost', 600, 276, 16, 18, 2)
  p.curve('inner', [634, 232], [652, 240], [656, 256], [640, 262])
    .line('inner', [640, 262], [668, 316])
    .line('inner', [650, 258], [676, 308])
}

function nose(p: Pen): void {
  // Windscreen, mirror, bars, headlamp and the fairing's own lines; the parts' outlines lie over them.
  p.curve('outer', [170, 196], [196, 134], [236, 92], [256, 84], [268, 96], [262, 142], [248, 190]).curve(
    'ghost',
    [186, 190],
    [210, 140],
    [244, 102],
    [256, 98],
  )
  p.blob('mass', [262, 146], [272, 132], [298, 130], [310, 142], [306, 160], [278, 162])
    .line('inner', [276, 162], [270, 186])
    .curve('outer', [268, 186], [296, 174], [326, 180])
    .rect('inner', 292, 168, 40, 11, 5)
  p.curve('outer', [142, 224], [156, 206], [190, 196], [232, 190], [270, 186], [290, 200])
  p.curve('outer', [142, 224], [140, 250], [156, 276], [188, 292], [220, 286])
  p.blob('inner', [154, 232], [178, 214], [212, 212], [224, 232], [212, 256], [176, 262], [158, 250])
    .circle('inner', [182, 238], 15)
    .circle('inner', [206, 234], 13)
    .circle('ghost', [182, 238], 10)
    .circle('ghost', [206, 234], 8)
  p.curve(
    'outer',
    [220, 210],
    [252, 186],
    [282, 190],
    [330, 224],
    [390, 246],
    [428, 252],
    [420, 268],
    [372, 286],
    [320, 308],
    [296, 328],
    [246, 334],
    [208, 318],
    [192, 290],
  )
  p.curve('inner', [230, 242], [300, 250], [370, 258], [424, 260])
    .blob('inner', [252, 284], [286, 272], [312, 276], [304, 298], [260, 308])
    .slats('ghost', 258, 280, 48, 22, 4)
  p.blob('inner', [196, 286], [222, 270], [240, 266], [230, 282], [204, 294])
  // Lower fairing and belly pan.
  p.curve('outer', [212, 318], [222, 366], [236, 424], [260, 450], [320, 460], [400, 458], [430, 446]).curve(
    'inner',
    [246, 334],
    [262, 344],
    [310, 340],
    [330, 352],
    [320, 396],
    [330, 440],
  )
  p.slats('ghost', 240, 360, 52, 38, 4).blob('inner', [236, 358], [292, 356], [288, 384], [250, 396])
  p.curve('inner', [232, 416], [270, 438], [340, 442], [420, 434])
}
