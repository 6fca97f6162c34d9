import type { Holder } from '@/core/procedure/holder'
import { THREADED_KINDS, type HolderKind } from '@/core/procedure/holderKinds'

/**
 * What a hand does with each kind. `verb`: before its count in a title, in and out; empty where the head says it.
 * `undo`, `fasten`: how, where it is undone by itself. `press`: how it goes home where it let go with the pull.
 */
type HolderActs = { verb: readonly [out: string, back: string]; undo: string; fasten: string; press: string }

const DRIVEN: HolderActs = { verb: ['', ''], undo: '', fasten: 'start by hand', press: '' }
const CLIP: Pick<HolderActs, 'verb' | 'fasten' | 'press'> = {
  verb: ['Free', 'Press'],
  fasten: 'push until each one clicks',
  press: 'until each one clicks',
}

export const HOLDER_ACTS: Record<HolderKind, HolderActs> = {
  'machine screw': DRIVEN,
  'self-tapping screw': DRIVEN,
  bolt: DRIVEN,
  nut: DRIVEN,
  'plastic nut': DRIVEN,
  'rivet nut': DRIVEN,
  'well nut': DRIVEN,
  'spring clip': { ...CLIP, undo: 'squeeze it from behind, then push it through' },
  'fir-tree clip': { ...CLIP, undo: 'fork tool under its head, straight out' },
  'push-pin': {
    verb: ['Draw', 'Set'],
    undo: 'centre up, then pull the whole pin out',
    fasten: 'in to its collar with the centre up, then press the centre flush',
    press: 'then press each centre flush',
  },
  'pull-pin': {
    verb: ['Draw', 'Set'],
    undo: 'pull the pin, then its body',
    fasten: 'body in first, then the pin',
    press: 'then push each pin in',
  },
  'quarter-turn': { verb: ['Turn', 'Turn'], undo: '', fasten: '', press: 'then turn each one home' },
  'expanding rivet': {
    verb: ['Draw', 'Set'],
    undo: 'push or pull its pin through, then draw the body',
    fasten: 'body in first, then its pin until it spreads',
    press: 'then spread each one',
  },
  'slide-on clip nut': {
    verb: ['Slide off', 'Slide on'],
    undo: 'slide it off the edge',
    fasten: 'slide it on until its hole lines up',
    press: 'lined up with the hole',
  },
  'stud and grommet': {
    verb: ['Pull', 'Press'],
    undo: 'straight off its grommet, never sideways',
    fasten: 'straight into its grommet until it snaps',
    press: 'straight in until each one snaps',
  },
  'retaining pin': {
    verb: ['Draw', 'Set'],
    undo: 'draw it sideways; hold what it holds',
    fasten: 'push it in until it snaps over',
    press: 'then push each pin in',
  },
  adhesive: {
    verb: ['Loosen', 'Stick'],
    undo: 'warm it or cut it from behind, then peel',
    fasten: 'clean, new tape, press for half a minute',
    press: 'clean, new tape, press for half a minute',
  },
  'hook-and-loop': {
    verb: ['Peel', 'Press'],
    undo: 'peel it from one end',
    fasten: 'press it flat',
    press: 'press flat',
  },
  'cable tie': {
    verb: ['Cut', 'Fit'],
    undo: 'cut it at its head, away from the leads',
    fasten: 'a new one, tail trimmed flush',
    press: '',
  },
}

/** Kinds that bite into plastic or rubber: there is no tight. */
const IN_PLASTIC: readonly HolderKind[] = ['self-tapping screw', 'plastic nut', 'well nut']

/** "a quarter turn anticlockwise, seen from outside"; turned round for the way back. Empty for what does not turn. */
export function turnWords(holder: Holder, way: 'out' | 'back'): string {
  if (holder.kind !== 'quarter-turn') return ''
  const { turn } = holder
  const amount = !turn || turn.angleDeg === 90 ? 'a quarter turn' : `${turn.angleDeg}°`
  if (!turn) return `${amount}; nobody has said which way`
  const sense = (turn.sense === 'clockwise') === (way === 'out') ? 'clockwise' : 'anticlockwise'
  return `${amount} ${sense}${turn.seenFrom ? `, seen from ${turn.seenFrom}` : ''}`
}

/** How tight: the figure where there is one, what the material allows where it is known. */
export function tightWords(holder: Holder): string {
  if (!THREADED_KINDS.includes(holder.kind)) return ''
  if (holder.torqueNm) return `to ${holder.torqueNm} N m`
  return IN_PLASTIC.includes(holder.kind)
    ? 'snug, never tight: it holds in plastic'
    : 'firm by hand; the maker’s torque goes first'
}
