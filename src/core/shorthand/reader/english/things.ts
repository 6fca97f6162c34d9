import type { HolderKind } from '../../../procedure/holderKinds'
import type { Tether } from '../../../procedure/tether'

/** What fasteners are called; a name that has a plural is one of several. */
export const KIND_WORDS: Readonly<Record<HolderKind, readonly string[]>> = {
  'machine screw': ['screw', 'machine screw', 'scr', 'screw head'],
  'self-tapping screw': ['self tapping screw', 'self tapper', 'self tap', 'self tap screw', 'tapper'],
  bolt: ['bolt'],
  nut: ['nut'],
  'plastic nut': ['plastic nut'],
  'spring clip': [
    'clip',
    'spring clip',
    'metal clip',
    'panel clip',
    'retaining clip',
    'snap clip',
    'popper',
    'side clip',
  ],
  'fir-tree clip': [
    'fir tree',
    'fir tree clip',
    'tree clip',
    'push in clip',
    'christmas tree',
    'christmas tree clip',
    'tree',
  ],
  'push-pin': ['push pin', 'pushpin', 'scrivet', 'centre pin', 'pin', 'trim stud', 'push rivet'],
  'pull-pin': ['pull pin'],
  'quarter-turn': ['turn fastener', 'quarter turn fastener', 'turnbuckle', '1/4 turn fastener'],
  'expanding rivet': ['rivet', 'expanding rivet', 'plastic rivet'],
  'rivet nut': ['rivet nut'],
  'well nut': ['well nut', 'rubber nut'],
  'slide-on clip nut': ['clip nut', 'slide on clip nut', 'u nut'],
  'stud and grommet': [
    'peg',
    'stud and grommet',
    'peg and grommet',
    'rubber grommet',
    'peg in grommet',
    'pegs in grommet',
  ],
  'retaining pin': ['retaining pin', 'split pin', 'cotter pin', 'r clip'],
  adhesive: ['double sided tape', 'foam tape', 'butyl', 'glue', 'sticky pad', 'adhesive'],
  'hook-and-loop': ['hook and loop', 'hook + loop', 'hook + loop pad', 'hook and loop pad', 'hook and loop tape'],
  'cable tie': ['cable tie', 'zip tie', 'tie wrap'],
}

/** Kinds that are a strip or a patch: their form says nothing of how many. */
export const UNCOUNTED: readonly string[] = ['adhesive', 'hook-and-loop']

/** What else parts of a vehicle are called, beside `PART_NAMES`; any of them may have another word before it. */
export const PART_HEADS =
  'panel cover trim cap lid shroud housing bracket pod hood handle holder shelf card grille flap carpet tray bin ring glass fairing guard shield box badge cover bung plate console armrest visor ledge rail hinge hook arm cup piece insert stack frame mount cradle carrier beam bar'.split(
    ' ',
  )

/** Names of parts of more than one word that are no part and head. */
export const MORE_PARTS: Readonly<Record<string, readonly string[]>> = {
  surround: ['surr'],
  'knee bolster': ['under tray'],
  bumper: ['bumper'],
  windscreen: ['windscreen', 'windshield'],
  handlebar: ['handlebar', 'handlebars'],
  'sill trim': ['scuff plate', 'rocker trim', 'sill'],
  liner: ['rubber', 'matt'],
  'sail panel': ['wing mirror triangle', 'mirror triangle'],
  'lever boot': ['shifter boot', 'boot'],
  seal: ['sealing strip', 'weatherstrip'],
  headliner: ['headlining'],
  unit: ['hu', 'stereo'],
  glovebox: ['gbox', 'glove compartment'],
  'speaker grille': ['spkr grille', 'speaker grill'],
  'centre vent': ['ctr vent', 'center vent'],
  'climate panel': ['heater panel'],
  'pillar trim': ['a pillar trim', 'a pillar', 'a plr trim'],
  'b pillar trim': ['b pillar'],
  'c pillar trim': ['c pillar'],
  'crash beam': [],
  'column shroud': [],
  'column cover': [],
  'steering column cover': [],
  'end cap': [],
  'end panel': [],
  'tail piece': ['tailpiece'],
  armrest: ['arm rest'],
  forks: [],
  sticker: [],
  shifter: [],
  'sliding door': [],
  'dash beam': [],
  'switch panel': [],
  'belly pan': [],
  'fuse cover': [],
  'fuse box': ['fusebox'],
  speaker: ['spkr'],
  'door card': [],
  'bulb holder': [],
  seat: ['saddle'],
  outlet: [],
  socket: [],
  'steering wheel': [],
  'steering column': [],
  climate: [],
  window: [],
  amplifier: ['amp'],
  starter: [],
  camera: [],
  mirror: [],
  buckle: [],
  screen: [],
  'lower half': [],
  'upper half': [],
  bung: [],
  'foam ring': [],
  'coat hooks': [],
  'switch pack': [],
  backrest: [],
  tank: [],
  dash: ['dashboard'],
  sill: [],
  body: [],
  door: [],
  roof: [],
  floor: [],
  grille: ['grill'],
  nose: [],
  exhaust: [],
  cowl: [],
}

/** What is worked on from beside, behind or below a vehicle, or has no seats before it. Common practice, no source. */
export const AWAY_FROM_SEATS: ReadonlySet<string> = new Set(
  'door doors fairing belly pan tailgate boot bonnet hood bumper wing fender arch pillar sill kick headliner roof seat bench saddle tank tail handlebar mirror cowl wheel undertray splash radiator'.split(
    ' ',
  ),
)

/** A crew says "screen" of the display in one vehicle and of the glass in another. */
export const VAGUE: ReadonlyMap<string, readonly string[]> = new Map([
  ['screen', ['display', 'monitor', 'touchscreen', 'windscreen']],
])

/** A part that only a vehicle without seats before a dash has. */
export const SEATLESS: ReadonlySet<string> = new Set(['fairing', 'fairings'])

/** What an airbag's plug is called, whatever else: the word for its circuit, or for what it fires. */
export const AIRBAG = /airbag|tensioner|\bsrs\b/i

/** Words by which something in a line may be said to stay plugged, or not to be done. */
export const LEAVES =
  /\b(?:no|not|never|[a-z]+n['’]t|(?:do|ca|wo|must|should|does|did|is|are)nt|dnot|cannot|avoid|remains?|lea?ves?|left|stay(?:s|ed)?|keeps?|kept|plugged|connected|alone|without|nothing|touch)\b/i

/** What ties a part says its kind by its name. */
export const TETHERS: readonly (readonly [RegExp, Tether['kind']])[] = [
  [/damper|strut|soft-close/i, 'damper'],
  [/hose/i, 'hose'],
  [/duct/i, 'duct'],
  [/cable/i, 'control cable'],
  [/strap/i, 'strap'],
  [/antenna|aerial|coax/i, 'coax'],
  [/ground|earth/i, 'ground'],
  [/optical|fibre/i, 'optical'],
]
