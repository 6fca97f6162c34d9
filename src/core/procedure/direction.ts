import { z } from 'zod'

/**
 * Directions in the vehicle's own words, as seated facing forward. A motion lists axis words ("rearward, up");
 * a turn says its sense and from where it is seen.
 */
export const AXES = ['rearward', 'forward', 'up', 'down', 'inboard', 'outboard', 'left', 'right'] as const
export const Axis = z.enum(AXES)
export type Axis = z.infer<typeof Axis>

export const MOTIONS = ['pull', 'lift', 'slide', 'tilt', 'swing', 'pry', 'push', 'turn'] as const

export const Motion = z.object({
  move: z.enum(MOTIONS),
  directions: z.array(Axis).default([]),
  turn: z
    .object({ sense: z.enum(['clockwise', 'anticlockwise']), seenFrom: z.string().trim().min(1).max(60) })
    .nullable()
    .default(null),
  note: z.string().max(200).default(''),
})
export type Motion = z.infer<typeof Motion>
