import type { Part } from './part'

/** Whether it may stay where it is once it is free, its leads still plugged. */
export function mayRestFree(part: Part): boolean {
  return part.rests.some((rest) => rest.level === 'free')
}
