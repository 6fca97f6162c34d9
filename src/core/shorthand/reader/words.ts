/** A word of a line, in the form it is looked up by, and where it stands there. */
export type Word = { text: string; from: number; to: number }

/**
 * What is one word: a thread, a size, a fraction, a number, a short form with a slash, letters, or a sign. A hyphen
 * parts two words.
 */
const WORD =
  /m\d+(?:[.,]\d+)?\s?x\s?\d+(?!\d)|(?:ph|pz|tx|t|m)\d+(?=s?(?![\p{L}\d]))|\d+\/\d+|\d+[.,]\d+|\d+(?:st|nd|rd|th)(?!\p{L})|b4(?![\p{L}\d])|\d+|\p{L}{1,2}\/\p{L}?(?!\p{L})|\p{L}+(?:'\p{L}+)*|[^\s-]/giu

/** The words and signs of a line in order. Cost: one pass. */
export function wordsOf(line: string): Word[] {
  // Some letters are longer in lower case: they stay, so that every place is one of the line.
  const lower = (letter: string) => (letter.toLowerCase().length === letter.length ? letter.toLowerCase() : letter)
  const plain = line.replace(/[’‘]/g, "'").replace(/\p{Lu}/gu, lower)
  const words: Word[] = []
  for (const match of plain.matchAll(WORD)) {
    const from = match.index
    const text = match[0].replace(/\s/g, '')
    // "T20s": more than one of them.
    if (text === 's' && words.at(-1)?.to === from && /\d$/.test(words.at(-1)!.text)) words.at(-1)!.to = from + 1
    else words.push({ text, from, to: from + match[0].length })
  }
  return words
}
