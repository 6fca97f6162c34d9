import type { Unplaced } from '@/core/shorthand/factsToEdits'
import type { AskKind, Fact, Motion } from '@/core/shorthand/meaning'
import type { LineAnswer, LineQuestion } from '@/core/shorthand/lineQuestions'
import type { SaidTwice } from '@/core/strip/saidTwice'
import { headInWords, headWords, plural } from './items'

/** A fact of a line in few words, as a chip shows it. */
export function factWords(fact: Fact): string {
  const about = 'of' in fact && fact.of && fact.fact !== 'traps' ? `${fact.of}: ` : ''
  const when = fact.when && fact.fact !== 'tell' ? `, only ${fact.when}` : ''
  const doubt = fact.unsure ? ', not sure' : ''
  return `${fact.instead ? 'instead: ' : ''}${about}${plainWords(fact)}${when}${doubt}`
}

function plainWords<K extends Fact['fact']>(fact: FactOf<K>): string {
  return (FACT_WORDS[fact.fact] as (of: FactOf<K>) => string)(fact)
}

const FACT_WORDS: { readonly [K in Fact['fact']]: (fact: FactOf<K>) => string } = {
  holder: (fact) => listed(holderWords(fact)),
  release: (fact) => listed(releaseWords(fact)),
  plug: (fact) => listed(plugWords(fact)),
  refit: (fact) => `back: ${listed(refitWords(fact))}`,
  'must not': ({ what }) => `never ${what}`,
  rests: ({ how }) => how,
  persons: ({ count }) => (count === 1 ? 'one person' : `${count} people`),
  fixing: ({ fixing }) => fixing,
  brittle: ({ not }) => (not ? 'not brittle' : 'brittle'),
  setting: ({ setting, value, waitMin }) => `${setting} ${value}${waitMin ? `, wait ${waitMin} min` : ''}`,
  traps: ({ by, of }) => `${by} traps ${of}`,
  mirrored: () => 'the same on the other side',
  part: ({ part, level }) => (level ? `${part} ${level}` : part),
  caution: ({ what }) => `mind: ${what}`,
  found: ({ state, kind, count, where }) =>
    listed([[count, kind && plural(kind, count ?? 2), state].filter(Boolean).join(' '), where]),
  test: ({ what }) => `test ${what}`,
  tell: ({ when, by }) => `${when ?? 'which'} is told by ${by}`,
  'take back': () => 'take back the last',
}

type FactOf<K extends Fact['fact']> = Extract<Fact, { fact: K }>
type Piece = string | false | null | undefined

/** What was said, with commas; what was not is left out. */
const listed = (pieces: readonly Piece[]) => pieces.filter(Boolean).join(', ')

function holderWords(fact: FactOf<'holder'>): Piece[] {
  const { count, drive, size, kind, thread, where, behind, holds, or = [] } = fact
  const heads = drive ? [{ drive, size }, ...or] : []
  const head = heads.map((each) => headWords({ drive: each.drive, size: each.size ?? '?' })).join(' or ')
  const what = head && kind === 'machine screw' ? head : `${head} ${plural(kind, count ?? 2)}`.trim()
  return [
    `${count ?? '?'} ${what}`,
    thread,
    where,
    behind && `behind ${behind.join(' and ')}`,
    holds && `holds ${holds.join(' and ')}`,
    fact.torqueNm !== undefined && `${fact.torqueNm} Nm`,
    fact.captive && 'captive',
    fact.reuse,
    fact.reach && `by ${fact.reach}`,
    fact.stack && `with ${fact.stack.join(', ')}`,
    fact.tell,
  ]
}

function releaseWords({ start, motions = [], tool, effort, protect, protects }: FactOf<'release'>): Piece[] {
  return [
    start && `start ${start}`,
    ...motions.map(motionWords),
    tool && `with ${tool === 'hand' ? 'bare hands' : `the ${tool}`}`,
    effort && `${effort} pull`,
    protect && `protect with ${protect}${protects ? ` on ${protects}` : ''}`,
  ]
}

