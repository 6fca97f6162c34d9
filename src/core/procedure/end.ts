import { z } from 'zod'

/** What becomes of something that came off. Refitted is the default; the last one is for tethers only. */
export const ENDINGS = ['refitted', 'moved', 'replaced', 'given to the customer', 'scrapped', 'left open and insulated'] as const
export const Ending = z.enum(ENDINGS)
export type Ending = z.infer<typeof Ending>

/** Whether something goes back into its place: the same one, or its replacement. */
export function goesBack(ending: Ending | undefined): boolean {
  return ending === undefined || ending === 'refitted' || ending === 'replaced'
}
