import { PART_ADJECTIVES, PART_NAMES } from '../../partNames'
import type { Sense } from '../sense'
import { EVERYDAY } from './everyday'
import { NUMBER_WORDS, ONE } from './numbers'
import { KIND_WORDS, MORE_PARTS, PART_HEADS, UNCOUNTED } from './things'

const split = (text: string) => text.split('|')

/** Class of words, what they stand for (NM: the newton metres in one), and the words. */
const TABLE: readonly (readonly [string, string, string])[] = [
  [
    'ABOUT',
    '',
    'probably|likely|usually|normally|mostly|often|sometimes|generally|about|around|roughly|maybe|approx|~|circa|i think|i make it|perhaps',
  ],
  [
    'UNSURE',
    '',
    'sometimes|usually|normally|mostly|often|i think|not sure|not counted|maybe|perhaps|probably|could be|guess|or so|i guess|in my experience',
  ],
  ['VAGUE', '', 'a couple|a couple of|couple of|couple|a few|few|some|several|a few of'],
  ['MM', '', 'mil|mill|mm|millimetre|millimetres|millimeter|millimeters|millimetre'],
  ['NM', '1', 'nm|newton metres|newton metre|newton meters|n m'],
  ['NM', '0.113', 'inch pounds|inch pound|in lb|in lbs'],
  ['NM', '1.356', 'foot pounds|foot pound|ft lb|ft lbs'],
  ['MIN', '1', 'min|mins|minutes|minute'],
  ['NUMBERED', '', 'number|size|no|nr'],
  [
    'DRIVE',
    'hex socket',
    'hex skt|socket screw|socket screws|skt screw|skt screws|hex socket|hex key|socket head|socket cap',
  ],
  ['DRIVE', 'hex', 'hex|hex head|hx'],
  ['DRIVE', 'six-lobe', 'six lobe|star|star head|star drive'],
  ['DRIVE', 'cross', 'cross|plus head|cross head|plus|crosshead'],
  ['DRIVE', 'posi', 'posi'],
  ['DRIVE', 'slot', 'slot|slotted|flathead|flat head|slot head'],
  [
    'HOLD',
    '',
    'hold|holds|holding|held|hold down|holds down|holding down|held down|fixed|attached|fastened|keep|keeps|secure|secures|retain|retains|fix|fixes',
  ],
  ['COVERS', '', 'covers|hides|conceals'],
  [
    'BEHIND',
    '',
    'behind|under|underneath|beneath|hidden under|hidden behind|hiding behind|hiding under|in behind|b/h|u/|b hind|below|hidden by',
  ],
  ['ON', '', 'on|of|around|round|on the back of|at the back of|for|in|from|at'],
  ['UNPLUG', '', 'unplug|unplugs|disconnect|disconnects|unplugging|unplugged'],
  ['PLUG', '', 'plug|plugs|connector|connectors|conn|conns'],
  ['LEAD', '', 'wiring|harness|loom|lead|leads|wire|wires|cable|cables'],
  ['PLUG', 'switch', 'switch'],
  ['PLUG', 'lamp', 'lamp|lamps'],
  ['PLUG', 'light', 'light|lights'],
  ['PLUG', 'hose', 'hose'],
  ['PLUG', 'cord', 'cord'],
  ['PLUG', 'strap', 'strap'],
  ['PLUG', 'pipe', 'pipe'],
  ['PNAME', 'main', 'main|big'],
  ['PNAME', 'antenna', 'antenna|aerial|ant'],
  ['PNAME', 'ground', 'ground|earth|gnd|grond'],
  ['PNAME', 'power outlet', 'power outlet|lighter|cigarette lighter|power port|12 volt socket|lighter socket'],
  ['OTHER', 'other', 'another|other'],
  ['PNAME', 'damper', 'damper|strut|soft close'],
  ['PNAME', 'tensioner', 'tensioner|belt tensioner|seat belt tensioner'],
  ['PNAME', 'airbag lamp', 'airbag lamp'],
  ['OTHER', 'second', 'second|2nd'],
  ['ORDINAL', '', 'second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|extra'],
  ['DOESNT', '', "doesn't|doesnt|does not|won't|wont|will not"],
  ['TAB', '', 'tab|tabs|release tab|catch|latch'],
  ['LEVER', '', 'lever'],
  ['LATCH', 'lever', 'swing lever|swing lock|swing the lever over|lever type|grey lever|lever lock|arm'],
  ['LATCH', 'sliding lock', 'sliding lock|slider|slide lock|red lock|red catch'],
  ['LATCH', 'press tab', 'press tab|press the tab|press latch'],
  [
    'LATCH',
    'squeeze two tabs',
    'squeeze two tabs|squeeze both tabs|squeeze both|two tabs squeeze|sqz both tabs|squeeze the tabs|squeeze tabs',
  ],
  ['LATCH', 'spring-loaded collar', 'collar|locking ring|spring loaded collar'],
  ['LATCH', 'threaded', 'threaded|screwed on|unscrews|screws on|screwed collar'],
  ['LATCH', 'push-on', 'push on|pushes on|pushed on|push fit'],
  ['LATCH', 'ground stud', 'stud|ground stud'],
  ['LATCH', 'friction fit', 'friction fit'],
  ['PLACE', 'top', 'top|top side|up top|up high|up side|upper side'],
  ['PLACE', 'upper', 'upper'],
  ['PLACE', 'lower', 'lower'],
  ['PLACE', 'corners', 'corners|all corners'],
  ['PLACE', 'bottom', 'bottom|btm|underside|down side|lower side'],
  ['PLACE', 'rear', 'rear|back|rr|bk'],
  ['PLACE', 'front', 'front|fr|ft'],
  ['PLACE', 'nearside', 'nearside|near side|n/s'],
  ['PLACE', 'offside', 'offside|off side|o/s'],
  ['PLACE', 'centre', 'centre|center|middle|ctr'],
  ['SIDE', 'driver side', "driver side|drivers side|driver's side|drv side|driver s side"],
  ['SIDE', 'passenger side', "passenger side|passengers side|passenger's side|pass side"],
  ['SIDE', 'both sides', 'both sides|each side'],
  ['LR', 'left', 'left|lh|left side|left hand|to the left|l/h'],
  ['LR', 'right', 'right|rh|right side|right hand|to the right|r/h'],
  [
    'EACH',
    'each side',
    'each side|on each side|per side|either side|on either side|ea side|both sides|a side|on both sides',
  ],
  ['EACH', 'each corner', 'each corner|per corner|in each corner|in every corner|at each corner|one in each corner'],
  ['EACH', 'each end', 'each end|per end|at each end|at either end|both ends|either end'],
  ['AT', '', 'along|at|from|in|for|to|on|edge|down|near|toward|of'],
  ['EDGE', '', 'edge|end|corner|side|row'],
  ['START', '', 'start|starts|starting|begin|begins|strt|work|go round|work it off|work your way around|work around'],
  ['TO', 'rearward', 'rearward|rearwards|rwd|straight back|backward|backwards|to the rear|toward the rear'],
  [
    'YOU',
    '',
    'toward you|towards you|to you|at you|straight at you|toward the driver|towards the driver|to the driver|in direction of driver|in direction of the driver|toward yourself|towards yourself',
  ],
  ['TO', 'out', 'out|straight out|away|outward|outwards'],
  ['TO', 'up', 'up|straight up|upward|upwards|straight upward'],
  ['TO', 'down', 'down|straight down|downward|downwards|dn'],
  [
    'TO',
    'inboard',
    'inboard|toward the centre|towards the centre|toward the middle|towards the middle|toward the center|towards the center|towards center|toward center|inwards|toward centre',
  ],
  ['TO', 'outboard', 'outboard'],
  ['TO', 'toward the nose', 'toward the nose|towards the nose|forward off the nose'],
  ['TO', 'toward the windscreen', 'toward the windscreen|towards the windscreen'],
  ['FORWARD', '', 'forward|forwards|fwd'],
  ['TURN', '', 'turn|twist|spin|rotate|turns|twists'],
  ['QUARTER', 'a quarter', 'quarter turn|a quarter|a quarter turn|quarter|1/4 turn'],
  ['QUARTER', 'half a turn', 'half a turn|a half turn|half turn'],
  ['CLOCK', 'clockwise', 'clockwise|cw'],
  ['CLOCK', 'anticlockwise', 'anticlockwise|counterclockwise|counter clockwise|anti clockwise|ccw|acw'],
  [
    'SEEN',
    '',
    'when you look at it from|when you look from|when seen from|seen from|as seen from|looking from|looked at from|viewed from|from',
  ],
  [
    'NOT',
    '',
    "mustn't|mustnt|shouldn't|shouldnt|should not|must never|better not|don't|dont|do not|never|must not|dnot|you must not|not to",
  ],
  [
    'HARM',
    '',
    'bend|twist|lever|pull|force|stretch|kink|crush|scratch|drop|lose|break|snap|crack|nick|pinch|trap|tear|bang|cut|tug|yank|hit|lean|touch|press|hang|mark|dent|damage',
  ],
  ['NO', 'again', 'no'],
  ['NO', '', 'without|zero|nor|not'],
  ['NOTHING', '', 'nothing|none'],
  [
    'TOOL',
    'pry tool',
    'pry tool|panel tool|trim tool|nylon tool|plastic pry tool|plastic tool|vinyl tool|popper tool|trim stick|trim wedge|plastic wedge|nylon wedge|plastic stick|trim lever|plastic lever|wedge',
  ],
  ['TOOL', 'hook', 'pick|hook tool'],
  ['TOOL', 'slot driver', 'slot driver|flat blade'],
  ['TOOL', 'release key', 'release key|release keys'],
  ['TOOL', 'hand', 'by hand'],
  ['EFFORT', 'hard', 'stubborn|hard'],
  ['EFFORT', 'firm', 'firm|firmly|stiff|stiffly'],
  ['EFFORT', 'light', 'gently|light pull|lightly|gentle'],
  ['EFFORT', 'sticky', 'sticky'],
  ['PRESSFIT', 'press fit', 'press fit|pressed in|press fitted|is pressed in|pushed in|just pushed in'],
  ['PRESSFIT', 'rests', 'just sits there|sits there|just rests|rests there|only rests'],
  ['BRITTLE', '', 'brittle|fragile'],
  [
    'MIRRORED',
    '',
    'same other side|both sides are the same|both sides same|the same both sides|other side is the same|the same on both sides|same on the other side|other side the same|same lh|same rh|right the same|left the same|left and right are the same|left and right the same|left and right same|both side same|both side the same|mirrored|mirror image',
  ],
  ['TRAPS', '', 'traps|sits over|overlaps|laps over|over'],
  ['CONSEQUENCE', '', 'or|because|otherwise|they|it|which|the hooks|if'],
  ['PERSON', '', 'people|persons|pers|person|man|men|guys|of you|of us'],
  ['MISSING', 'missing', 'missing|gone|lost|absent'],
  ['MISSING', 'broken', 'broken|broke|brokn|snapped|cracked|busted'],
  ['MISSING', 'stripped', 'stripped|rounded off|rounded|chewed'],
  ['MISSING', 'worn', 'worn'],
  [
    'SINGLE',
    '',
    'single use|new each time|always break|always broken|break every time|always snap|use new ones|do not reuse|dont reuse|fit new ones|take new ones|replace each time|use once',
  ],
  ['CAPTIVE', '', 'captive'],
  ['CAUTION', 'hot', 'hot'],
  ['CAUTION', 'sharp', 'sharp|sharp edges|edges like a knife'],
  ['CAUTION', 'glass', 'cracks|glass'],
  ['CAUTION', 'cold', 'cold|splits in the cold'],
  ['CAUTION', 'airbag', 'srs module|srs unit|curtain airbag|airbag behind|airbag|airbag module|airbag unit'],
  ['CAUTION', 'paint', 'paint scratches|scratches'],
  ['CAUTION', 'drips', 'drips|mind the drips'],
  ['FEEL', '', 'feel for|by feel|do it by feel'],
  ['WASHER', 'washer', 'washer under each|washers under|washer under|with washer|with washers'],
  ['SNUG', '', 'snug|snug only|snug them|snug it|not tight|snug never tight|nip them|nip them up|finger tight only'],
  [
    'START_ALL',
    '',
    'start all by hand|get all the screws started|all the screws started|start them all|start them all by hand|screws finger tight first|finger tight first|all finger tight|start all|start all the screws|all started|finger tight|start all four|start all 4 by hand|do up finger tight',
  ],
  [
    'LEADS_FIRST',
    '',
    'lead through the opening first|leads through the opening first|feed the leads through the opening|feed the lead through the opening|feed the lead through the opening first|wires come through the hole|wires through the hole|leads come through the opening|lead through first|leads through first|leads first|enough for the lead',
  ],
  ['ALIGN', '', 'line up|align|aligns|lines up'],
  ['ALIGNED', 'ducts', 'ducts|duct'],
  ['ALIGNED', 'holes', 'holes|screw holes'],
  ['ALIGNED', 'slots', 'slots'],
  ['ALIGNED', 'pegs', 'pegs'],
  ['ALIGNED', 'tabs', 'tabs'],
  ['ALIGNED', 'square', 'square'],
  [
    'LISTEN',
    'click',
    'till it clicks|until it clicks|till they click|until they click|till click|listen for the click|hear it click|should click|clicks home|click',
  ],
  ['FIRST', '', 'first|goes in first|in first|1st|goes first'],
  [
    'NOTE',
    '',
    'customer|cust|photo|photos|pic|pics|picture|pictures|tomorrow|tmrw|lunch|tea|reception|folder|fleet|typing|painted|experience|never mind|ignore me|where was i|faff|told|signed|week|drawer',
  ],
  ['LAST', '', 'last|comes last|goes last'],
  [
    'REFIT',
    '',
    'refit|mount back|when mount back|when mounting back|reassembly|assembly|by mounting|when mounting|when fitting|on reassembly|when refitting|on refit|back in|going back|on the way back|when it goes back|when you put it back|refitting|putting back',
  ],
  ['HANG', '', 'hangs|hang|hanging'],
  ['LEADS', '', 'leads|wires|lead|cables|harness'],
  ['CLOTH', '', 'cloth|blanket|towel|foam'],
  ['LAY', '', 'lay|put|sit|rest|set|lies|sits'],
  ['HINGED', '', 'stays on its hinge|leave it hinged|stays hinged|hinged|leave it on its hinge'],
  ['SWUNG', '', 'swing it aside|swung aside|swings aside|swing aside|aside'],
  ['PROTECT', 'tape', 'tape the edge|cover tape|tape it off|tape edge|tape first|tape the edges'],
  ['PROTECT', 'cloth', 'cloth under it|cloth underneath'],
  ['SETTING', 'steering column', 'column|steering column|steering wheel|col|stg whl'],
  ['SETTING', 'ignition', 'ignition|ign'],
  ['SETTING', 'battery', 'battery|batt'],
  ['SETTING', 'parking brake', 'parking brake|handbrake|hand brake|e brake|p brake|park brake'],
  ['SETTING', 'lever', 'gear lever|lever|shifter|gear selector'],
  ['SETTING', 'wheels', 'wheels'],
  ['SETTING', 'wheel', 'wheel'],
  ['SETTING', 'seat', 'seat'],
  ['SETTING', 'seat backrest', 'backrest|seat backrest'],
  ['SETTING', 'key', 'key'],
  ['SETTING', 'windows', 'windows|window'],
  ['VALUE', 'off', 'off'],
  ['VALUE', 'on', 'on'],
  ['VALUE', 'out of park', 'out of park|out of p'],
  ['VALUE', 'in park', 'in park|back in park|in p'],
  ['VALUE', 'neutral', 'in n|in neutral|neutral'],
  ['VALUE', 'second', 'in second|in 2nd'],
  ['VALUE', 'down', 'down|dn|all the way down|fully down|lowest|in its lowest position|lowest position'],
  ['VALUE', 'up', 'up|all the way up|fully up'],
  ['VALUE', 'out', 'out'],
  [
    'VALUE',
    'out and down',
    'all the way out and down|out and down|fully dn + out|fully down and out|down and out|fully dn out',
  ],
  ['VALUE', 'forward', 'forward|all the way forward'],
  ['VALUE', 'back', 'back|right back|all the way back'],
  ['VALUE', 'chocked', 'chocked'],
  [
    'IF',
    '',
    'if|only if|with|only with|only if it has|if it has|only w/|only on|for|only cars with|only the versions with|w/',
  ],
  ['FACET', 'automatic', 'auto|automatic|autos'],
  ['FACET', 'manual', 'manual'],
  ['FACET', 'amplified', 'amplified'],
  ['FACET', 'amplifier', 'amplifier'],
  ['FACET', 'power windows', 'power windows'],
  ['FACET', 'power seats', 'power seats'],
  ['FACET', 'heated seats', 'heated seats'],
  ['FACET', 'heated screen', 'heated screen|heated windscreen'],
  ['FACET', 'sunroof', 'sunroof'],
  ['FACET', 'second battery', 'second battery'],
  ['FACET', 'early', 'early'],
  ['FACET', 'late', 'late'],
  ['FACET', 'full', 'full'],
  ['PRYMOVE', 'pry', 'pry|prise|prises|pries'],
  [
    'CORRECT',
    '',
    'sorry|i mean|wait|er|erm|actually|well|oops|rather|wait these are|well its more|i meant|hold on|i said|let me measure|as in|scrub that|scrap that|i meant to say',
  ],
  ['CORRECT', 'again', 'no wait|no sorry|no its|no actually'],
  [
    'REASON',
    '',
    'because|otherwise|or it|or the|so that|or they|since|in case|or you|as it|as they|until|while|once|when|afterwards|as soon as|so you',
  ],
  ['BEFORE', '', 'before'],
  [
    'DENY',
    '',
    "couldn't|cannot|can't|cant|could not|didn't|did not|wasn't|was not|isn't|is not|aren't|are not|haven't|have not|hasn't|couldn t|no need to|not sure whether|manual says|book says|they say|would have|could have|should have",
  ],
  ['HYPOTHESIS', '', 'when you'],
  ['HYPOTHESIS', 'if', 'if you|if it|if they|if more|if any|if the'],
  [
    'UNIT',
    '',
    'cm|centimetre|centimetres|centimeters|degrees|seconds|wires|turns|metre|metres|kg|times|tabs|hands|hand|newton|newtons',
  ],
  ['AGAIN', '', 'make that|it was|i counted again|correction to|that was a|thats a'],
  [
    'TAKEBACK',
    '',
    'scratch that|delete the last one|forget that|strike that|delete that|undo that|cancel that|delete last',
  ],
]

