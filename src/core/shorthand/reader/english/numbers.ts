import type { Sense } from '../sense'

const UNITS =
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  )
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ')

/** The word "one", as a number: 1. */
export const ONE = '01'

/** Numbers in words up to ninety-nine, and a dozen. */
export const NUMBER_WORDS: readonly [string, string][] = [
  ...UNITS.map((word, i): [string, string] => [word, String(i + 1)]),
  ...TENS.flatMap((word, i) => [
    [word, String((i + 2) * 10)] as [string, string],
    ...UNITS.slice(0, 9).map((unit, j): [string, string] => [`${word} ${unit}`, String((i + 2) * 10 + j + 1)]),
  ]),
  ['dozen', '12'],
  ['a dozen', '12'],
]

/** "T20", "PH2", "M5x16", "3/8", "12": what a word is by its form. */
export function byForm(text: string): Sense[] {
  if (/^\d+$/.test(text)) return [{ is: 'NUM', value: String(Number(text)) }]
  if (/^\d+[.,]\d+$/.test(text)) return [{ is: 'DECIMAL', value: text.replace(',', '.') }]
  if (/^\d+\/\d+$/.test(text)) return [{ is: 'FRACTION_NUM', value: text }]
  if (/^m\d+(?:[.,]\d+)?x\d+$/.test(text)) return [{ is: 'THREAD', value: text.replace('m', 'M') }]
  if (/^m\d+$/.test(text)) return [{ is: 'METRIC', value: text.replace('m', 'M') }]
  if (/^tx?\d+$/.test(text)) return [{ is: 'SIZE', value: text.replace(/^tx?/, 'T') }]
  if (/^p[hz]\d+$/.test(text)) return [{ is: 'SIZE', value: text.toUpperCase() }]
  return []
}

/** The drive that a size belongs to. */
export function driveOf(size: string): string {
  return size.startsWith('T') ? 'six-lobe' : 'cross'
}
