import { assemble } from './assemble'
import { itemsOf } from './grammar'
import type { AskKind, Fact } from './meaning'
import { scan, type KnownPart } from './scan'

/** What a line was understood to say. */
export type Understood = {
  facts: Fact[]
  /** What must be asked before the facts are taken. */
  asks: AskKind[]
  /** Words that nobody could place, as they stand in the line. */
  notUnderstood: { said: string; from: number; to: number }[]
  /** Words that may have been heard wrongly, and what was probably said. */
  heard: { said: string; meant: string }[]
}

/**
 * One line of shorthand, typed or dictated. `parts`: the names that the record and the shop have for parts. Never fails: what
 * can't be placed is answered as such. Cost: some microseconds a word.
 */
export function understand(line: string, parts: readonly KnownPart[] = []): Understood {
  const phrases = scan(line, parts)
  const { facts, asks, unread } = assemble(itemsOf(phrases))
  return {
    facts,
    asks,
    notUnderstood: unread.map(({ begin, end }) => ({ said: line.slice(begin, end), from: begin, to: end })),
    heard: phrases.flatMap((phrase) => (phrase.token === 'Heard' ? [{ said: phrase.said, meant: phrase.value }] : [])),
  }
}
