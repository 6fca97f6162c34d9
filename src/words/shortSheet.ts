import type { HandoverFacts } from './jobSheet'
import { numberWords } from './dates'

/**
 * What one sheet of paper says at most of each kind, and what it is called where more is kept: a sheet is read beside
 * a vehicle, and one without an end would hold the printer, and the shop, for minutes.
 */
const MOST = {
  opened: [300, 'thing that was opened', 'things that were opened'],
  work: [200, 'piece of work', 'pieces of work'],
  replaced: [200, 'thing replaced or left out', 'things replaced or left out'],
  changed: [200, 'change for good', 'changes for good'],
  accepted: [200, 'row left open', 'rows left open'],
  cautions: [100, 'caution', 'cautions'],
  lookalikes: [100, 'fastener that looks like another', 'fasteners that look alike'],
  tests: [300, 'test', 'tests'],
  notes: [200, 'note', 'notes'],
  signatures: [40, 'signature', 'signatures'],
} as const satisfies Partial<Record<keyof HandoverFacts, readonly [number, string, string]>>
type Bounded = keyof typeof MOST

/** No single text is longer on paper. */
const LONGEST_TEXT = 1000

/** The same sheet within its bounds, with what was left out of it in words. */
export function shortSheet(facts: HandoverFacts): HandoverFacts & { leftOut: string[] } {
  const short = shortTexts(facts) as HandoverFacts
  const leftOut: string[] = []
  for (const kind of Object.keys(MOST) as Bounded[]) {
    const [most, one, several] = MOST[kind]
    const more = short[kind].length - most
    if (more <= 0) continue
    leftOut.push(`${numberWords(more)} more ${more === 1 ? one : several}`)
    Object.assign(short, { [kind]: short[kind].slice(0, most) })
  }
  return { ...short, leftOut }
}

function shortTexts(value: unknown): unknown {
  if (typeof value === 'string') return value.length > LONGEST_TEXT ? `${value.slice(0, LONGEST_TEXT)}…` : value
  if (Array.isArray(value)) return value.map(shortTexts)
  if (typeof value !== 'object' || value === null) return value
  // What was signed is a drawing, bounded where it came in: cut off it would be no signature.
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, key === 'strokes' ? inner : shortTexts(inner)]),
  )
}
