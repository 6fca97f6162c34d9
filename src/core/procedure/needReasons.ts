/** Why something has to wait. */
export const NEED_REASONS = [
  'covers',
  'traps',
  'threads',
  'reaches',
  'rests on',
  'setting',
  'method',
  'observed',
  'habit',
] as const
export type NeedReason = (typeof NEED_REASONS)[number]

/**
 * Reasons that only order what is there; all others bring operations in. A habit is an observed order somebody has
 * explained as a habit: it is kept, so that nobody asks again, and orders nothing.
 */
export const ORDER_ONLY: readonly NeedReason[] = ['method', 'observed', 'habit']

/** Reasons a hand meets again on the way back: what held on the way in holds then as well. */
export const PHYSICAL: readonly NeedReason[] = ['covers', 'traps', 'threads', 'reaches', 'rests on']
