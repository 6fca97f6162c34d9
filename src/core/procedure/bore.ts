import { z } from 'zod'

const side = z.number().positive('An opening has a width above nothing.').max(2000)

/** What is free at the narrowest of a way, in mm. */
export const Bore = z.discriminatedUnion('shape', [
  z.object({ shape: z.literal('round'), diameterMm: side }),
  z.object({ shape: z.literal('slot'), widthMm: side, heightMm: side }),
])
export type Bore = z.infer<typeof Bore>
