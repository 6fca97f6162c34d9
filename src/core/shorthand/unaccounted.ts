import type { Fact } from './meaning'
import type { Phrase } from './scan'

/** What names a thing: a line that says it and a fact that does not have it disagree. */
const NAMES = new Set(['Part', 'PlugName'])
/** What may stand between a name and a letter or number that belongs to it. */
const ENDS = /^(?:[a-z]|\d+)$/i

/**
 * Names of a line that stand in none of its facts, and single letters or numbers right after a name ("main a", "outlet
 * 2"): a fact is never taken as if such a word had not been there. `words`: every word of the line, with its place.
 * Cost: O(phrases x facts).
 */
export function unaccounted(
  line: string,
  phrases: readonly Phrase[],
  facts: readonly Fact[],
): { begin: number; end: number }[] {
  const said = new Set(facts.flatMap(namesIn).map((name) => name.toLowerCase()))
  const found: { begin: number; end: number }[] = []
  phrases.forEach((phrase, i) => {
    if (!NAMES.has(phrase.token)) return
    if (facts.length > 0 && ![...said].some((name) => name.includes(phrase.value.toLowerCase())))
      found.push({ begin: phrase.from, end: phrase.to })
    // "main a" at the end of what it says: the letter is part of the name, and no article.
    const rest = line.slice(phrase.to, phrases[i + 1]?.from ?? line.length)
    const letter = /^\s+([a-z])\s*(?:$|[,;.:])/i.exec(
      rest + (phrases[i + 1]?.token === 'Separator' ? phrases[i + 1]!.said : ''),
    )
    if (letter && ENDS.test(letter[1]!))
      found.push({
        begin: phrase.to + letter[0].indexOf(letter[1]!),
        end: phrase.to + letter[0].indexOf(letter[1]!) + 1,
      })
  })
  return found
}

/** Every name a fact has: of parts, plugs and settings. */
function namesIn(fact: Fact): string[] {
  return Object.entries(fact).flatMap(([field, value]): string[] => {
    if (field === 'fact' || field === 'kind') return []
    if (typeof value === 'string') return [value]
    return Array.isArray(value)
      ? value.flatMap((item) =>
          typeof item === 'string'
            ? [item]
            : Object.values(item as object).filter((inner): inner is string => typeof inner === 'string'),
        )
      : []
  })
}
