import type { AXES, Motion, MOTIONS } from '@/core/procedure/direction'

type Move = (typeof MOTIONS)[number]
type Axis = (typeof AXES)[number]

/** The motion that takes a motion back. */
export const MOVE_BACK: Record<Move, Move | 'press'> = {
  pull: 'push',
  push: 'pull',
  lift: 'lift',
  pry: 'press',
  slide: 'slide',
  tilt: 'tilt',
  swing: 'swing',
  turn: 'turn',
}
export const AXIS_BACK: Record<Axis, Axis> = {
  rearward: 'forward',
  forward: 'rearward',
  up: 'down',
  down: 'up',
  inboard: 'outboard',
  outboard: 'inboard',
  left: 'right',
  right: 'left',
}
const SENSE_BACK = { clockwise: 'anticlockwise', anticlockwise: 'clockwise' } as const

/** "pull rearward", "turn anticlockwise, seen from the left". */
export function motionWords({ move, directions, turn }: Motion): string {
  return said(move, directions, turn?.sense, turn?.seenFrom)
}

/** The same motion taken back: "push forward", "turn clockwise, seen from the left". */
export function motionBackWords({ move, directions, turn }: Motion): string {
  return said(
    MOVE_BACK[move],
    directions.map((axis) => AXIS_BACK[axis]),
    turn ? SENSE_BACK[turn.sense] : undefined,
    turn?.seenFrom,
  )
}

function said(
  move: string,
  directions: readonly string[],
  sense: string | undefined,
  seenFrom: string | undefined,
): string {
  // What is lifted down is lowered, out or back.
  return [
    move === 'lift' && directions.includes('down') ? 'lower' : move,
    directions.join(' and '),
    sense && `${sense}, seen from ${seenFrom}`,
  ]
    .filter(Boolean)
    .join(' ')
}

/** All motions of a release in their order. */
export function motionsOut(motions: readonly Motion[]): string {
  return motions.map(motionWords).join(', then ')
}

/** All of them taken back, the last first. Empty where a plain push says it. */
export function motionsBack(motions: readonly Motion[]): string {
  const back = motions.toReversed().map(motionBackWords)
  const plain = motions.length === 1 && (motions[0]!.move === 'pull' || motions[0]!.move === 'pry')
  return plain ? '' : back.join(', then ')
}
