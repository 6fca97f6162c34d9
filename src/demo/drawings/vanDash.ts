import { onCircle, Pen } from './pen'

/**
 * The van's dash from between the seats: a line drawing of our own, sketched in a frame of 688 by 560 and scaled to
 * 1600 mm.
 */
export function vanDash(): { pen: Pen; sizeMm: [number, number] } {
  const pen = new Pen(1600 / 688, 226, 72)
  body(pen)
  wheelAndCluster(pen)
  centre(pen)
  passenger(pen)
  return { pen, sizeMm: [1600, 1302] }
}

function body(p: Pen): void {
  // Windscreen, pillars and the edge of the bonnet.
  p.line('outer', [262, 72], [226, 178])
    .line('outer', [278, 72], [226, 216])
    .line('inner', [306, 72], [272, 262])
    .line('outer', [316, 72], [280, 262])
  p.line('inner', [272, 72], [226, 198]).line('ghost', [268, 72], [226, 188])
  p.line('outer', [804, 72], [864, 262]).line('inner', [812, 72], [868, 240])
  p.curve('outer', [226, 266], [280, 262], [420, 242], [560, 233], [700, 238], [840, 258], [914, 272])
  p.curve('inner', [226, 292], [262, 270], [300, 264])
  p.curve('ghost', [526, 246], [600, 240], [690, 244], [760, 254]).curve(
    'ghost',
    [528, 251],
    [600, 246],
    [690, 250],
    [752, 258],
  )
  p.curve('outer', [700, 262], [760, 264], [840, 268], [914, 292])
  // Lower edge of the dash.
  p.curve('outer', [226, 466], [246, 478], [288, 480], [298, 540])
  p.line('outer', [298, 540], [520, 540])
  p.curve('outer', [520, 540], [528, 482], [540, 480], [556, 481], [570, 492])
  p.curve('outer', [702, 504], [712, 486], [730, 480], [870, 480], [898, 476], [914, 462])
  p.line('ghost', [296, 540], [294, 590])
    .line('ghost', [522, 540], [526, 590])
    .line('ghost', [744, 482], [742, 590])
    .curve('ghost', [914, 470], [900, 500], [898, 560], [900, 590])
}

function wheelAndCluster(p: Pen): void {
  p.curve(
    'outer',
    [290, 470],
    [288, 350],
    [300, 280],
    [340, 250],
    [408, 242],
    [476, 250],
    [512, 280],
    [522, 330],
    [524, 372],
  )
  p.curve('inner', [302, 350], [308, 292], [344, 262], [408, 254], [470, 262], [506, 292], [510, 340])
  p.curve('ghost', [318, 330], [324, 298], [352, 272], [408, 266], [464, 272], [492, 298], [498, 330])
  p.gauge([362, 322], 34).gauge([454, 322], 34).rect('inner', 394, 302, 28, 26, 2).line('ghost', [396, 334], [420, 334])
  // Steering wheel: rim, spokes, boss.
  const c = [408, 404] as const
  p.circle('mass', c, 114).circle('outer', c, 118).circle('inner', c, 104).circle('ghost', c, 111)
  p.gauge([362, 322], 30).gauge([454, 322], 30)
  p.curve('outer', [310, 392], [340, 380], [366, 374], [408, 370], [450, 374], [476, 380], [506, 392])
  p.curve('outer', [308, 416], [340, 412], [356, 420], [368, 440], [376, 466], [376, 498])
  p.curve('outer', [508, 416], [476, 412], [460, 420], [448, 440], [440, 466], [440, 498])
  p.shape('mass', [368, 384], [448, 384], [452, 420], [438, 444], [378, 444], [364, 420]).circle(
    'ghost',
    [408, 404],
    13,
  )
  p.line('inner', [386, 452], [430, 452], [426, 498]).line('inner', [386, 452], [390, 498])
  p.rect('inner', 394, 330, 28, 30, 3)
  p.shape('inner', [312, 394], [340, 388], [338, 406], [311, 410]).shape(
    'inner',
    [504, 394],
    [476, 388],
    [478, 406],
    [505, 410],
  )
  // Stalks.
  p.shape('mass', [290, 356], [308, 364], [306, 372], [286, 366]).shape(
    'mass',
    [526, 356],
    [508, 364],
    [510, 372],
    [530, 366],
  )
  // Vents, lamp switch, ignition, bonnet pull, pedals.
  p.rect('mass', 228, 322, 54, 44, 4).slats('ghost', 228, 322, 54, 44, 5).circle('inner', [255, 344], 4)
  p.rect('mass', 228, 382, 48, 40, 4).knob([252, 402], 14)
  p.circle('mass', [490, 430], 9).line('inner', [490, 424], [490, 436])
  p.rect('ghost', 324, 508, 44, 14, 3)
  p.rect('inner', 402, 554, 53, 22, 3)
    .slats('ghost', 402, 554, 53, 22, 3)
    .rect('inner', 468, 548, 20, 38, 3)
    .slats('ghost', 468, 548, 20, 38, 5)
}

