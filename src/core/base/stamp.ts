import { z } from 'zod'

/**
 * A hybrid logical clock stamp: wall time in milliseconds and a counter, as text that sorts
 * like the time it means ("0001764061792000-0003"). Source: Kulkarni et al. 2014, from memory.
 */
export const Stamp = z.string().regex(/^\d{16}-[0-9a-f]{4}$/, 'A clock stamp has 16 digits, a dash and 4 hex digits.')
export type Stamp = z.infer<typeof Stamp>
