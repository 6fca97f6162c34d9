/** Seeded randomness (mulberry32, from memory): the same seed gives the same stream on every machine. */
export type Random = {
  next(): number
  below(n: number): number
  pick<T>(items: readonly T[]): T
  chance(p: number): boolean
}

export function seededRandom(seed: number): Random {
  let state = seed >>> 0
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  const below = (n: number) => Math.floor(next() * n)
  return {
    next,
    below,
    pick: <T>(items: readonly T[]) => {
      if (items.length === 0) throw new Error('pick() was given an empty list.')
      return items[below(items.length)] as T
    },
    chance: (p) => next() < p,
  }
}

/** A small number from a text, so that a label is always drawn the same way. */
export function seedOfText(text: string): number {
  let hash = 2166136261
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619)
  return hash >>> 0
}
