import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { plugSaid } from '../shorthand/factsToEdits'
import type { Fact } from '../shorthand/meaning'
import type { Id } from '../base/id'

/**
 * A name of something that is off or open already, said as if it came off once more; `another`: what a second one would
 * be called.
 */
export type SaidTwice = { kind: 'part' | 'plug'; name: string; another: string }

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
  const found = new Map<string, SaidTwice>()
  const add = (kind: SaidTwice['kind'], name: string, taken: readonly string[]) =>
    found.set(`${kind} ${name}`, { kind, name, another: nextName(name, taken) })
  const partNamed = (name: string) => document.parts.find((part) => part.name.toLowerCase() === name.toLowerCase())
  for (const fact of facts) {
    if (fact.fact === 'plug' && !fact.leave) {
      const about = fact.of === undefined ? inHand : (partNamed(fact.of)?.id ?? null)
      const known = plugSaid(document, fact.name, about, fact.of !== undefined)
      if (known && state.tethersOpen.has(known.id))
        add(
          'plug',
          fact.name,
          document.tethers.map(({ name }) => name),
        )
    }
    const subject = fact.fact === 'holder' ? fact.holds?.[0] : fact.fact === 'release' ? fact.of : undefined
    const part = subject === undefined ? undefined : partNamed(subject)
    if (part && part.id !== inHand && levelNow(state, part.id) === 'off')
      add(
        'part',
        part.name,
        document.parts.map(({ name }) => name),
      )
  }
  return [...found.values()]
}

const ORDINALS = ['second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth']

/** "second vent", "third vent" where that is taken. */
function nextName(name: string, taken: readonly string[]): string {
  const used = new Set(taken.map((each) => each.toLowerCase()))
  const word = ORDINALS.find((ordinal) => !used.has(`${ordinal} ${name}`.toLowerCase())) ?? 'another'
  return `${word} ${name}`.toLowerCase()
}

/** The line with the second thing called by a name of its own. */
export function asAnother(line: string, { name, another }: SaidTwice): string {
  const at = line.toLowerCase().indexOf(name.toLowerCase())
  return at < 0 ? line : `${line.slice(0, at)}${another}${line.slice(at + name.length)}`
}