function plugWords(fact: FactOf<'plug'>): Piece[] {
  const { leave, name, colour, latch, tab, behind, count } = fact
  return [
    leave ? `leave ${name} plugged` : `${count && count > 1 ? `${count} plugs` : 'plug'} ${name}`,
    colour,
    latch,
    tab && `tab ${tab}`,
    behind && `behind ${behind.join(' and ')}`,
    fact.reach && `by ${fact.reach}`,
    fact.mustOpenFor && 'short lead: unplug before it comes free',
    fact.beforePlugging && `before plugging ${fact.beforePlugging}`,
  ]
}

function refitWords({ first, last, leadsFirst, startAll, snug, align, listen }: FactOf<'refit'>): Piece[] {
  return [
    first && `${first} first`,
    last && `${last} last`,
    leadsFirst && 'leads through first',
    startAll && 'start all by hand',
    snug && 'snug',
    align && `align ${align}`,
    listen && `listen for the ${listen}`,
  ]
}

function motionWords({ move, to, turn, sense, seenFrom }: Motion): string {
  return [move, turn, sense, seenFrom && `seen from ${seenFrom}`, to].filter(Boolean).join(' ')
}

const ASK_WORDS: Record<AskKind, string> = {
  forward: 'Forward: toward the nose, or toward you?',
  'toward you': 'Toward you, from where you stand: which way does it come on the vehicle?',
  'whose left': 'Left or right of whom? Say driver side or passenger side.',
  'turn sense': 'Turn which way, seen from where? “clockwise seen from the front”.',
  size: 'Which size? “T20”, “PH2”, “hex 7”.',
  drive: 'Which drive? “T20”, “PH2”, “hex 7”.',
  count: 'How many?',
  kind: 'Of what? Name the fastener: “clips”, “T20”, “push-pins”.',
  part: 'Which part or plug? Name it.',
  airbag: 'An airbag’s plug: say “leave it plugged”, or “unplug” with what it is.',
  heard: '',
}

/** A question about a line, as a sentence. */
export function lineQuestionSentence(question: LineQuestion): string {
  switch (question.kind) {
    case 'unread': {
      const { said, nearest } = question
      return `Not understood: “${said}”${nearest.length > 0 ? `. Did you mean ${nearest.join(' or ')}?` : '.'}`
    }
    case 'heard':
      return `Heard “${question.said}”: did you mean ${question.meant}?`
    case 'which part':
      return `Which “${question.said}”: ${question.choices.join(' or ')}?`
    case 'two readings':
      return 'This can be read in two ways. Which is it?'
    case 'asks':
      return ASK_WORDS[question.ask]
  }
}

type Readings = { facts: readonly Fact[]; other: { facts: readonly Fact[] } | null }

/** What a reading says that another one does not; all of it where that is nothing. */
export function readingWords(facts: readonly Fact[], others: readonly Fact[]): string {
  const known = new Set(others.map((fact) => JSON.stringify(fact)))
  const own = facts.filter((fact) => !known.has(JSON.stringify(fact)))
  return own.length > 0 ? own.map(factWords).join('; ') : `only ${facts.map(factWords).join('; ')}`
}

/** What stands on the tap of an answer. */
export function lineAnswerWords(answer: LineAnswer, { facts, other }: Readings): string {
  if (answer.says === 'read so') {
    const others = other?.facts ?? []
    return answer.isOther ? readingWords(others, facts) : readingWords(facts, others)
  }
  if (answer.says === 'so') return answer.words
  if (answer.says === 'a name') return `${answer.of === 'part' ? 'a part' : 'a plug'} called “${answer.name}”`
  return answer.says === 'leave it out' ? 'leave it out' : answer.words
}

/** A name that has come off or open already. */
export function saidTwiceSentence({ kind, name }: SaidTwice): string {
  return kind === 'part'
    ? `The ${name.toLowerCase()} is off already. The same, or another?`
    : `Plug ${name} is open already. The same, or another?`
}

