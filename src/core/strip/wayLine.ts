import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { Access } from '../procedure/access'
import type { ProcedureDocument } from '../procedure/document'
import { HAZARDS, type Hazard } from '../procedure/wayWords'
import type { SaidPoint, SaidWay } from './wayCaught'

/** What a line told of a way; what it left out is asked. `unread`: clauses that nothing was made of. */
export type WayLine = { said: Partial<SaidWay> & Pick<SaidWay, 'beside'>; unread: string[] }

/** Millimetres of each unit a crew says lengths in; a foot is 304.8 mm exactly. */
const UNITS_MM: readonly (readonly [RegExp, number])[] = [
  [/^(?:mm|millimet(?:re|er)s?)$/, 1],
  [/^(?:cm|centimet(?:re|er)s?)$/, 10],
  [/^(?:m|met(?:re|er)s?)$/, 1000],
  [/^(?:ft|foot|feet)$/, 304.8],
  [/^(?:in|inch|inches)$/, 25.4],
]
const UNIT = '(?:mm|cm|m|ft|in|millimet(?:re|er)s?|centimet(?:re|er)s?|met(?:re|er)s?|foot|feet|inch(?:es)?)'
const LENGTH = new RegExp(`^(about )?(\\d+(?:[.,]\\d+)?) ?(${UNIT})(?: (\\d+))?(?: (measured))?$`)
const NEAR = new RegExp(`(\\d+(?:[.,]\\d+)?) ?(${UNIT})`)

/** Words for what hurts, besides its own name. */
const ALSO: Partial<Record<Hazard, RegExp>> = {
  'airbag path': /\b(?:curtain )?airbag\b(?! lead| plug| module| loom)|deployment/,
  'airbag lead': /\bairbag (?:lead|plug|loom)\b/,
  'airbag module': /\bairbag module\b/,
  pedal: /\bpedals?\b/,
  'steering column': /\bcolumn\b|steering/,
  'hot part': /\bexhaust|\bhot\b|heater pipe/,
  'sharp edge': /\bsharp\b|\bedges?\b(?=.*\bmetal)/,
  'high-voltage lead': /\borange\b|high.voltage/,
  'fuel or brake line': /\bfuel|\bbrake line/,
}

/**
 * A way in one line, clause by clause: "behind unit to passenger kick, 60 cm, under the carpet edge, sill trim off".
 * First from where to where; then, in any order, how long, how a lead gets in, what it goes by, what is out of the way.
 * The first clause that is none of these is what it runs along. Null where no two points are named.
 */
export function wayLine(document: ProcedureDocument, state: JobState, line: string): WayLine | null {
  const [first = '', ...rest] = line
    .replace(/^\s*way\s*:?\s*/i, '')
    .split(/[,;]/)
    .map((clause) => clause.trim())
    .filter(Boolean)
  const ends = /^(?:from )?(.+?) (?:to|->|→) (.+)$/i.exec(first)
  if (!ends) return null
  const said: WayLine['said'] = { from: pointSaid(document, ends[1]!), to: pointSaid(document, ends[2]!), beside: [] }
  const unread: string[] = []
  for (const clause of rest) {
    const more = clauseSaid(document, state, clause.toLowerCase())
    if (more?.beside) said.beside.push(...more.beside)
    else if (more?.access) said.access = [...(said.access ?? []), ...more.access]
    else if (more) Object.assign(said, more)
    else if (said.along === undefined) said.along = clause.slice(0, 80)
    else unread.push(clause)
  }
  return { said, unread }
}

function pointSaid(document: ProcedureDocument, words: string): SaidPoint {
  const name = words.trim().replace(/^the /i, '')
  const plain = name.toLowerCase()
  const known = document.waypoints.find(
    (point) => point.name.toLowerCase() === plain || point.synonyms.some((word) => word.toLowerCase() === plain),
  )
  return known ? { id: known.id } : { name: name.slice(0, 80) }
}

function clauseSaid(document: ProcedureDocument, state: JobState, clause: string): Partial<SaidWay> | null {
  const length = lengthSaid(clause)
  if (length) return length
  if (/^(?:tuck|tucked)\b/.test(clause)) return { how: 'tucked' }
  if (/^(?:laid|lay|laid in)\b/.test(clause)) return { how: 'laid in' }
  if (/^(?:thread|threaded|fish|draw|pull)\b/.test(clause)) return { how: 'threaded' }
  if (/^no airbags?$|^looked\b|^nothing (?:beside|near)/.test(clause)) return { looked: true }
  return hazardSaid(clause) ?? openSaid(document, state, clause)
}

function lengthSaid(clause: string): Partial<SaidWay> | null {
  if (/^half a met(?:re|er)$/.test(clause)) return { lengthMm: 500, lengthKnown: 'estimated' }
  const said = LENGTH.exec(clause)
  if (!said) return null
  const [, about, number, unit, centimetres, measured] = said
  const mm = inMm(number!, unit!) + (centimetres ? Number(centimetres) * 10 : 0)
  return mm >= 1 && mm <= 20_000
    ? { lengthMm: Math.round(mm), lengthKnown: measured && !about ? 'measured' : 'estimated' }
    : null
}

function inMm(number: string, unit: string): number {
  return Number(number.replace(',', '.')) * (UNITS_MM.find(([words]) => words.test(unit))?.[1] ?? 1)
}

/** "beside the actuator 40 mm", "keep 4 cm off it", "crosses the pedals". A distance not said counts as none. */
function hazardSaid(clause: string): Partial<SaidWay> | null {
  const says = /^(?:across|crosses|over|beside|past|along|near|by|keep|off|goes past)\b/.test(clause)
  const kind = HAZARDS.find((name) => ALSO[name]?.test(clause) ?? clause.includes(name))
  if (!kind || (!says && !/\d/.test(clause) && !kind.startsWith('airbag'))) return null
  const near = NEAR.exec(clause)
  const crosses = /^(?:across|crosses|over)\b/.test(clause)
  const distanceMm = near && !crosses ? Math.round(inMm(near[1]!, near[2]!)) : null
  return { beside: [{ kind, how: crosses ? 'crosses' : 'beside', distanceMm }] }
}

/** "sill trim off", "glovebox free": a part by its name, at a level. */
function openSaid(document: ProcedureDocument, state: JobState, clause: string): Partial<SaidWay> | null {
  const said = /^(?:with )?(?:the )?(.+?)(?: (off|out|free|loose|eased))?$/.exec(clause)
  const name = said?.[1] ?? ''
  const part = document.parts.find((item) =>
    [item.name, ...item.synonyms].some((word) => word.toLowerCase() === name || word.toLowerCase() === `${name} trim`),
  )
  if (!part || !said) return null
  const now = levelNow(state, part.id)
  const level = LEVEL_SAID[said[2] ?? ''] ?? (now === 'in place' ? 'off' : now)
  const access: Access[] = [{ kind: 'part', partId: part.id, level }]
  return { access }
}
const LEVEL_SAID: Readonly<Record<string, 'eased' | 'free' | 'off'>> = {
  ...{ off: 'off', out: 'off', free: 'free', loose: 'free', eased: 'eased' },
}
