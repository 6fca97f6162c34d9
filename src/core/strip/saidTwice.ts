import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { plugSaid } from '../shorthand/knownThings'
import type { Fact } from '../shorthand/meaning'
import type { Id } from '../base/id'

/**
 * A name of something that is off or open already, said as if it came off once more; `another`: what a second one would
 * be called.
 */
export type SaidTwice = { kind: 'part' | 'plug'; name: string; another: string; fact: Fact }

/**
 * Names that a line gives to what has happened already: the same thing with something more told of it, or another of
 * that name. Nobody can know which but who stands there; taken for the same it would leave a second plug open and
 * uncounted.
 */
export function saidTwice(
  document: ProcedureDocument,
  state: JobState,
  facts: readonly Fact[],
  inHand: Id | null,
): SaidTwice[] {
  const found = facts.flatMap((fact) => [
    ...(plugAgain(document, state, fact, inHand) ?? []),
    ...(partAgain(document, state, fact, inHand) ?? []),
  ])
  return [...new Map(found.map((item) => [`${item.kind} ${item.name}`, item])).values()]
}

/** A plug that is open already, said to be opened. */
function plugAgain(document: ProcedureDocument, state: JobState, fact: Fact, inHand: Id | null): SaidTwice[] | null {
  if (fact.fact !== 'plug' || fact.leave) return null
  const about = fact.of === undefined ? inHand : (partNamed(document, fact.of)?.id ?? null)
  const known = plugSaid(document, fact.name, about, fact.of !== undefined)
  if (!known || !state.tethersOpen.has(known.id)) return null
  return [{ kind: 'plug', name: fact.name, another: nextName(fact.name, document.tethers), fact }]
}

/** A part that is off already, said to be held or to come free. */
function partAgain(document: ProcedureDocument, state: JobState, fact: Fact, inHand: Id | null): SaidTwice[] | null {
  const held = fact.fact === 'holder' ? fact.holds?.[0] : undefined
  const subject = fact.fact === 'release' ? fact.of : held
  const part = subject === undefined ? undefined : partNamed(document, subject)
  if (!part || part.id === inHand || levelNow(state, part.id) !== 'off') return null
  return [{ kind: 'part', name: part.name, another: nextName(part.name, document.parts), fact }]
}

function partNamed(document: ProcedureDocument, name: string) {
  return document.parts.find((part) => part.name.toLowerCase() === name.toLowerCase())
}

const ORDINALS = ['second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth']

/** "second vent", "third vent" where that is taken. */
function nextName(name: string, taken: readonly { name: string }[]): string {
  const used = new Set(taken.map((each) => each.name.toLowerCase()))
  const word = ORDINALS.find((ordinal) => !used.has(`${ordinal} ${name}`.toLowerCase())) ?? 'another'
  return `${word} ${name}`.toLowerCase()
}

/** The line with the second thing called by a name of its own. */
export function asAnother(line: string, { name, another }: Pick<SaidTwice, 'name' | 'another'>): string {
  const at = line.toLowerCase().indexOf(name.toLowerCase())
  return at < 0 ? line : `${line.slice(0, at)}${another}${line.slice(at + name.length)}`
}
