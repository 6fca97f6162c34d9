import type { Rule, Said } from '../../sense'
import { driveOf, ONE } from '../numbers'

type Make = Rule['make']
/** A rule of the language: what it is read by, what it makes, and what it costs where that is not the usual. */
export const rule = (pattern: string, make: Make, cost?: number): Rule => ({
  pattern,
  make,
  ...(cost !== undefined && { cost }),
})
/** An item whose fields are the classes of its pattern, in order. */
export const is = (name: string, ...fields: string[]): Make => {
  return (...values) => ({ is: name, ...Object.fromEntries(fields.map((field, i) => [field, values[i] ?? null])) })
}

export const count = (n: string | null, unsure = false): Said => ({
  is: 'count',
  count: n === null ? null : Number(n),
  unsure,
  ...(n === ONE && { soft: true }),
})
export const sized = (size: string | null): Said => ({ is: 'drive', drive: driveOf(size!), size })
const sizeIn: Record<string, string> = { cross: 'PH', posi: 'PZ', 'six-lobe': 'T' }
export const driveNumber: Make = (drive, n) => ({
  is: 'drive',
  drive: drive === 'posi' ? 'cross' : drive,
  size: n === null ? null : `${sizeIn[drive!] ?? ''}${n}`,
})
export const kind = (value: string | null): Said => ({
  is: 'kind',
  kind: value!.replace('*', ''),
  several: value!.endsWith('*'),
})

/** A plug's name with the noun that is part of it: "hazard switch". */
export const named = (name: string, noun: string) => (noun === '' ? name : `${name} ${noun}`)

export function corner(place: string, side: string): string {
  return `${place === 'bottom' ? 'lower' : place} ${side}`
}
