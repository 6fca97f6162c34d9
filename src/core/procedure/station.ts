import { z } from 'zod'

export const Station = z.string().trim().min(1, 'Say where this is done from.').max(40)
export type Station = z.infer<typeof Station>
