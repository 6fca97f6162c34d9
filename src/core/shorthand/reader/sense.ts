import type { Tether } from '../../procedure/tether'
import type { Fact } from '../meaning'
import type { Word } from './words'

/**
 * What a word or a phrase may be, and what it stands for: "bezel" a part, and that the surround. `choices`: the parts
 * of the record that all are called so.
 */
export type Sense = { is: string; value: string; choices?: readonly string[] }

/** A sense at its place: of the words from `at` up to `end`. `meant`: the known word a misspelt one was taken for. */
export type Placed = Sense & { at: number; end: number; meant?: string }

/** What an item says. Its fields are those of its kind; a language's rules make them, and meanings read them. */
export type Said = { is: string; [field: string]: unknown }

/**
 * A rule of a language: a pattern and what it makes. The pattern is read word by word: `CLASS` takes a sense of that
 * class, `a/b` one of these words, `?` may be left out. What stands between two of them and says nothing by itself
 * (articles) is passed over. `make` gets what the classes stood for, in order, and null where one was left out; it
 * answers null where that is no such thing after all.
 */
export type Rule = { pattern: string; make: (...values: (string | null)[]) => Said | Said[] | null; cost?: number }

/** Everything that is of one language. Phrases are in lower case, without hyphens, words parted by one blank. */
export type Language = {
  phrases: ReadonlyMap<string, readonly Sense[]>
  /** What a single word is by its form: numbers, sizes, threads. */
  byForm: (text: string) => Sense[]
  rules: readonly Rule[]
  /** Words that say nothing between two words of an item. */
  articles: ReadonlySet<string>
  /** Words that say nothing at all. */
  talk: ReadonlySet<string>
  /** Words that are no misspelling of another, and may be the name of a part nobody has named yet. */
  nouns: ReadonlySet<string>
  /** Signs and words at which a clause ends, each with the sign it stands for (`and`: what was said goes on). */
  ends: ReadonlyMap<string, string>
  /** Words that mean whichever such thing a vehicle has, each with what that is called. */
  vague: ReadonlyMap<string, readonly string[]>
  /** Words for what nobody faces from a seat: "toward you" says nothing there. */
  away: ReadonlySet<string>
  /** Words for parts that only a vehicle without seats before a dash has. */
  seatless: ReadonlySet<string>
  /** What an airbag's or tensioner's plug is called. */
  airbag: RegExp
  /** Words by which something in a line may be said to stay plugged, or not to be done. */
  leaves: RegExp
  /** What ties a part, by its name; anything else is electrical. */
  tethers: readonly (readonly [RegExp, Tether['kind']])[]
  answers: Answers
  kept: Kept
  /** Whether a part is so, by the record; null: the part in hand. By its name alone where no record is known. */
  isAway?: (part: string | null) => boolean
}

/** What a tap says in answer to a question: in the line, or beside it. */
export type Answers = {
  /** What is put where such a word stands. */
  instead: Record<'forward' | 'toward you' | 'whose left', { of: RegExp; words: readonly string[] }>
  /** Fasteners as a line says them, one or several: "hex 10 bolts". */
  fastener: (of: Pick<Extract<Fact, { fact: 'holder' }>, 'kind' | 'drive' | 'size'>, isOne: boolean) => string
  /** What a number may be a number of. */
  kinds: (isOne: boolean) => readonly string[]
  /** A number that is one. */
  one: RegExp
  turned: (sense: 'clockwise' | 'anticlockwise') => string
  airbag: { leave: string; open: string }
  /** Words by which an unknown one is the name of a plug. */
  plugNear: RegExp
  /** How far a name may go on from its first word. */
  nameFrom: RegExp
}

/** What a line leaves in the record in words. `cautions`: the sentence of each. */
export type Kept = {
  cautions: Readonly<Record<string, string>>
  headNotSure: string
  leaveIt: string
  plugs: (count: number) => string
  never: (what: string) => string
  protectsOn: (cover: string, part: string) => string
  madeSnug: string
  leadsFirst: string
}

/** An item of a line with its words. */
export type Item = Said & {
  at: number
  end: number
  words: Word[]
  meant?: string[]
  which?: Which[]
  called?: Called[]
}

/** A part, and what it was called in the line where that is another word. */
export type Called = { part: string; as: string }

/** A name that several parts of the record have. */
export type Which = { choices: readonly string[]; from: number; to: number }
