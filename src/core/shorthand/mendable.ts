import { AXES } from '../procedure/direction'
import { COMMON_HEADS, driveOf } from '../procedure/heads'
import { DRIVES, HOLDER_KINDS, THREADED_KINDS } from '../procedure/holderKinds'
import { EFFORTS, FIXINGS, PART_TOOLS, REST_WAYS } from '../procedure/part'
import { LATCHES, LEAD_COLOURS, TAB_SIDES } from '../procedure/tether'
import { Fact, FOUND_STATES } from './meaning'

/** How many of something a tap can say. */
export const COUNTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] as const

const LEVELS = ['eased', 'free', 'off'] as const
const EDGES = [
  'top',
  'bottom',
  'left',
  'right',
  'upper left',
  'upper right',
  'lower left',
  'lower right',
  'front',
  'rear',
] as const

/**
 * What of a fact can be said otherwise: by a tap (`values`), or by words. `head`, `to` and `leave` stand for more than
 * one field, or one within a list.
 */
type Field = { field: string; values: readonly (string | number)[] | 'words' }
const words = (...fields: string[]): Field[] => fields.map((field) => ({ field, values: 'words' }))

const FIELDS: { readonly [K in Fact['fact']]: readonly Field[] } = {
  holder: [
    { field: 'count', values: COUNTS },
    { field: 'head', values: COMMON_HEADS },
    { field: 'kind', values: HOLDER_KINDS },
    ...words('where', 'thread'),
  ],
  release: [
    { field: 'start', values: EDGES },
    { field: 'to', values: AXES },
    { field: 'tool', values: PART_TOOLS },
    { field: 'effort', values: EFFORTS },
    ...words('of', 'protect'),
  ],
  'must not': words('what', 'of'),
  plug: [
    { field: 'leave', values: ['unplugged', 'stays plugged'] },
    { field: 'tab', values: TAB_SIDES },
    { field: 'latch', values: LATCHES },
    { field: 'colour', values: LEAD_COLOURS },
    ...words('name', 'of'),
  ],
  rests: [{ field: 'how', values: REST_WAYS }, ...words('of')],
  persons: [{ field: 'count', values: [1, 2, 3, 4] }, ...words('of')],
  fixing: [{ field: 'fixing', values: FIXINGS }, ...words('of')],
  brittle: words('of'),
  refit: words('first', 'last', 'align', 'listen', 'of'),
  setting: words('value', 'of'),
  traps: words('of', 'by'),
  mirrored: [],
  caution: words('what', 'of'),
  found: [
    { field: 'state', values: FOUND_STATES },
    { field: 'count', values: COUNTS },
  ],
  test: words('what'),
  tell: words('by'),
  'take back': [],
  part: [{ field: 'level', values: LEVELS }, ...words('part')],
}

/** A field of a fact as somebody may mend it: what it is now, and each value with the fact that then stands. */
export type Mendable = {
  field: string
  now: string
  choices: { value: string | number; fact: Fact }[] | null
  /** The fact with these words there; null where it can't be. Nothing said: it is left out, where it may be. */
  typed: (said: string) => Fact | null
}

const OF_SCREWS = ['head', 'thread']

/** What of a fact can be mended, in the order in which it is said. */
export function mendableOf(fact: Fact): Mendable[] {
  const isOfScrew = fact.fact === 'holder' && (THREADED_KINDS.includes(fact.kind) || fact.drive !== undefined)
  const fields = FIELDS[fact.fact].filter(({ field }) => isOfScrew || !OF_SCREWS.includes(field))
  return fields.map(({ field, values }) => ({
    field,
    now: nowOf(fact, field),
    choices:
      values === 'words'
        ? null
        : values.flatMap((value) => {
            const mended = withValue(fact, field, value)
            return mended ? [{ value, fact: mended }] : []
          }),
    typed: (said) => withValue(fact, field, typedAs(fact, field, said)),
  }))
}

/** What is typed is a number where the field has numbers. */
function typedAs(fact: Fact, field: string, said: string): string | number | undefined {
  const plain = said.trim()
  if (plain === '') return undefined
  const isNumber = FIELDS[fact.fact].some((each) => each.field === field && typeof each.values[0] === 'number')
  return isNumber ? Number(plain) : plain
}

function nowOf(fact: Fact, field: string): string {
  if (fact.fact === 'holder' && field === 'head') return [fact.drive, fact.size].filter(Boolean).join(' ')
  if (fact.fact === 'release' && field === 'to') return fact.motions?.at(-1)?.to ?? ''
  if (fact.fact === 'plug' && field === 'leave') return fact.leave ? 'stays plugged' : 'unplugged'
  const value: unknown = (fact as Record<string, unknown>)[field]
  return value === undefined || value === null ? '' : String(value)
}

/** The fact with another value, parsed as any other is; null where there is no such value. */
function withValue(fact: Fact, field: string, value: string | number | undefined): Fact | null {
  const parsed = Fact.safeParse(changed(sure(fact, field === 'head' ? 'size' : field), field, value))
  return parsed.success ? parsed.data : null
}

function changed(fact: Fact, field: string, value: string | number | undefined): Record<string, unknown> {
  if (field === 'head') {
    const head = value === undefined ? null : headTyped(String(value))
    const { drive, size, or, ...rest } = fact as Extract<Fact, { fact: 'holder' }>
    void [drive, size, or]
    return value === undefined ? rest : { ...rest, drive: head?.drive, ...(head?.size && { size: head.size }) }
  }
  if (fact.fact === 'release' && field === 'to') {
    const motions = fact.motions ?? [{ move: 'pull' }]
    const { to, ...last } = motions.at(-1)!
    void to
    return { ...fact, motions: [...motions.slice(0, -1), value === undefined ? last : { ...last, to: value }] }
  }
  if (field === 'leave') {
    const { leave, ...rest } = fact as Extract<Fact, { fact: 'plug' }>
    void leave
    return value === 'stays plugged' ? { ...rest, leave: true } : rest
  }
  const { [field]: before, ...rest } = fact as Record<string, unknown>
  void before
  return value === undefined ? rest : { ...rest, [field]: value }
}

/** "T20", "PH2", "hex 7": a head as it is typed. No drive: `drive` is nothing, and the fact is refused. */
function headTyped(said: string): { drive?: string; size?: string } {
  const known = driveOf(said)
  if (known) return known
  const size = said.toUpperCase()
  if (/^T\d+$/.test(size)) return { drive: 'six-lobe', size }
  if (/^P[HZ]\d$/.test(size)) return { drive: 'cross', size }
  return { drive: (DRIVES as readonly string[]).includes(said) ? said : 'none such' }
}

/** Somebody has said it now: of this field nobody is in doubt any more. */
export function sure<F extends Fact>(fact: F, field: string): F {
  const { unsure, ...rest } = fact
  const others = (unsure ?? []).filter((name) => name !== field)
  return (others.length > 0 ? { ...rest, unsure: others } : rest) as F
}
