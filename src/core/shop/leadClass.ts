import { z } from 'zod'

export const LEAD_CLASSES = ['antenna', 'signal', 'data', 'switched', 'speaker', 'supply', 'ground'] as const
export const LeadClass = z.enum(LEAD_CLASSES)
export type LeadClass = z.infer<typeof LeadClass>

/** How far two kinds of lead are kept apart where they run beside each other, in mm. Common practice, no source. */
const APART_MM: readonly (readonly [LeadClass, LeadClass, number])[] = [
  ['antenna', 'supply', 100],
  ['antenna', 'speaker', 50],
  ['antenna', 'switched', 50],
  ['antenna', 'data', 50],
  ['antenna', 'ground', 50],
  ['signal', 'supply', 100],
  ['signal', 'speaker', 50],
  ['signal', 'ground', 50],
  ['data', 'supply', 50],
  ['data', 'speaker', 20],
  ['data', 'ground', 20],
]

/** What two kinds of lead want between them; 0 where they may lie in one tie. */
export function apartMm(a: LeadClass, b: LeadClass): number {
  return APART_MM.find(([x, y]) => (x === a && y === b) || (x === b && y === a))?.[2] ?? 0
}
