import type { HolderKind } from '../procedure/holderKinds'
import { PART_NAMES } from './partNames'

/** What a phrase is to the grammar, and what it stands for. */
export type Entry = { token: TokenName; value: string }

/** Kinds of words. The grammar is made of these; the phrases behind them are in the tables below. */
export const TOKEN_NAMES = [
  'Num',
  'CountOf',
  'Vague',
  'Each',
  'Size',
  'Millimetres',
  'SizeWord',
  'Drive',
  'Thread',
  'Kind',
  'Holds',
  'Covers',
  'Behind',
  'On',
  'Part',
  'OneOfTwo',
  'Unplug',
  'PlugNoun',
  'PlugName',
  'Tab',
  'Lever',
  'Latch',
  'Corner',
  'Place',
  'Side',
  'At',
  'Start',
  'Move',
  'To',
  'Forward',
  'LeftOrRight',
  'Turn',
  'Fraction',
  'Sense',
  'SeenFrom',
  'Not',
  'Tool',
  'Effort',
  'Protect',
  'Rest',
  'Persons',
  'First',
  'LeadsFirst',
  'StartAll',
  'Snug',
  'Align',
  'AlignWhat',
  'Listen',
  'Setting',
  'SettingValue',
  'When',
  'Off',
  'Free',
  'Mirrored',
  'Brittle',
  'PressFit',
  'Traps',
  'Colour',
  'Leave',
  'Separator',
  'Heard',
  'Unknown',
] as const
export type TokenName = (typeof TOKEN_NAMES)[number]

const KINDS: Record<HolderKind, string[]> = {
  'machine screw': ['screw', 'machine screw'],
  'self-tapping screw': ['self-tapping screw', 'self tapper', 'self-tapper'],
  bolt: ['bolt'],
  nut: ['nut'],
  'plastic nut': ['plastic nut'],
  'spring clip': ['clip', 'spring clip', 'metal clip', 'panel clip', 'retaining clip', 'snap clip'],
  'fir-tree clip': [
    'fir-tree',
    'fir tree',
    'fir-tree clip',
    'fir tree clip',
    'tree clip',
    'push-in clip',
    'christmas tree',
    'christmas tree clip',
  ],
  'push-pin': ['push-pin', 'push pin', 'scrivet', 'centre pin'],
  'pull-pin': ['pull-pin', 'pull pin'],
  'quarter-turn': ['quarter-turn', 'turn fastener', 'quarter turn fastener', 'quarter-turn fastener'],
  'expanding rivet': ['rivet', 'expanding rivet', 'plastic rivet'],
  'rivet nut': ['rivet nut'],
  'well nut': ['well nut'],
  'slide-on clip nut': ['clip nut', 'slide-on clip nut'],
  'stud and grommet': ['peg', 'stud and grommet', 'peg and grommet'],
  'retaining pin': ['retaining pin'],
  adhesive: ['tape', 'double-sided tape', 'double sided tape', 'foam tape', 'butyl', 'glue'],
  'hook-and-loop': ['hook-and-loop', 'hook and loop'],
  'cable tie': ['cable tie', 'zip tie', 'tie wrap'],
}
/** Kinds that are a strip or a patch: their form says nothing of how many. */
const UNCOUNTED: readonly string[] = ['adhesive', 'hook-and-loop']

/** Facets that a line may name after "if" or "with". */
const FACETS = [
  'power windows',
  'power seats',
  'heated seats',
  'amplifier',
  'amplified',
  'automatic',
  'manual',
  'sunroof',
  'a sunroof',
  'second battery',
]

