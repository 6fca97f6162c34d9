import type { ProcedureDocument } from '@/core/procedure/document'
import type { Drive } from '@/core/procedure/holder'
import type { Contradiction } from '@/core/strip/toRecord'
import { headWords, itemWords } from './items'

/** "9 spring clips of Surround, count": the fact, what the record says and what was found, in words. */
export function contradictionWords(
  document: ProcedureDocument,
  { itemId, field, recorded, found }: Contradiction,
): { what: string; recorded: string; found: string } {
  return {
    what: `${itemWords(document, itemId)}, ${FIELDS[field] ?? field}`,
    recorded: valueWords(document, field, recorded),
    found: valueWords(document, field, found),
  }
}

const FIELDS: Record<string, string> = {
  count: 'how many',
  drives: 'which head',
  tabSide: 'side of the tab',
  partId: 'what it ties',
  holds: 'what it holds',
  fixing: 'held by',
  persons: 'people',
  circuit: 'circuit',
  release: 'how it comes off',
  refit: 'how it goes back',
  rests: 'how it rests',
}

function valueWords(document: ProcedureDocument, field: string, value: unknown): string {
  if (value === null || value === '' || (Array.isArray(value) && value.length === 0)) return 'nothing'
  if (field === 'drives') return (value as Drive[]).map(headWords).join(' or ')
  if (field === 'holds') return (value as string[]).map((id) => itemWords(document, id)).join(', ')
  if (field === 'partId') return itemWords(document, String(value))
  if (field === 'rests') return (value as { how: string }[]).map(({ how }) => how).join(', ')
  if (field === 'release' || field === 'refit') return saidWords(value as Record<string, unknown>)
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  return Array.isArray(value) ? `${value.length} marks` : String(value)
}

/** The parts of a release or a refit that say something. */
function saidWords(fields: Record<string, unknown>): string {
  const said = Object.entries(fields).flatMap(([name, value]) => {
    if (name === 'motions')
      return (value as { move: string; directions: string[] }[]).map((motion) =>
        `${motion.move} ${motion.directions.join(' and ')}`.trim(),
      )
    return typeof value === 'string' && value !== '' && !['hand', 'light'].includes(value) ? [value] : []
  })
  return said.join(', ') || 'nothing'
}
