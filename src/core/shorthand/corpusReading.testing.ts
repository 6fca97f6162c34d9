import type { CorpusLine, Fact } from './meaning'
import { asksOf, understand } from './understand'

/**
 * How a line of the corpus was read. Misread: a fact that the line does not state, or nothing asked where something
 * must be.
 */
export type Reading = {
  line: string
  verdict: 'understood' | 'in part' | 'misread'
  got: ReturnType<typeof understand>
}

export function readCorpusLine({ line, facts, asks }: CorpusLine): Reading {
  const got = understand(line)
  const wanted = facts.map(canonical)
  const stated = got.facts.map(canonical)
  const asked = asksOf(got)
  const unasked = asks.some((ask) => !asked.includes(ask))
  const wrong = stated.some((fact) => !wanted.includes(fact))
  const same = !wrong && wanted.every((fact) => stated.includes(fact)) && stated.length === wanted.length
  if (same && !unasked && asked.length === asks.length && got.notUnderstood.length === 0)
    return { line, verdict: 'understood', got }
  // What is shown beside a question or an unread word is not taken without a look.
  const held = asked.length > 0 || got.notUnderstood.length > 0
  return { line, verdict: wrong && !held ? 'misread' : unasked && !held ? 'misread' : 'in part', got }
}

function canonical(fact: Fact): string {
  return JSON.stringify(Object.entries(fact).sort(([a], [b]) => (a < b ? -1 : 1)))
}
