import type { Understood } from '@/core/shorthand/understand'
import { askSentences, unreadSentence } from '../words/shorthandWords'

/** A question about a line, and the answers a tap can give, each with the line as it then reads. */
export type LineQuestion = { sentence: string; answers: ({ words: string; line: string } | { words: string; name: { kind: 'part' | 'plug'; name: string } })[] }

/** What has to be settled before a line is taken, in the order in which it is asked. */
export function lineQuestions(understood: Understood, line: string): LineQuestion[] {
  const changed = (from: number, to: number, words: string) => `${line.slice(0, from)}${words}${line.slice(to)}`.replace(/\s+/g, ' ').trimStart()
  const forward = /\bforwards?\b/i.exec(line)
  const asked = askSentences(understood).map((sentence): LineQuestion => ({
    sentence,
    answers: [
      ...(forward && sentence.startsWith('Forward') ? ['toward you', 'toward the nose'].map((words) => ({ words, line: changed(forward.index, forward.index + forward[0].length, words) })) : []),
      ...understood.heard.filter(({ said }) => sentence.includes(`“${said}”`)).map(({ said, meant }) => ({ words: meant, line: changed(line.indexOf(said), line.indexOf(said) + said.length, meant) })),
      ...understood.whichPart.filter(({ said }) => sentence.includes(`“${said}”`)).flatMap(({ said, choices }) => choices.map((words) => ({ words, line: changed(line.indexOf(said), line.indexOf(said) + said.length, words) }))),
    ],
  }))
  const unread = understood.notUnderstood.map((word): LineQuestion => ({
    sentence: unreadSentence(word),
    answers: [
      ...word.nearest.map((words) => ({ words, line: changed(word.from, word.to, words) })),
      ...namesAt(line, word.from, word.to).map((name) => ({ words: `${name.kind === 'part' ? 'a part' : 'a plug'} called “${name.name}”`, name })),
      { words: 'leave it out', line: changed(word.from, word.to, '') },
    ],
  }))
  // A word nobody knows is settled first: the other questions may come of it.
  return [...unread, ...asked]
}

/** What an unknown word may be the name of: a plug where something is unplugged, else a part, with the words that go on from it. */
function namesAt(line: string, from: number, to: number): { kind: 'part' | 'plug'; name: string }[] {
  const said = line.slice(from, to).toLowerCase()
  if (/\b(unplug|plug|connector|disconnect|lead|hose)\b/i.test(line)) return [{ kind: 'plug', name: said }]
  const whole = /^[a-z][a-z' -]*/i.exec(line.slice(from))?.[0].trim().split(/\s+/).slice(0, 3).join(' ').toLowerCase() ?? said
  return [...new Set([whole, said])].map((name) => ({ kind: 'part', name }))
}
