import type { SaidTwice } from '@/core/strip/saidTwice'
import type { Understood } from '@/core/shorthand/understand'
import { askSentences, unreadSentence } from '@/words/shorthandWords'

type Named = { kind: 'part' | 'plug'; name: string }
/** What a tap settles: how the line then reads, or what is a name in it. */
export type LineAnswer = { words: string; line: string; name?: Named } | { words: string; name: Named }
/** That a name said again is of the same thing. */
export type SameAnswer = { words: string; same: string }

/** A question about a line, and the answers a tap can give. */
export type LineQuestion = { sentence: string; answers: LineAnswer[] }

/** What has to be settled before a line is taken, in the order in which it is asked. */
export function lineQuestions(understood: Understood, line: string): LineQuestion[] {
  const changed = (from: number, to: number, words: string) =>
    `${line.slice(0, from)}${words}${line.slice(to)}`.replace(/\s+/g, ' ').trimStart()
  const forward = /\bforwards?\b/i.exec(line)
  const asked = askSentences(understood).map((sentence): LineQuestion => ({
    sentence,
    answers: [
      ...(forward && sentence.startsWith('Forward')
        ? ['toward you', 'toward the nose'].map((words) => ({
            words,
            line: changed(forward.index, forward.index + forward[0].length, words),
          }))
        : []),
      ...understood.heard
        .filter(({ said }) => sentence.includes(`“${said}”`))
        .map(({ said, meant }) => ({
          words: meant,
          line: changed(line.indexOf(said), line.indexOf(said) + said.length, meant),
        })),
      ...understood.whichPart
        .filter(({ said }) => sentence.includes(`“${said}”`))
        .flatMap(({ said, choices }) =>
          choices.map((words) => ({
            words,
            line: changed(line.indexOf(said), line.indexOf(said) + said.length, words),
          })),
        ),
    ],
  }))
  const unread = understood.notUnderstood.map((word): LineQuestion => ({
    sentence: unreadSentence(word),
    answers: [
      ...word.nearest.map((words) => ({ words, line: changed(word.from, word.to, words) })),
      ...namesAt(line, word.from, word.to).map((name) => ({
        words: `${name.kind === 'part' ? 'a part' : 'a plug'} called “${name.name}”`,
        name,
      })),
      { words: 'leave it out', line: changed(word.from, word.to, '') },
    ],
  }))
  // A word nobody knows is settled first: the other questions may come of it.
  return [...unread, ...asked]
}

/** A name that has come off or open already: the same, or another of that name, which then has a name of its own. */
export function sameOrAnother(
  { kind, name, another }: SaidTwice,
  line: string,
): { sentence: string; answers: (LineAnswer | SameAnswer)[] } {
  const at = line.toLowerCase().indexOf(name.toLowerCase())
  const renamed = at < 0 ? line : `${line.slice(0, at)}${another}${line.slice(at + name.length)}`
  const sentence =
    kind === 'part'
      ? `The ${name.toLowerCase()} is off already. The same, or another?`
      : `Plug ${name} is open already. The same, or another?`
  return {
    sentence,
    answers: [
      { words: `another: ${another}`, line: renamed, name: { kind, name: another } },
      { words: 'the same', same: name },
    ],
  }
}

/**
 * What an unknown word may be the name of: a plug where something is unplugged, else a part, with the words that go on
 * from it.
 */
function namesAt(line: string, from: number, to: number): { kind: 'part' | 'plug'; name: string }[] {
  const said = line.slice(from, to).toLowerCase()
  if (/\b(unplug|plug|connector|disconnect|lead|hose)\b/i.test(line)) return [{ kind: 'plug', name: said }]
  const whole =
    /^[a-z][a-z' -]*/i.exec(line.slice(from))?.[0].trim().split(/\s+/).slice(0, 3).join(' ').toLowerCase() ?? said
  return [...new Set([whole, said])].map((name) => ({ kind: 'part', name }))
}
