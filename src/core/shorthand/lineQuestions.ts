import { COMMON_HEADS, driveOf } from '../procedure/heads'
import type { AskKind, Fact } from './meaning'
import { COUNTS, sure } from './mendable'
import { LANGUAGE } from './reader/language'
import type { Understood } from './understand'

type Span = { from: number; to: number }
type Asked = Understood['asks'][number]

/** What has to be settled before a line is taken whole. `asks`: something the line leaves open, of a fact or not. */
export type LineQuestion =
  | ({ kind: 'unread' } & Understood['notUnderstood'][number])
  | ({ kind: 'heard' } & Understood['heard'][number])
  | ({ kind: 'which part' } & Understood['whichPart'][number])
  /** Two readings, and nothing speaks for either. */
  | ({ kind: 'two readings' } & Span)
  | ({ kind: 'asks' } & Asked)

/** What a tap settles. */
export type LineAnswer =
  /** The line reads otherwise. */
  | { says: 'this' | 'leave it out'; words: string; line: string }
  /** It is to be read so. */
  | { says: 'read so'; isOther: boolean }
  /** A word in it is a name. */
  | { says: 'a name'; of: 'part' | 'plug'; name: string }
  /** The fact at this place is completed; the line stays as it was said. */
  | { says: 'so'; words: string; of: number; fact: Fact; ask: AskKind }

/** The questions of a line in the order they are asked in: a word nobody knows first, the others may come of it. */
export function lineQuestions({ notUnderstood, heard, whichPart, asks, clauses, other }: Understood): LineQuestion[] {
  // Which part of several, and what was heard, are asked by name.
  const isNamed = ({ ask, fact }: Asked) => ask === 'heard' || (ask === 'part' && fact === null && whichPart.length > 0)
  return [
    ...notUnderstood.map((word): LineQuestion => ({ kind: 'unread', ...word })),
    ...heard.map((word): LineQuestion => ({ kind: 'heard', ...word })),
    ...whichPart.map((word): LineQuestion => ({ kind: 'which part', ...word })),
    ...(other?.isTie ? [{ kind: 'two readings' as const, from: 0, to: clauses.at(-1)?.to ?? 0 }] : []),
    ...asks.filter((asked) => !isNamed(asked)).map((asked): LineQuestion => ({ kind: 'asks', ...asked })),
  ]
}

/** The answers a tap can give to a question; none where only words can. `facts`: as they stand, mended or as read. */
export function answersTo(question: LineQuestion, line: string, facts: readonly Fact[]): LineAnswer[] {
  switch (question.kind) {
    case 'unread':
      return [
        ...question.nearest.map((words) => instead(line, question, words)),
        ...(question.isTrade ? [] : namesAt(line, question)),
        { says: 'leave it out', words: '', line: changed(line, question, '') },
      ]
    case 'heard':
      return [instead(line, question, question.meant)]
    case 'which part':
      return question.choices.map((words) => instead(line, question, words))
    case 'two readings':
      return [
        { says: 'read so', isOther: false },
        { says: 'read so', isOther: true },
      ]
    case 'asks':
      return ANSWERS[question.ask](question, line, question.fact === null ? null : facts[question.fact]!, facts)
  }
}

type Answering = (asked: Asked, line: string, fact: Fact | null, facts: readonly Fact[]) => LineAnswer[]

const ANSWERS: Record<AskKind, Answering> = {
  forward: (asked, line) => insteadOfWord('forward', asked, line),
  'toward you': (asked, line) => insteadOfWord('toward you', asked, line),
  'whose left': (asked, line) => insteadOfWord('whose left', asked, line),
  'turn sense': (asked, _line, fact) =>
    (['clockwise', 'anticlockwise'] as const).flatMap((sense) =>
      so(asked, LANGUAGE.answers.turned(sense), fact && turned(fact, sense)),
    ),
  size: (asked, _line, fact) => headAnswers(asked, fact, (drive) => fact?.fact === 'holder' && drive === fact.drive),
  drive: (asked, _line, fact) => headAnswers(asked, fact, () => true),
  count: (asked, _line, fact) =>
    COUNTS.flatMap((count) =>
      so(asked, `${count}`, fact?.fact === 'holder' ? { ...sure(fact, 'count'), count } : null),
    ),
  kind: (asked, line, _fact, facts) => {
    const count = line.slice(asked.from, asked.to)
    const isOne = LANGUAGE.answers.one.test(count.trim())
    const said = facts.flatMap((fact) => (fact.fact === 'holder' ? [LANGUAGE.answers.fastener(fact, isOne)] : []))
    return [...new Set([...said, ...LANGUAGE.answers.kinds(isOne)])].map((words) =>
      instead(line, asked, `${count} ${words}`),
    )
  },
  airbag: (asked, _line, fact) =>
    fact?.fact === 'plug'
      ? [
          ...so(asked, LANGUAGE.answers.airbag.leave, { ...fact, leave: true }),
          ...so(asked, LANGUAGE.answers.airbag.open, fact),
        ]
      : [],
  part: () => [],
  heard: () => [],
}

function so({ fact: of, ask }: Asked, words: string, fact: Fact | null): LineAnswer[] {
  return of === null || fact === null ? [] : [{ says: 'so', words, of, fact, ask }]
}

function headAnswers(asked: Asked, fact: Fact | null, fits: (drive: string) => boolean): LineAnswer[] {
  if (fact?.fact !== 'holder') return []
  return COMMON_HEADS.flatMap((head) => {
    const { drive, size } = driveOf(head)!
    return fits(drive)
      ? so(asked, size.startsWith('T') || size.startsWith('P') ? size : head, {
          ...sure(fact, 'size'),
          drive,
          ...(size && { size }),
        })
      : []
  })
}

function turned(fact: Fact, sense: 'clockwise' | 'anticlockwise'): Fact | null {
  if (fact.fact !== 'release' || !fact.motions) return null
  const isOpen = ({ move, ...motion }: (typeof fact.motions)[number]) =>
    move === 'turn' && (motion.sense === undefined || motion.seenFrom === undefined)
  const motions = fact.motions.map((motion) => (isOpen(motion) ? { ...motion, sense, seenFrom: 'the front' } : motion))
  return { ...fact, motions }
}

function instead(line: string, span: Span, words: string): LineAnswer {
  return { says: 'this', words, line: changed(line, span, words) }
}

/** Each of some words where the one asked about stands; none where it is not there. */
function insteadOfWord(ask: keyof typeof LANGUAGE.answers.instead, { from, to }: Span, line: string): LineAnswer[] {
  const { of, words } = LANGUAGE.answers.instead[ask]
  const found = of.exec(line.slice(from, to))
  if (!found) return []
  const at = from + found.index
  return words.map((each) => instead(line, { from: at, to: at + found[0].length }, each))
}

function changed(line: string, { from, to }: Span, words: string): string {
  return `${line.slice(0, from)}${words}${line.slice(to)}`.replace(/\s+/g, ' ').trimStart()
}

/**
 * What an unknown word may be the name of: a plug where something is unplugged, else a part, with the words that go on
 * from it.
 */
function namesAt(line: string, { from, to }: Span): LineAnswer[] {
  const said = line.slice(from, to).toLowerCase()
  const { plugNear, nameFrom } = LANGUAGE.answers
  if (plugNear.test(line)) return [{ says: 'a name', of: 'plug', name: said }]
  const rest = nameFrom.exec(line.slice(from))?.[0].trim().split(/\s+/) ?? [said]
  const whole = rest.slice(0, 3).join(' ').toLowerCase()
  return [...new Set([whole, said])].map((name) => ({ says: 'a name', of: 'part', name }))
}
