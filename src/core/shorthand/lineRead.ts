import type { Understood } from './understand'

/** A stretch of a line, and what became of it: in a fact, asked about, in no fact, or nothing that says something. */
export type Stretch = { words: string; is: 'fact' | 'asked' | 'left' | 'talk' }

/** The whole line in stretches, in order; put together they are the line. */
export function lineRead(line: string, { words, notUnderstood, heard, whichPart, left }: Understood): Stretch[] {
  const is: Stretch['is'][] = Array.from({ length: line.length }, () => 'talk')
  const mark = (places: readonly { from: number; to: number }[], as: Stretch['is']) => {
    for (const { from, to } of places) for (let i = from; i < to; i++) is[i] = as
  }
  mark(words.flat(), 'fact')
  mark(left, 'left')
  mark([...notUnderstood, ...heard, ...whichPart], 'asked')
  const stretches: Stretch[] = []
  for (let i = 0; i < line.length; i++) {
    const last = stretches.at(-1)
    if (last && last.is === is[i]) last.words += line[i]!
    else stretches.push({ words: line[i]!, is: is[i]! })
  }
  return stretches
}

/** What of a line is in no fact, as it was said. */
export function inNoFact(line: string, { left }: Understood): string {
  const parts: { from: number; to: number }[] = []
  for (const { from, to } of left) {
    const last = parts.at(-1)
    if (last && /^[\s,]*$/.test(line.slice(last.to, from))) last.to = to
    else parts.push({ from, to })
  }
  return parts.map(({ from, to }) => line.slice(from, to)).join(' … ')
}
