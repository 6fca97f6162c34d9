/** How far a part has come, in this order. See the domain words in docs/domain-words.md. */
export const LEVELS = ['in place', 'eased', 'free', 'off'] as const

/** Whether a part has come as far as is wanted. */
export function atLeast(level: (typeof LEVELS)[number], wanted: (typeof LEVELS)[number]): boolean {
  return LEVELS.indexOf(level) >= LEVELS.indexOf(wanted)
}
