import type { AskKind } from './meaning'
import type { Understood } from './understand'

type Span = { from: number; to: number }

/** What has to be settled before a line is taken. `asks`: something the line leaves open. */
export type LineQuestion =
  | ({ kind: 'unread' } & Understood['notUnderstood'][number])
  | ({ kind: 'heard' } & Understood['heard'][number])
  | ({ kind: 'which part' } & Understood['whichPart'][number])
  | { kind: 'asks'; ask: AskKind; span: Span | null }

/** What a tap settles: how the line then reads (`line`), or that a word in it is a name. */
export type LineAnswer =
  { says: 'this' | 'leave it out'; words: string; line: string } | { says: 'a name'; of: 'part' | 'plug'; name: string }

/** The questions of a line in the order they are asked in: a word nobody knows first, the others may come of it. */
export function lineQuestions(understood: Understood, line: string): LineQuestion[] {
  const { notUnderstood, heard, whichPart, asks } = understood
  // Which part of several, and what was heard, are asked by name.
  const named = (ask: AskKind) => ask === 'heard' || (ask === 'part' && whichPart.length > 0)
  return [
    ...notUnderstood.map((word): LineQuestion => ({ kind: 'unread', ...word })),
    ...heard.map((word): LineQuestion => ({ kind: 'heard', ...word })),
    ...whichPart.map((word): LineQuestion => ({ kind: 'which part', ...word })),
    ...asks
      .filter((ask) => !named(ask))
      .map((ask): LineQuestion => ({ kind: 'asks', ask, span: ask === 'forward' ? forwardIn(line) : null })),
  ]
}

/** The answers a tap can give to a question; none where only words can. */
export function answersTo(question: LineQuestion, line: string): LineAnswer[] {
  const instead = (span: Span, words: string): LineAnswer => ({ says: 'this', words, line: changed(line, span, words) })
  switch (question.kind) {
    case 'unread':
      return [
        ...question.nearest.map((words) => instead(question, words)),
        ...(question.isTrade ? [] : namesAt(line, question)),
        { says: 'leave it out', words: '', line: changed(line, question, '') },
      ]
    case 'heard':
      return [instead(question, question.meant)]
    case 'which part':
      return question.choices.map((words) => instead(question, words))
    case 'asks': {
      const { span } = question
      return span === null ? [] : ['toward you', 'toward the nose'].map((words) => instead(span, words))
    }
  }
}

function changed(line: string, { from, to }: Span, words: string): string {
  return `${line.slice(0, from)}${words}${line.slice(to)}`.replace(/\s+/g, ' ').trimStart()
}

function forwardIn(line: string): Span | null {
  const found = /\bforwards?\b/i.exec(line)
  return found && { from: found.index, to: found.index + found[0].length }
}

/**
 * What an unknown word may be the name of: a plug where something is unplugged, else a part, with the words that go on
 * from it.
 */
function namesAt(line: string, { from, to }: Span): LineAnswer[] {
  const said = line.slice(from, to).toLowerCase()
  if (/\b(unplug|plug|connector|disconnect|lead|hose)\b/i.test(line))
    return [{ says: 'a name', of: 'plug', name: said }]
  const rest = /^[a-z][a-z' -]*/i.exec(line.slice(from))?.[0].trim().split(/\s+/) ?? [said]
  const whole = rest.slice(0, 3).join(' ').toLowerCase()
  return [...new Set([whole, said])].map((name) => ({ says: 'a name', of: 'part', name }))
}