const MOVES: Readonly<Record<string, string>> = {
  pull: 'pull',
  pop: 'pull',
  tug: 'pull',
  yank: 'pull',
  unclip: 'pull',
  snap: 'pull',
  draw: 'pull',
  unsnap: 'pull',
  push: 'push',
  lift: 'lift',
  slide: 'slide',
  tilt: 'tilt',
  hinge: 'hinge',
  swing: 'swing',
  flip: 'flip',
  peel: 'peel',
  unhook: 'unhook',
  wiggle: 'wiggle',
  press: 'press',
  squeeze: 'squeeze',
  pry: 'pry',
  prise: 'prise',
  tip: 'tilt',
  drop: 'lower',
  lower: 'lower',
}

/** What else there is on a vehicle: no word of the trade is meant by it, and a part may be called so. */
export const NOUNS = new Set(
  'fuel strap stalk pipe water coolant heater blower indicator indicators pedal clutch throttle wiper wipers tyre axle engine bonnet trunk fender wing bumper lens bulb fuse relay sensor sensors sleeve spacer bush felt leather vinyl chrome rim spoke chain fork frame rail subframe tail view mount mounts mounting hole thread threads seized rusty corroded length lengths longest shortest gap air floor foot sun release deck trunk pump nozzle seam fold tuck tucked spring springs lug lugs groove runner tongue keyhole clock release oil petrol hydraulic reservoir washer horn siren beacon screen bell beam pillar post rack shelf net belt buckle anchor loop'.split(
    ' ',
  ),
)

