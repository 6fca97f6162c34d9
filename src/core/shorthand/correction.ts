import { THREADED_KINDS } from '../procedure/holderKinds'
import { isSaid, type Chip } from './lineInHand'
import type { Fact } from './meaning'
import { sure } from './mendable'
import type { Understood } from './understand'

type FactOf<K extends Fact['fact']> = Extract<Fact, { fact: K }>

/** A line that corrects the one before it: as it then reads, and of each fact the place of the one it stands for. */
export type Correction = { understood: Understood; places: readonly number[] }

/**
 * What a line that begins with "no", "sorry", "I mean" makes of the facts that were taken last: each of its facts is
 * one of those, said otherwise. Null where it is no correction, or where it could be of two, or of none.
 */
export function correctionOf(last: readonly Fact[], understood: Understood): Correction | null {
  const { corrects } = understood
  // "No, nine": so many of whatever it was.
  if (corrects !== null && understood.facts.length === 0) {
    const place = onlyOne(last.map((fact) => fact.fact === 'holder'))
    const fact = place === null ? null : last[place]!
    if (fact?.fact !== 'holder') return null
    const counted: Fact = { ...sure(fact, 'count'), count: corrects.count, instead: {} }
    return { understood: { ...understood, facts: [counted], words: [corrects.words], asks: [] }, places: [place!] }
  }
  if (understood.facts.length === 0 || !understood.facts.every(({ instead }) => instead !== undefined)) return null
  const places = understood.facts.map((fact) => placeOf(fact, last))
  if (places.some((place) => place === null) || new Set(places).size < places.length) return null
  const facts = understood.facts.map((fact, i) => saidOtherwise(last[places[i]!]!, fact))
  const asks = understood.asks.filter(({ ask, fact }) => fact === null || !isSaid(ask, facts[fact]!))
  return { understood: { ...understood, facts, asks }, places: places as number[] }
}

/**
 * A correction of which only what is clear is taken (`chips`: of its facts, in their order); null where nothing is left
 * of it.
 */
export function clearCorrection(correction: Correction, chips: readonly Chip[]): Correction | null {
  const places = correction.places.filter((_, i) => chips[i]?.state === 'clear')
  return places.length > 0 ? { ...correction, places } : null
}

/** The facts taken last with those that were said otherwise in their places. `corrected`: as they are to be taken. */
export function correctedFacts(last: readonly Fact[], { places }: Correction, corrected: readonly Fact[]): Fact[] {
  return last.map((fact, i) => {
    const said = corrected[places.indexOf(i)]
    if (said === undefined || places.indexOf(i) < 0) return fact
    const { instead, ...now } = said
    void instead
    return now as Fact
  })
}

function onlyOne(fits: readonly boolean[]): number | null {
  const places = fits.flatMap((is, i) => (is ? [i] : []))
  return places.length === 1 ? places[0]! : null
}

/** The one fact that this may be said instead of. */
function placeOf(fact: Fact, last: readonly Fact[]): number | null {
  const alike = last.map((before) => before.fact === fact.fact && hadBeen(before, fact.instead ?? {}))
  if (fact.fact !== 'holder') return onlyOne(alike)
  const sameKind = alike.map((is, i) => is && isOfKind(last[i] as FactOf<'holder'>, fact))
  return onlyOne(sameKind) ?? onlyOne(alike)
}

/** "Not eight, nine": the fact that said eight. */
function hadBeen(before: Fact, was: Readonly<Record<string, unknown>>): boolean {
  const said: Readonly<Record<string, unknown>> = before
  return Object.entries(was).every(([field, value]) => String(said[field]) === String(value))
}

/** A head by itself is of any screw. */
function isOfKind(before: FactOf<'holder'>, { kind }: FactOf<'holder'>): boolean {
  return before.kind === kind || (kind === 'machine screw' && THREADED_KINDS.includes(before.kind))
}

function saidOtherwise(before: Fact, fact: Fact): Fact {
  if (before.fact !== 'holder' || fact.fact !== 'holder') return { ...before, ...fact } as Fact
  const { count, kind, drive, size, ...more } = fact
  const counted = count === null ? before : { ...sure(before, 'count'), count }
  const headed = drive === undefined ? counted : { ...sure(counted, 'size'), drive, size }
  // A head by itself says nothing of the kind of screw.
  const isKindSaid = kind !== 'machine screw' || !THREADED_KINDS.includes(before.kind)
  return { ...headed, ...more, ...(isKindSaid && { kind }) }
}
