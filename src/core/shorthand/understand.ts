import type { ProcedureDocument } from '../procedure/document'
import { Fact, type AskKind } from './meaning'
import { ENGLISH } from './reader/english'
import { withOwnWords, type OwnWords } from './reader/ownWords'
import { readLine } from './reader/read'
import type { Word } from './reader/words'

export type { OwnWords } from './reader/ownWords'

/** A place in the line. */
type Span = { from: number; to: number }

/** What a line was understood to say. */
export type Understood = {
  facts: Fact[]
  /** Of each fact the words it came from. */
  words: Span[][]
  /** What must be asked before the facts are taken. */
  asks: AskKind[]
  /**
   * Words that could turn a fact and were not placed, with what they may have been meant for. `isTrade`: one of the
   * trade that fits nowhere, and no name.
   */
  notUnderstood: ({ said: string; nearest: string[]; isTrade: boolean } & Span)[]
  /** Words that may have been heard wrongly, and what was probably said. */
  heard: ({ said: string; meant: string } & Span)[]
  /** Names that more than one part of the record has. */
  whichPart: ({ said: string; choices: readonly string[] } & Span)[]
  /** Words that no fact holds and that turn none: kept with the line. */
  left: ({ said: string } & Span)[]
}

const NO_WORDS: OwnWords = {}

/** Nobody says so much in one line; the rest of a longer one is not read. */
export const LONGEST_LINE_CHARS = 2_000

/**
 * One line of shorthand, typed or dictated. Never fails: what can't be placed is answered as such, and so is what
 * stands after `LONGEST_LINE_CHARS`. Cost: words times rules, and the number of known words for each unknown one.
 */
export function understand(line: string, own: OwnWords = NO_WORDS): Understood {
  if (line.length > LONGEST_LINE_CHARS) return understandBeginning(line, own)
  const read = readLine(line, withOwnWords(ENGLISH, own))
  const said = ({ from, to }: Span) => ({ said: line.slice(from, to), from, to })
  const spanOf = (words: readonly Word[]): Span => ({
    from: Math.min(...words.map(({ from }) => from)),
    to: Math.max(...words.map(({ to }) => to)),
  })
  const facts = read.facts.map(({ fact, words }) => ({ parsed: Fact.safeParse(fact), words }))
  const whole = facts.flatMap(({ parsed, words }) => (parsed.success ? [{ fact: parsed.data, words }] : []))
  // What the record has no such value for ("0 clips") is not dropped: its words are asked about.
  const odd = facts.flatMap(({ parsed, words }) => (parsed.success || words.length === 0 ? [] : [spanOf(words)]))
  return {
    facts: whole.map(({ fact }) => fact),
    words: whole.map(({ words }) => words.map(({ from, to }) => ({ from, to }))),
    asks: read.which.length > 0 && !read.asks.includes('part') ? [...read.asks, 'part'] : read.asks,
    notUnderstood: [
      ...odd.map((span) => ({ ...said(span), nearest: [], isTrade: true })),
      ...togetherIn(line, read).map(({ from, to, near, isTrade }) => ({
        ...said({ from, to }),
        nearest: near,
        isTrade,
      })),
    ],
    heard: read.heard.map(({ meant, words }) => ({ ...said(spanOf(words)), meant })),
    whichPart: read.which.map(({ choices, from, to }) => ({ ...said({ from, to }), choices })),
    left: read.left.map(said),
  }
}

type Unread = Span & { near: string[]; isTrade: boolean }

/** Words of the trade that fit nowhere, with at most words of no fact between them, are one thing to ask about. */
function togetherIn(line: string, { unread, facts }: Pick<ReturnType<typeof readLine>, 'unread' | 'facts'>): Unread[] {
  const said = facts.flatMap(({ words }) => words)
  const isOneText = (from: number, to: number) =>
    /^[\p{L}\s]*$/u.test(line.slice(from, to)) && !said.some((word) => from <= word.from && word.to <= to)
  const found: Unread[] = []
  for (const { word, near, isTrade } of unread) {
    const last = found.at(-1)
    if (last && isTrade && last.isTrade && isOneText(last.to, word.from)) last.to = word.to
    else found.push({ from: word.from, to: word.to, near, isTrade })
  }
  return found
}

/** As far as it is read, to the end of a word; the rest is one thing that is not understood. */
function understandBeginning(line: string, own: OwnWords): Understood {
  const beginning = line.slice(0, LONGEST_LINE_CHARS).replace(/\S*$/, '') || line.slice(0, LONGEST_LINE_CHARS)
  const read = understand(beginning, own)
  const rest = {
    said: line.slice(beginning.length),
    from: beginning.length,
    to: line.length,
    nearest: [],
    isTrade: true,
  }
  return { ...read, notUnderstood: [...read.notUnderstood, rest] }
}

/** The names a record has for its parts and plugs. */
export function namesOf(document: Pick<ProcedureDocument, 'parts' | 'tethers'>): OwnWords {
  return {
    parts: document.parts.map(({ name, synonyms }) => ({ name, said: synonyms })),
    plugs: document.tethers.map(({ name }) => name),
  }
}
