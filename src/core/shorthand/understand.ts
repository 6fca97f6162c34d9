import type { ProcedureDocument } from '../procedure/document'
import { FACED_FROM_NO_SEAT } from '../procedure/stations'
import { Fact, type AskKind } from './meaning'
import { LANGUAGE } from './reader/language'
import { withOwnWords, type OwnWords } from './reader/ownWords'
import type { Clause } from './reader/clauses'
import { readLine, type Read } from './reader/read'
import type { Called } from './reader/sense'
import type { Word } from './reader/words'

export type { OwnWords } from './reader/ownWords'

/** A place in the line. */
type Span = { from: number; to: number }

/** What a line was understood to say, and what it may say as well. `isTie`: nothing speaks for the first. */
export type Understood = OneReading & { other: (OneReading & { isTie: boolean }) | null }

type OneReading = {
  facts: Fact[]
  /** Of each fact the words it came from. */
  words: Span[][]
  /** What must be asked, each with the fact it is about (its place among them), or the words where it is in none. */
  asks: ({ ask: AskKind; fact: number | null } & Span)[]
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
  clauses: Clause[]
  /** Parts that the line calls otherwise than the facts do: the crew's own words for them. */
  called: Called[]
  /** "No, nine": so many instead, of whatever was said last, and the words that say so. */
  corrects: { count: number; words: Span[] } | null
}

/** What kinds of thing a line leaves to be asked, each once. */
export function asksOf({ asks, whichPart }: Pick<Understood, 'asks' | 'whichPart'>): AskKind[] {
  return [...new Set([...asks.map(({ ask }) => ask), ...(whichPart.length > 0 ? ['part' as const] : [])])]
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
  const { read, other } = readLine(line, withOwnWords(LANGUAGE, own))
  const understood = understoodAs(read, line)
  return { ...understood, other: other && { ...understoodAs(other, line), isTie: other.isTie } }
}

/** What was read, with each thing's place in the line. */
function understoodAs(read: Read, line: string): OneReading {
  const said = ({ from, to }: Span) => ({ said: line.slice(from, to), from, to })
  const spanOf = (words: readonly Word[]): Span => ({
    from: Math.min(...words.map(({ from }) => from)),
    to: Math.max(...words.map(({ to }) => to)),
  })
  const facts: Tried[] = read.facts.map(({ fact, words }) => ({ parsed: Fact.safeParse(fact), words }))
  const whole = facts.filter(isWhole)
  /** Its place among the facts that are told. */
  const placeOf = (fact: number | null) => {
    const at = fact === null ? -1 : whole.findIndex((each) => each === facts[fact])
    return at < 0 ? null : at
  }
  // What the record has no such value for ("0 clips") is not dropped: its words are asked about.
  const odd = facts.flatMap(({ parsed, words }) => (parsed.success || words.length === 0 ? [] : [spanOf(words)]))
  return {
    facts: whole.map(({ parsed }) => parsed.data),
    words: whole.map(({ words }) => words.map(({ from, to }) => ({ from, to }))),
    asks: read.asks.map(({ ask, fact, words }) => ({ ask, fact: placeOf(fact), ...spanOf(words) })),
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
    clauses: read.clauses,
    called: read.called,
    corrects: read.corrects && {
      count: read.corrects.count,
      words: read.corrects.words.map(({ from, to }) => ({ from, to })),
    },
  }
}

type Tried = { parsed: { success: true; data: Fact } | { success: false }; words: readonly Word[] }
type Whole = { parsed: { success: true; data: Fact }; words: readonly Word[] }
const isWhole = (tried: Tried): tried is Whole => tried.parsed.success

type Unread = Span & { near: string[]; isTrade: boolean }

/** Words of the trade that fit nowhere, with at most words of no fact between them, are one thing to ask about. */
function togetherIn(line: string, { unread, facts }: Read): Unread[] {
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
  return { ...read, notUnderstood: [...read.notUnderstood, rest], other: null }
}

/** The names a record has for its parts and plugs. */
export function namesOf(document: Pick<ProcedureDocument, 'parts' | 'tethers'>): OwnWords {
  return {
    parts: document.parts.map(({ name, synonyms, station }) => ({
      name,
      said: synonyms,
      isAway: FACED_FROM_NO_SEAT.has(station),
    })),
    plugs: document.tethers.map(({ name }) => name),
  }
}
