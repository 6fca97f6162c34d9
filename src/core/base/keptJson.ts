import type { z } from 'zod'

type Raw = Record<string, unknown>

/**
 * Something that is kept as JSON: its shape now, the number of that shape, and from each released number the step to
 * the next. A released step never changes: what was kept years ago is read with it.
 */
export type Kept<T> = { shape: z.ZodType<T>; version: number; steps: Readonly<Record<number, (raw: Raw) => Raw>> }

/** The text that is kept: the value, and by which number it is to be read. */
export function toKeep<T extends object>(kept: Kept<T>, value: T): string {
  return JSON.stringify({ ...value, v: kept.version })
}

/**
 * What was kept, brought up step by step to the shape now; what has no number is of the first. Null where a newer
 * program wrote it, or it is of no shape that was ever released: it is left as it stands, and nothing is written over
 * it.
 */
export function readKept<T>(kept: Kept<T>, value: unknown): T | null {
  if (typeof value !== 'object' || value === null) return null
  let { v = 1, ...raw } = value as Raw
  if (typeof v !== 'number' || v > kept.version) return null
  for (let step = kept.steps[v]; v < kept.version && step; step = kept.steps[v]) {
    raw = step(raw)
    v += 1
  }
  const parsed = v === kept.version ? kept.shape.safeParse(raw) : null
  return parsed?.success ? parsed.data : null
}