function centre(p: Pen): void {
  p.rect('mass', 540, 308, 24, 66, 4)
    .slats('ghost', 540, 308, 24, 66, 8)
    .rect('mass', 703, 308, 26, 66, 4)
    .slats('ghost', 703, 308, 26, 66, 8)
  // The stack itself; the parts' outlines lie over these lines.
  p.shape('mass', [567, 284], [702, 284], [693, 499], [576, 499])
  p.line('ghost', [572, 289], [697, 289], [689, 494], [581, 494], [572, 289])
  p.rect('inner', 590, 295, 88, 20, 3)
  p.rect('inner', 622, 323, 24, 13, 2)
    .line('ghost', [634, 325], [639, 333], [629, 333], [634, 325])
    .rect('inner', 656, 323, 26, 13, 2)
  p.rect('inner', 584, 344, 100, 66, 3)
    .rect('ghost', 600, 351, 68, 53, 3)
    .circle('inner', [592, 368], 4)
    .circle('inner', [592, 388], 4)
    .circle('inner', [676, 368], 4)
    .circle('inner', [676, 388], 4)
  p.rect('inner', 588, 420, 92, 46, 5).knob([608, 443], 11).knob([634, 443], 11).knob([660, 443], 11)
  // Console, lever, small cover.
  p.shape('mass', [590, 504], [692, 504], [704, 568], [578, 568])
  p.rect('inner', 603, 516, 24, 36, 3)
  p.blob('inner', [638, 540], [646, 530], [660, 528], [674, 532], [678, 542], [668, 551], [648, 550])
  p.line('outer', [656, 540], [660, 514])
    .line('outer', [663, 540], [667, 514])
    .blob('mass', [651, 504], [655, 495], [664, 494], [671, 500], [670, 512], [661, 517], [652, 512])
}

function passenger(p: Pen): void {
  p.rect('mass', 844, 322, 54, 44, 4).slats('ghost', 844, 322, 54, 44, 5).circle('inner', [871, 344], 4)
  p.shape('inner', [740, 306], [830, 306], [836, 358], [740, 358]).line(
    'ghost',
    [746, 312],
    [825, 312],
    [830, 352],
    [746, 352],
  )
  p.shape('inner', [740, 370], [900, 370], [902, 390], [740, 390]).line('ghost', [746, 376], [896, 376])
  p.shape('mass', [744, 400], [896, 400], [888, 470], [748, 470])
  p.rect('inner', 800, 411, 40, 12, 6).line('ghost', [752, 464], [884, 464])
  // Pillar trim with its handle, and the seal along it.
  p.shape('mass', [824, 110], [850, 104], [906, 262], [884, 272]).line('ghost', [832, 116], [888, 262])
  p.curve(
    'inner',
    [834, 154],
    [842, 150],
    [850, 160],
    [872, 222],
    [874, 234],
    [864, 236],
    [856, 226],
    [836, 166],
    [834, 154],
  )
  p.curve('outer', [862, 72], [884, 140], [914, 226]).curve('ghost', [868, 72], [890, 140], [914, 208])
  // Sill and kick panel seen at the driver's door.
  p.curve('inner', [226, 500], [250, 506], [276, 512], [282, 560], [226, 572])
    .line('ghost', [226, 520], [262, 524])
    .line('ghost', [226, 540], [268, 542])
  const screw = (x: number, y: number) => p.circle('ghost', [x, y], 2.2)
  for (const [x, y] of [
    [306, 490],
    [512, 490],
    [306, 530],
    [512, 530],
  ] as const)
    screw(x, y)
  for (const angle of [30, 150]) p.circle('ghost', onCircle([408, 404], 30, angle), 2)
}