const TABLE: readonly [TokenName, string, readonly string[]][] = [
  ['Vague', '', ['a couple', 'a couple of', 'couple of', 'couple', 'a few', 'few', 'some', 'several']],
  ['Each', 'each side', ['each side', 'on each side', 'per side', 'either side', 'on either side']],
  ['Each', 'each corner', ['each corner', 'per corner', 'in each corner', 'in every corner', 'at each corner']],
  ['Each', 'each end', ['each end', 'per end', 'at each end', 'at either end']],
  ['Millimetres', '', ['mil', 'mill', 'mm', 'millimetre', 'millimetres']],
  ['SizeWord', '', ['number', 'size']],
  ['Drive', 'hex socket', ['hex socket', 'hex key', 'socket head']],
  ['Drive', 'hex', ['hex', 'hex head']],
  ['Drive', 'six-lobe', ['six-lobe', 'six lobe', 'star', 'star head']],
  ['Drive', 'cross', ['cross', 'plus head', 'cross head', 'plus']],
  ['Drive', 'slot', ['slot', 'slotted', 'flathead', 'flat head']],
  [
    'Holds',
    '',
    ['hold', 'holds', 'holding', 'they hold', 'that hold', 'and they hold', 'which hold', 'keep', 'secure'],
  ],
  ['Covers', '', ['covers', 'hides']],
  [
    'Behind',
    '',
    [
      'behind',
      'under',
      'underneath',
      'beneath',
      'hidden under',
      'hidden behind',
      'hiding behind',
      'hiding under',
      'in behind',
    ],
  ],
  ['On', '', ['on', 'of', 'around', 'round', 'on the back of', 'at the back of']],
  ['OneOfTwo', '', ['the lower one', 'the upper one', 'lower one', 'upper one', 'the other one']],
  ['Unplug', '', ['unplug', 'disconnect']],
  ['PlugNoun', '', ['plug', 'plugs', 'connector', 'connectors', 'harness', 'loom', 'lead', 'leads', 'wire', 'wires']],
  ['PlugNoun', 'switch', ['switch']],
  ['PlugNoun', 'light', ['light', 'lamp']],
  ['PlugName', 'main', ['main', 'big']],
  ['PlugName', 'antenna', ['antenna', 'aerial']],
  ['PlugName', 'ground', ['ground', 'earth']],
  ['PlugName', 'power outlet', ['power outlet', 'lighter', 'cigarette lighter', 'power port', '12 volt socket']],
  ['PlugName', 'other', ['another', 'other']],
  ['Tab', '', ['tab', 'tabs', 'release tab', 'catch']],
  ['Lever', '', ['lever', 'gear lever']],
  ['Latch', 'lever', ['swing lever', 'arm', 'swing lock', 'swing the lever over']],
  ['Latch', 'sliding lock', ['sliding lock', 'slider', 'slide lock']],
  ['Latch', 'press tab', ['press tab']],
  ['Latch', 'squeeze two tabs', ['squeeze two tabs', 'squeeze both tabs']],
  ['Latch', 'spring-loaded collar', ['collar', 'locking ring', 'spring-loaded collar']],
  ['Latch', 'threaded', ['threaded', 'screwed on', 'unscrews']],
  ['Latch', 'push-on', ['push-on', 'pushes on', 'push on']],
  ['Latch', 'ground stud', ['stud', 'ground stud']],
  ['Latch', 'friction fit', ['friction fit']],
  ['Place', 'top', ['top', 'top edge', 'upper edge']],
  ['Place', 'bottom', ['bottom', 'bottom edge', 'lower edge']],
  ['Place', 'rear', ['rear', 'back', 'rear edge', 'back edge']],
  ['Place', 'front', ['front', 'front edge']],
  ['Place', 'below', ['below']],
  ['Place', 'above', ['above']],
  ['Side', 'driver side', ['driver side', 'drivers side', "driver's side"]],
  ['Side', 'passenger side', ['passenger side', 'passengers side', "passenger's side"]],
  ['At', '', ['along', 'at', 'from', 'in', 'edge', 'for', 'to']],
  ['Start', '', ['start', 'starting', 'begin', 'work your way around', 'work around', 'go round']],
  ['Move', 'pull', ['pop', 'pops', 'snap off', 'snaps off', 'tug', 'tugs', 'yank', 'unclip', 'unclips']],
  ['Move', 'lower', ['drop', 'drop down']],
  ['To', 'rearward', ['rearward', 'rearwards', 'straight back', 'toward you', 'towards you']],
  ['To', 'out', ['out', 'straight out']],
  ['To', 'up', ['up', 'straight up', 'upward', 'upwards']],
  ['To', 'down', ['down', 'straight down', 'downward', 'downwards']],
  ['To', 'inboard', ['inboard', 'toward the centre']],
  ['To', 'outboard', ['outboard']],
  ['To', 'toward the nose', ['toward the nose', 'towards the nose']],
  ['Forward', '', ['forward', 'forwards']],
  ['LeftOrRight', '', ['left', 'right', 'left side', 'right side', 'to the left', 'to the right']],
  ['Turn', '', ['turn', 'twist', 'spin', 'rotate']],
  ['Fraction', 'a quarter', ['quarter turn', 'a quarter', 'a quarter turn']],
  ['Fraction', 'half a turn', ['half a turn', 'a half turn']],
  ['Sense', 'clockwise', ['clockwise']],
  ['Sense', 'anticlockwise', ['anticlockwise', 'counterclockwise', 'counter-clockwise']],
  ['SeenFrom', '', ['seen from', 'as seen from', 'looking from', 'looked at from']],
  ['Not', '', ["don't", 'dont', 'do not', 'never', 'must not']],
  [
    'Tool',
    'pry tool',
    ['pry tool', 'panel tool', 'trim tool', 'popper', 'nylon tool', 'plastic pry tool', 'plastic tool', 'vinyl tool'],
  ],
  ['Tool', 'hook', ['pick']],
  ['Tool', 'slot driver', ['slot driver', 'flat blade']],
  ['Tool', 'release key', ['release key', 'release keys']],
  ['Tool', 'hand', ['by hand']],
  ['Effort', 'hard', ['stubborn', 'hard', 'good']],
  ['Effort', 'firm', ['firm', 'firmly', 'stiff']],
  ['Effort', 'light', ['gently', 'light pull']],
  ['Effort', 'sticky', ['sticky']],
  ['Protect', 'tape', ['tape the edge', 'cover tape', 'tape it off']],
  ['Protect', 'cloth', ['cloth under it', 'cloth underneath']],
  [
    'Rest',
    'hangs on its leads',
    [
      'hangs on its leads',
      'hang on its leads',
      'hanging on its leads',
      'hangs on its wires',
      'hang on its wires',
      'hanging on its wires',
    ],
  ],
  ['Rest', 'on a cloth', ['on a cloth', 'on cloth', 'on a blanket']],
  ['Rest', 'hinged', ['stays on its hinge', 'leave it hinged']],
  ['Rest', 'swung aside', ['swing it aside', 'swung aside']],
  ['Persons', '2', ['two people', 'second person', 'two man lift', 'two-person lift']],
  ['First', '', ['first', 'goes in first', 'in first']],
  [
    'LeadsFirst',
    '',
    [
      'lead through the opening first',
      'leads through the opening first',
      'feed the leads through the opening',
      'feed the lead through the opening',
      'wires come through the hole',
      'wires through the hole',
      'leads come through the opening',
      'lead through first',
      'leads through first',
    ],
  ],
  [
    'StartAll',
    '',
    [
      'start all by hand',
      'get all the screws started',
      'all the screws started',
      'start them all',
      'start them all by hand',
      'screws finger tight first',
      'finger tight first',
      'all finger tight',
    ],
  ],
  ['Snug', '', ['snug', 'snug them', 'snug it', 'not tight']],
  ['Align', '', ['line up', 'align']],
  ['AlignWhat', '', ['ducts', 'holes', 'slots', 'pegs', 'screw holes']],
  ['Listen', 'click', ['listen for the click', 'hear it click', 'should click', 'clicks home']],
  ['Setting', 'steering column', ['column', 'steering column']],
  ['Setting', 'ignition', ['ignition']],
  ['Setting', 'battery', ['battery']],
  ['Setting', 'parking brake', ['parking brake', 'handbrake', 'e-brake']],
  ['SettingValue', 'out of park', ['out of park']],
  ['SettingValue', 'in park', ['in park', 'back in park']],
  ['SettingValue', 'down', ['all the way down']],
  ['SettingValue', 'up', ['all the way up']],
  ['SettingValue', 'out and down', ['all the way out and down', 'out and down']],
  ['Off', '', ['off']],
  ['Free', '', ['free']],
  ['Mirrored', '', ['same other side', 'same on the other side', 'other side the same']],
  ['Brittle', '', ['brittle']],
  ['PressFit', 'press fit', ['press fit']],
  ['Traps', '', ['traps', 'sits over', 'overlaps', 'laps over']],
  ['Leave', '', ['leave it alone', 'leave alone', 'leave it plugged']],
]