const COLOURS = 'black white grey blue green brown violet pink yellow orange red'.split(' ')
const PLUG_NAMES = 'hazard usb airbag srs ecu'.split(' ')

function verbForms(verb: string): string[] {
  const stem = verb.endsWith('e') ? verb.slice(0, -1) : verb
  return [verb, /(?:s|sh|ch)$/.test(verb) ? `${verb}es` : `${verb}s`, `${stem}ing`, `${stem}ed`]
}

function made(): Map<string, Sense[]> {
  const phrases = new Map<string, Sense[]>()
  const add = (words: string, is: string, value: string) => {
    const senses = phrases.get(words) ?? []
    if (!senses.some((sense) => sense.is === is && sense.value === value))
      phrases.set(words, [...senses, { is, value }])
  }
  for (const [is, value, words] of TABLE) for (const word of split(words)) add(word, is, value)
  // "One" may be no number at all ("a stubborn one"): its rules know it by this.
  for (const [word, value] of NUMBER_WORDS) add(word, 'NUM', word === 'one' ? ONE : value)
  add('twenties', 'PLURAL_NUM', '20')
  add('thirties', 'PLURAL_NUM', '30')
  for (const [verb, move] of Object.entries(MOVES)) for (const form of verbForms(verb)) add(form, 'MOVE', move)
  for (const colour of COLOURS) add(colour, 'COLOUR', colour)
  add('gray', 'COLOUR', 'grey')
  add('purple', 'COLOUR', 'violet')
  add('yel', 'COLOUR', 'yellow')
  for (const name of PLUG_NAMES) add(name, 'PNAME', name)
  add('center', 'ADJ', 'centre')
  for (const adjective of PART_ADJECTIVES) add(adjective, 'ADJ', adjective)
  for (const [kind, words] of Object.entries(KIND_WORDS))
    for (const word of words) {
      add(word, 'KIND', UNCOUNTED.includes(kind) ? `${kind}*` : kind)
      add(`${word}s`, 'KIND', `${kind}*`)
    }
  add('quarter turns', 'KIND', 'quarter-turn*')
  add('1/4 turns', 'KIND', 'quarter-turn*')
  for (const names of [PART_NAMES, MORE_PARTS])
    for (const [name, others] of Object.entries(names))
      for (const word of [name, ...others]) {
        if ((names === PART_NAMES && word === 'screen') || word === 'damper' || word === 'strut') continue
        add(word.replaceAll('-', ' '), 'PART', name)
        const several = `${word.replaceAll('-', ' ')}s`
        if (!(several in PART_NAMES)) add(several, 'PART', name)
      }
  for (const word of EVERYDAY) if (!phrases.has(word)) phrases.set(word, [])
  for (const head of PART_HEADS) {
    add(head, 'HEAD', head)
    add(head, 'PART', head)
  }
  return phrases
}

/** Every phrase of the trade, with all it may be. Made once. */
export const PHRASES: ReadonlyMap<string, readonly Sense[]> = made()

/** Words that say nothing between two words of an item. */
export const ARTICLES = new Set(
  "the its it's it is are was were a an this these that those s be there theres there's already of wee little small".split(
    ' ',
  ),
)

/** Words that say nothing. */
export const TALK = new Set(
  "uh um erm hmm undo undoing always falls said frees ok okay so just then and you your please has have got get gets gives give only us all make sure where which been take takes remove removes way lets let use need needs with as goes go come comes should straight them they need to we i my me ones round same time held by hidden faces facing says in on at for from or any also too still again now here very bit little really later after will can would could may might must do does did than but even both each per every end edge side that's thats he she our am yes yeah right well there put home tighten tightened tightening hooks face varies see put break breaks snap snaps fastened tell tells see look sit sits stays stay lie work way much too b4 st past shiny pair more want wants done next wee bit proper fully already opened closed side's them".split(
    ' ',
  ),
)

/** Where a clause ends; "and" goes on with what was said, the others with something else. */
export const ENDS = new Map([',', ';', '.', ':', 'then', 'and', '+', '!', '?', 'but'].map((sign) => [sign, sign]))
