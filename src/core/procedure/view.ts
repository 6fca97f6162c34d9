import { z } from 'zod'
import { Id } from '../base/id'

/** A mark on a view, in millimetres from its top left corner, y down. */
export const Position = z.object({ viewId: Id, x: z.number(), y: z.number() })
export type Position = z.infer<typeof Position>

/**
 * Path data of our own drawings: commands and numbers only, so that an imported file can't smuggle anything else in.
 */
const PathData = z
  .string()
  .max(20000)
  .regex(/^[MmLlHhVvCcSsQqTtAaZz0-9eE+\-.,\s]*$/, 'A backdrop line may hold drawing commands and numbers only.')

export const BackdropLine = z.object({ d: PathData, weight: z.enum(['outer', 'inner', 'ghost', 'mass']) })

export const View = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A view needs a name.').max(60),
  widthMm: z.number().positive().max(20000),
  heightMm: z.number().positive().max(20000),
  backdrop: z.array(BackdropLine).max(400).default([]),
  /** A photograph under the outlines, drawn over the whole view. It lies with the job it was taken on. */
  photoId: z.uuid().nullable().default(null),
  /** Whether the millimetres of this view were measured; a photo's are only in proportion. */
  measured: z.boolean().default(true),
  /** The view whose back this is: its outlines and marks are that one's, seen mirrored, and never stored twice. */
  backOf: Id.nullable().default(null),
  /** Its drawing or photo is shown mirrored: the record came from the vehicle with the wheel on the other side. */
  mirrorBackdrop: z.boolean().default(false),
  /** Which way somebody looks who sees this view: what is "toward you" on it follows from that. */
  looking: z.enum(['forward', 'rearward', 'left', 'right', 'up', 'down']).default('forward'),
  /** The words at the left and right border: which side of the vehicle is there. */
  leftWord: z.string().max(30).default(''),
  rightWord: z.string().max(30).default(''),
})
export type View = z.infer<typeof View>

export function newView(id: Id, name: string): View {
  return View.parse({ id, name, widthMm: 1600, heightMm: 1000 })
}
