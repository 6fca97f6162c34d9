import { AXES, Motion as DocumentMotion, type Axis } from '../procedure/direction'
import type { Motion } from './meaning'

/** Moves of everyday speech as the record has them, with the word itself where it says more. */
const MOVES: Record<string, { move: DocumentMotion['move']; note?: string }> = {
  pull: { move: 'pull' },
  push: { move: 'push' },
  lift: { move: 'lift' },
  slide: { move: 'slide' },
  tilt: { move: 'tilt' },
  swing: { move: 'swing' },
  pry: { move: 'pry' },
  turn: { move: 'turn' },
  prise: { move: 'pry' },
  peel: { move: 'pull', note: 'peel' },
  unhook: { move: 'pull', note: 'unhook' },
  wiggle: { move: 'pull', note: 'wiggle' },
  press: { move: 'push', note: 'press' },
  squeeze: { move: 'push', note: 'squeeze' },
  hinge: { move: 'swing', note: 'on its hinge' },
  flip: { move: 'swing', note: 'flip' },
  lower: { move: 'swing', note: 'lower it' },
}

/**
 * A motion of a line as the record keeps it: directions as axes; what is no axis, and how far a turn goes, as a note.
 */
export function documentMotion({ move, to, turn, sense, seenFrom }: Motion): DocumentMotion {
  const { move: known, note } = MOVES[move] ?? { move: 'pull', note: move }
  const axis =
    to === 'toward the nose' ? 'forward' : (AXES as readonly string[]).includes(to ?? '') ? (to as Axis) : null
  return DocumentMotion.parse({
    move: known,
    directions: axis ? [axis] : [],
    turn: sense && seenFrom ? { sense, seenFrom } : null,
    note: [note, axis === null ? to : undefined, turn].filter(Boolean).join(', '),
  })
}
