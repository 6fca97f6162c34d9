import { z } from 'zod'

/** How far a part has come, in this order. See the domain words in docs/domain-words.md. */
export const LEVELS = ['in place', 'eased', 'free', 'off'] as const
export const Level = z.enum(LEVELS)
export type Level = z.infer<typeof Level>

export function atLeast(level: Level, wanted: Level): boolean {
  return LEVELS.indexOf(level) >= LEVELS.indexOf(wanted)
}