/** Phrases that add nothing to a fact. Matched after everything else of the same length. */
const EMPTY_PHRASES = (
  "a|an|the|ok|okay|so|just|there|theres|there's|is|are|its|it's|it|they|them|then|and|you|your|put|please|has|have|got|get|gives|give|only|us|all|make sure|when|where|which|be|was|were|this|these|undo|take|remove|way|lets|let|leave|use|need|needs|hidden|with|as|goes|come|comes|faces|should|straight|of them|of it|under there|in there|on it|that is|held by|got to|to get|they break|it breaks|break|breaks|" +
  'when it goes back|when you put it back|before it goes home|before you push it home|before you tighten any|push the bottom in|hook the|lay it|put it|the hooks at the front|the hooks at the back|over|one'
).split('|')

function made(): Map<string, Entry | null> {
  const phrases = new Map<string, Entry | null>()
  for (const phrase of EMPTY_PHRASES) phrases.set(phrase, null)
  for (const [token, value, words] of TABLE)
    for (const word of words) phrases.set(word, { token, value: token === 'AlignWhat' ? word : value })
  for (const name of [
    'hazard',
    'climate',
    'usb',
    'speaker',
    'window',
    'airbag',
    'amplifier',
    'starter',
    'camera',
    'mirror',
    'second',
  ])
    phrases.set(name, { token: 'PlugName', value: name })
  for (const move of [
    'pull',
    'push',
    'lift',
    'slide',
    'tilt',
    'hinge',
    'swing',
    'flip',
    'peel',
    'wiggle',
    'press',
    'squeeze',
    'pry',
    'prise',
  ])
    for (const form of [move, `${move}s`]) phrases.set(form, { token: 'Move', value: move })
  // One clip is one; clips without a number are to be counted.
  for (const [kind, words] of Object.entries(KINDS))
    for (const word of words) {
      phrases.set(word, { token: 'Kind', value: UNCOUNTED.includes(kind) ? `${kind}*` : kind })
      phrases.set(`${word}s`, { token: 'Kind', value: `${kind}*` })
    }
  phrases.set('quarter turns', { token: 'Kind', value: 'quarter-turn*' })
  for (const low of ['lower', 'bottom'])
    for (const side of ['left', 'right']) phrases.set(`${low} ${side}`, { token: 'Corner', value: `lower ${side}` })
  for (const high of ['upper', 'top'])
    for (const side of ['left', 'right']) phrases.set(`${high} ${side}`, { token: 'Corner', value: `${high} ${side}` })
  for (const facet of FACETS)
    for (const word of [
      'if',
      'only if it has',
      'only if it has the',
      'if it has',
      'if it has the',
      'with',
      'only with',
    ])
      phrases.set(`${word} ${facet}`, { token: 'When', value: facet })
  for (const colour of [
    'black',
    'white',
    'grey',
    'blue',
    'green',
    'brown',
    'violet',
    'pink',
    'yellow',
    'orange',
    'red',
  ])
    phrases.set(colour, { token: 'Colour', value: colour })
  for (const [name, others] of Object.entries(PART_NAMES))
    for (const word of [name, ...others]) phrases.set(word, { token: 'Part', value: name })
  return phrases
}

/** Every phrase of the trade in lower case; null: it adds nothing. Made once. */
export const PHRASES: ReadonlyMap<string, Entry | null> = made()
