import type { Unplaced } from '@/core/shorthand/factsToEdits'
import type { AskKind, Fact, Motion } from '@/core/shorthand/meaning'
import type { LineAnswer, LineQuestion } from '@/core/shorthand/lineQuestions'
import type { SaidTwice } from '@/core/strip/saidTwice'
import { headWords, plural } from './items'

/** A fact of a line in few words, as a chip shows it. */
export function factWords(fact: Fact): string {
  const about = 'of' in fact && fact.of && fact.fact !== 'traps' ? `${fact.of}: ` : ''
  const when = fact.when ? `, only ${fact.when}` : ''
  return `${about}${plainWords(fact)}${when}`
}

function plainWords(fact: Fact): string {
  switch (fact.fact) {
    case 'holder': {
      const head = fact.drive ? headWords({ drive: fact.drive, size: fact.size ?? '?' }) : ''
      const kind = head && fact.kind === 'machine screw' ? head : `${head} ${plural(fact.kind, fact.count ?? 2)}`.trim()
      return [
        `${fact.count ?? '?'} ${kind}`,
        fact.thread,
        fact.where,
        fact.behind && `behind ${fact.behind.join(' and ')}`,
        fact.holds && `holds ${fact.holds.join(' and ')}`,
      ]
        .filter(Boolean)
        .join(', ')
    }
    case 'release':
      return [
        fact.start && `start ${fact.start}`,
        ...(fact.motions ?? []).map(motionWords),
        fact.tool && `with ${fact.tool === 'hand' ? 'bare hands' : `the ${fact.tool}`}`,
        fact.effort && `${fact.effort} pull`,
        fact.protect && `protect with ${fact.protect}`,
      ]
        .filter(Boolean)
        .join(', ')
    case 'must not':
      return `never ${fact.what}`
    case 'plug':
      return [
        fact.leave ? `leave ${fact.name} plugged` : `plug ${fact.name}`,
        fact.colour,
        fact.latch,
        fact.tab && `tab ${fact.tab}`,
        fact.behind && `behind ${fact.behind.join(' and ')}`,
      ]
        .filter(Boolean)
        .join(', ')
    case 'rests':
      return fact.how
    case 'persons':
      return `${fact.count} people`
    case 'fixing':
      return fact.fixing
    case 'brittle':
      return 'brittle'
    case 'refit':
      return `back: ${[fact.first && `${fact.first} first`, fact.leadsFirst && 'leads through first', fact.startAll && 'start all by hand', fact.snug && 'snug', fact.align && `align ${fact.align}`, fact.listen && `listen for the ${fact.listen}`].filter(Boolean).join(', ')}`
    case 'setting':
      return `${fact.setting} ${fact.value}`
    case 'traps':
      return `${fact.by} traps ${fact.of}`
    case 'mirrored':
      return 'the same on the other side'
    case 'part':
      return `${fact.part}${fact.level ? ` ${fact.level}` : ''}`
  }
}

function motionWords({ move, to, turn, sense, seenFrom }: Motion): string {
  return [move, turn, sense, seenFrom && `seen from ${seenFrom}`, to].filter(Boolean).join(' ')
}

const ASK_WORDS: Record<AskKind, string> = {
  forward: 'Forward: toward the nose, or toward you?',
  'whose left': 'Left or right of whom? Say driver side or passenger side.',
  'turn sense': 'Turn which way, seen from where? “clockwise seen from the front”.',
  size: 'Which size? “T20”, “PH2”, “hex 7”.',
  drive: 'Which drive? “T20”, “PH2”, “hex 7”.',
  count: 'How many?',
  kind: 'Of what? Name the fastener: “clips”, “T20”, “push-pins”.',
  part: 'Which part or plug? Name it.',
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
    case 'asks':
      return ASK_WORDS[question.ask]
  }
}

/** What stands on the tap of an answer. */
export function lineAnswerWords(answer: LineAnswer): string {
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
    case 'not here':
      return `${what} is not placed: pick the part on the map and tap Copy to the other side.`
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
    default:
      return 'about it'
  }
}
