/** How deep a value may nest: a record of facts needs eight. */
const DEEPEST = 40

/** A surrogate without its other half: no character, and no database takes it. */
const HALF_CHARACTER = /\p{Cs}/gu

/** Text that every place can keep: without NUL, and with U+FFFD for halves of characters (Unicode, from memory). */
export function cleanText(text: string): string {
  return text.replaceAll('\0', '').replace(HALF_CHARACTER, '\uFFFD')
}

/**
 * A value that came in from outside, with every text of it cleaned; texts that need nothing stay as they are. What
 * nests deeper than anything of ours becomes null there, for the parser to refuse. What is no plain object, list or
 * text (a file, a date) is left alone. Cost: O(size).
 */
export function cleaned(value: unknown, depth = 0): unknown {
  if (typeof value === 'string') return cleanText(value)
  if (typeof value !== 'object' || value === null) return value
  if (depth >= DEEPEST) return null
  if (Array.isArray(value)) return value.map((item) => cleaned(item, depth + 1))
  const shape: unknown = Object.getPrototypeOf(value)
  if (shape !== Object.prototype && shape !== null) return value
  return Object.fromEntries(Object.entries(value).map(([key, item]) => [cleanText(key), cleaned(item, depth + 1)]))
}
