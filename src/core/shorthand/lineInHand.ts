import { lineQuestions, type LineQuestion } from './lineQuestions'
import type { AskKind, Fact } from './meaning'
import { LANGUAGE } from './reader/language'
import type { Understood } from './understand'

type Span = { from: number; to: number }

/** What somebody has said of a fact that a line was read to state, by the fact's key: it stands so, or not at all. */
export type Mend = { fact: Fact; settled: readonly AskKind[] }
export type Mending = { mends: ReadonlyMap<string, Mend>; dropped: ReadonlySet<string> }
export const NOTHING_MENDED: Mending = { mends: new Map(), dropped: new Set() }

/** A fact of a line as it would be kept. `key`: the same as long as the line says the same beside whatever else. */
export type Chip = {
  key: string
  fact: Fact
  state: 'clear' | 'open' | 'dropped'
  isMended: boolean
  words: readonly Span[]
}

/** A line between being read and being taken. */
export type LineInHand = { chips: Chip[]; questions: LineQuestion[] }

/** A line as it stands: what was mended and dropped in place, what is still to be asked, and what waits for that. */
export function lineInHand(understood: Understood, { mends, dropped }: Mending): LineInHand {
  const keys = keysOf(understood.facts)
  const facts = understood.facts.map((fact, i) => mends.get(keys[i]!)?.fact ?? fact)
  const isSettled = (question: LineQuestion) => {
    if (question.kind !== 'asks' || question.fact === null) return false
    const key = keys[question.fact]!
    if (dropped.has(key)) return true
    const mend = mends.get(key)
    return mend !== undefined && (mend.settled.includes(question.ask) || isSaid(question.ask, mend.fact))
  }
  const asked = lineQuestions(understood).filter((question) => !isSettled(question))
  const questions = [...asked, ...renamedToAirbag(understood, facts, keys, mends)]
  const held = new Set(questions.flatMap((question) => heldBy(question, understood)))
  const chips = facts.map((fact, i): Chip => {
    const key = keys[i]!
    const state = dropped.has(key) ? 'dropped' : held.has(i) ? 'open' : 'clear'
    return { key, fact, state, isMended: mends.has(key), words: understood.words[i]! }
  })
  return { chips, questions }
}

/** The facts that a tap takes now. */
export function clearFacts({ chips }: LineInHand): Fact[] {
  return chips.filter(({ state }) => state === 'clear').map(({ fact }) => fact)
}

function keysOf(facts: readonly Fact[]): string[] {
  const met = new Map<string, number>()
  return facts.map((fact) => {
    const said = JSON.stringify(fact)
    const times = met.get(said) ?? 0
    met.set(said, times + 1)
    return `${said} ${times}`
  })
}

/** A plug that was read as any other, and is an airbag's by the name somebody gave it: whether it is open is asked. */
function renamedToAirbag(
  { facts: read, words }: Understood,
  facts: readonly Fact[],
  keys: readonly string[],
  mends: Mending['mends'],
): LineQuestion[] {
  return facts.flatMap((fact, i) => {
    const before = read[i]!
    if (fact.fact !== 'plug' || before.fact !== 'plug' || fact.leave || !LANGUAGE.airbag.test(fact.name)) return []
    if (LANGUAGE.airbag.test(before.name) || mends.get(keys[i]!)?.settled.includes('airbag')) return []
    const { from, to } = words[i]![0] ?? { from: 0, to: 0 }
    return [{ kind: 'asks', ask: 'airbag', fact: i, from, to }]
  })
}

/** Whether a mended fact says by itself what was asked of it. */
export function isSaid(ask: AskKind, fact: Fact): boolean {
  if (fact.fact === 'holder')
    return (
      (ask === 'count' && fact.count !== null) ||
      (ask === 'drive' && fact.drive !== undefined) ||
      (ask === 'size' && (fact.size !== undefined || fact.drive === undefined))
    )
  const isWay = ask === 'forward' || ask === 'whose left' || ask === 'toward you'
  return fact.fact === 'release' && isWay && (fact.motions ?? []).every(({ move, to }) => move === 'turn' || !!to)
}

/**
 * The facts, by their places, that wait for a question: the one it is about; for words, those of their own clause, or
 * of the clauses before and after it in its sentence where it states nothing by itself; and all before one that denies,
 * corrects or makes conditional, since nobody knows how far it reaches.
 */
function heldBy(question: LineQuestion, { facts, words, clauses }: Understood): number[] {
  if (question.kind === 'asks' && question.fact !== null) return [question.fact]
  const all = facts.map((_, i) => i)
  const own = clauses.filter(({ from, to }) => question.from < to && from < question.to)
  if (own.length === 0) return all
  const within = (spans: readonly Span[]) =>
    all.filter((i) => words[i]!.some((word) => spans.some(({ from, to }) => word.from < to && from < word.to)))
  const until = Math.max(...own.map(({ to }) => to))
  if (own.some(({ turns }) => turns)) return within([{ from: 0, to: until }])
  const there = within(own)
  if (there.length > 0) return there
  const sentences = new Set(own.map(({ sentence }) => sentence))
  const stating = clauses.filter((clause) => sentences.has(clause.sentence) && within([clause]).length > 0)
  const from = Math.min(...own.map((clause) => clause.from))
  const before = stating.findLast((clause) => clause.to <= from)
  const after = stating.find((clause) => clause.from >= until)
  return within([before, after].filter((clause) => clause !== undefined))
}

/** What of a line is still open, as it was said, with the part it speaks of where that was taken already. */
export function restOfLine(line: string, { chips, questions }: LineInHand, { clauses }: Understood): string {
  const open = chips.filter(({ state }) => state === 'open')
  const spans: Span[] = [...open.flatMap(({ words }) => words), ...questions]
  const isOpen = ({ from, to }: Span) => spans.some((span) => span.from < to && from < span.to)
  const rest = clauses
    .filter(isOpen)
    .map(({ from, to }) => line.slice(from, to).replace(/[\s,;.:]+$/, ''))
    .join(', ')
  const about = open.map(({ fact }) => aboutOf(fact)).find((name) => name !== null)
  return about && !rest.toLowerCase().includes(about.toLowerCase()) ? `${about}: ${rest}` : rest
}

/** The part a fact names as its own. */
export function aboutOf(fact: Fact): string | null {
  if (fact.fact === 'holder') return fact.holds?.[0] ?? null
  if (fact.fact === 'part') return fact.part
  return 'of' in fact ? (fact.of ?? null) : null
}
