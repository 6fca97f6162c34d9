import type { ProcedureDocument } from '../procedure/document'
import { assemble } from './assemble'
import { itemsOf } from './grammar'
import type { AskKind, Fact } from './meaning'
import { nearestWords } from './nearest'
import { scan, type OwnWords } from './scan'
import { unaccounted } from './unaccounted'

/** What a line was understood to say. */
export type Understood = {
  facts: Fact[]
  /** What must be asked before the facts are taken. */
  asks: AskKind[]
  /** Words that nobody could place, as they stand in the line, with what they may have been meant for. */
  notUnderstood: { said: string; from: number; to: number; nearest: string[] }[]
  /** Words that may have been heard wrongly, and what was probably said. */
  heard: { said: string; meant: string; from: number; to: number }[]
  /** Names that more than one part of the record has. */
  whichPart: { said: string; choices: readonly string[]; from: number; to: number }[]
}

/** Nobody says so much in one line; the rest of a longer one is not read. */
export const LONGEST_LINE_CHARS = 2_000

/**
 * One line of shorthand, typed or dictated. Never fails: what can't be placed is answered as such, and so is what
 * stands after `LONGEST_LINE_CHARS`. Cost: some microseconds a word, and the number of known words for each unknown
 * one.
 */
export function understand(line: string, own: OwnWords = {}): Understood {
  if (line.length > LONGEST_LINE_CHARS) return understandBeginning(line, own)
  const phrases = scan(line, own)
  const { facts, asks, unread } = assemble(itemsOf(phrases))
  const whichPart = phrases.flatMap(({ said, choices, from, to }) => (choices ? [{ said, choices, from, to }] : []))
  return {
    facts,
    asks: whichPart.length > 0 && !asks.includes('part') ? [...asks, 'part'] : asks,
    notUnderstood: inPlace([...unread, ...unaccounted(line, phrases, facts)]).map(({ begin, end }) => {
      const said = line.slice(begin, end)
      return { said, from: begin, to: end, nearest: nearestWords(said, own) }
    }),
    heard: phrases.flatMap((phrase) =>
      phrase.token === 'Heard' ? [{ said: phrase.said, meant: phrase.value, from: phrase.from, to: phrase.to }] : [],
    ),
    whichPart,
  }
}

/** As far as it is read, to the end of a word; the rest is one thing that is not understood. */
function understandBeginning(line: string, own: OwnWords): Understood {
  const beginning = line.slice(0, LONGEST_LINE_CHARS).replace(/\S*$/, '') || line.slice(0, LONGEST_LINE_CHARS)
  const read = understand(beginning, own)
  const rest = { said: line.slice(beginning.length), from: beginning.length, to: line.length, nearest: [] }
  return { ...read, notUnderstood: [...read.notUnderstood, rest] }
}

/** The names a record has for its parts and plugs. */
export function namesOf(document: Pick<ProcedureDocument, 'parts' | 'tethers'>): OwnWords {
  return {
    parts: document.parts.map(({ name, synonyms }) => ({ name, said: synonyms })),
    plugs: document.tethers.map(({ name }) => name),
  }
}

/** In the order of the line, each place once. */
function inPlace<T extends { begin: number; end: number }>(places: readonly T[]): T[] {
  const sorted = [...places].sort((a, b) => a.begin - b.begin || a.end - b.end)
  return sorted.filter((place, i) => i === 0 || sorted[i - 1]!.end <= place.begin)
}
