import { readFileSync } from 'node:fs'
import { ENGLISH } from '.'
import { itemsOf } from '../items'
import { readLine } from '../read'
import type { Language, Rule } from '../sense'
import { wordsOf } from '../words'

const corpus = (name: string) => readFileSync(`src/core/shorthand/corpus/${name}`, 'utf8')

/** Every line whose meaning is written down: the corpus of before, six hands, and the lines of single rules. */
export function writtenLines(): string[] {
  const listed = ['firstHalf', 'secondHalf', 'ruleLines'].flatMap(
    (name) => JSON.parse(corpus(`${name}.json`)) as { line: string }[],
  )
  const hands = corpus('sixHands.jsonl')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { line: string })
  return [...listed, ...hands].map(({ line }) => line)
}

/**
 * The rules without which every line reads as before. Only lines that a rule is part of can miss it: a cheapest cover
 * stays the cheapest when a rule beside it goes. Cost: a reading for each item of each line.
 */
export function unmissedRules(lines: readonly string[]): Rule[] {
  const readBy = new Map<Rule, string[]>()
  for (const line of lines)
    for (const rule of new Set(itemsOf(wordsOf(line), ENGLISH).best.rules))
      readBy.set(rule, [...(readBy.get(rule) ?? []), line])
  // One language in which any rule can be switched off: its tree of patterns is made once.
  let off: Rule | null = null
  const rules = ENGLISH.rules.map((rule): Rule => ({
    ...rule,
    make: (...values) => (rule === off ? null : rule.make(...values)),
  }))
  const without: Language = { ...ENGLISH, rules }
  return ENGLISH.rules.filter((rule) => {
    off = rule
    return (readBy.get(rule) ?? []).every((line) => saidOf(line, without) === saidOf(line, ENGLISH))
  })
}

function saidOf(line: string, language: Language): string {
  const { facts, asks, unread, left } = readLine(line, language).read
  return JSON.stringify([
    facts.map(({ fact }) => fact),
    asks.map(({ ask }) => ask),
    unread.map(({ word }) => word.text),
    left.map(({ text }) => text),
  ])
}