/** Why a fact found no place in the record, and what to do. */
export function unplacedSentence(fact: Fact, because: Unplaced): string {
  const what = `“${plainWords(fact)}”`
  switch (because.kind) {
    case 'no part':
      return `${what} is not placed: say which part, or pick it first.`
    case 'no count':
      return `${what} is not placed: say how many.`
    case 'no setting':
      return `${what} is not placed: this record has no setting ${because.setting} with the value ${because.value}. Add it under Settings.`
    case 'no facet':
      return `${what} is not placed: this record has no facet that says “${because.when}”. Add it under Facets.`
    case 'not conditional':
      return `${what} is not placed: it would hold for every vehicle. Say it without the condition, or note it on the part.`
    case 'rests already':
      return `${what} is not placed: the part has two ways to rest already. Change one of them under Change.`
    case 'this vehicle only':
      return `${what} is not placed: it is of this vehicle only. Say it with Note, on its job or strip.`
    case 'corrects':
      return `${what} is not placed: it is not clear what it corrects. Take that back with Undo, or change it where it stands.`
    case 'take back':
      return `${what}: tap Undo.`
    case 'wait':
      return `${what}: how long to wait is not taken from a line. Set it under Settings.`
    case 'no room':
      return `${what} is not placed: what is said there already leaves no room. Make it shorter under Change, or keep it as a note.`
    case 'not here':
      return fact.fact === 'mirrored'
        ? `${what} is not placed: pick the part on the map and tap Copy to the other side.`
        : `${what} is not placed: say it at its part or facet, under Change.`
  }
}

/** What kind of thing a chip says, above it. */
export function factLabel(fact: Fact): string {
  switch (fact.fact) {
    case 'holder':
      return fact.holds ? 'holder' : 'fastener'
    case 'release':
      return 'comes off'
    case 'must not':
      return 'never'
    case 'plug':
      return fact.leave ? 'stays plugged' : 'unplugged'
    case 'rests':
      return 'rests'
    case 'refit':
      return 'on the way back'
    case 'setting':
      return 'set'
    case 'traps':
      return 'lies over'
    case 'part':
      return 'part'
    case 'caution':
      return 'mind'
    case 'found':
      return 'this vehicle'
    default:
      return 'about it'
  }
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  count: 'how many',
  head: 'which head',
  kind: 'what kind',
  where: 'where',
  thread: 'thread',
  start: 'start at',
  to: 'which way',
  tool: 'with',
  effort: 'how hard',
  protect: 'protect with',
  of: 'of which part',
  leave: 'what of it',
  tab: 'where its tab looks',
  latch: 'its latch',
  colour: 'its colour',
  name: 'its name',
  how: 'how it waits',
  fixing: 'how it is held',
  first: 'what goes in first',
  last: 'what goes in last',
  align: 'line up',
  listen: 'listen for',
  value: 'set to',
  by: 'by what',
  what: 'what',
  state: 'what is the matter',
  level: 'how far it came',
  part: 'its name',
}

/** What of a fact is mended, as its heading. */
export function mendFieldWords(field: string): string {
  return FIELD_WORDS[field] ?? field
}

/** What a tap would make of it. */
export function mendValueWords(field: string, value: string | number): string {
  return field === 'head' ? headInWords(String(value)) : String(value)
}

/** A line that was not taken whole, as a note for whoever works it in. */
export function openLineNote(line: string, questions: readonly { sentence: string }[]): string {
  return `“${line.trim()}” Open: ${questions.map(({ sentence }) => sentence).join(' ')}`
}

/** What the button that takes a line does to it. */
export function takeWords(clear: number, open: number): { does: string; keeps: string } {
  if (open === 0) return { does: 'Take', keeps: '' }
  return clear === 0 ? { does: 'Note it', keeps: 'for the desk' } : { does: `Take ${clear}`, keeps: 'note the rest' }
}

/** The fact a question is about, where there are others it could be. */
export function askedOf(question: LineQuestion, chips: readonly { fact: Fact }[]): string {
  const of = question.kind === 'asks' && question.fact !== null && chips.length > 1 ? chips[question.fact] : undefined
  return of ? factWords(of.fact) : ''
}
