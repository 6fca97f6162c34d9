import { inchFraction, inchSocketFor, MM_PER_INCH } from './inchSocket'

/** What is worth knowing about the driver for a head. Empty lists where nothing is known. */
export type HeadFit = {
  /** The inch size that fits as well ("5/16"), or null. */
  inch: string | null
  /** A bored bit of the same size, for heads with a pin, fits a plain head as well. */
  bored: boolean
  /** Sizes that go in and strip the head. */
  strip: string[]
  /** Sizes that climb out of it. */
  climbOut: string[]
}

const NOTHING_KNOWN: HeadFit = { inch: null, bored: false, strip: [], climbOut: [] }

/** Six-lobe heads: across opposite lobes (dimension A), in mm. ISO 10664, from memory. */
const SIX_LOBE_ACROSS_MM: Record<string, number> = {
  T6: 1.75,
  T8: 2.4,
  T10: 2.8,
  T15: 3.35,
  T20: 3.95,
  T25: 4.5,
  T27: 5.1,
  T30: 5.6,
  T40: 6.75,
  T45: 7.93,
  T50: 8.95,
  T55: 11.35,
}
const SIX_LOBE = Object.keys(SIX_LOBE_ACROSS_MM)

/** Inch hexagon keys as they are sold, in sixty-fourths of an inch. */
const INCH_KEYS_64THS: readonly number[] = [5, 6, 7, 8, 9, 10, 12, 14, 16, 20, 24]
/**
 * A key may be so much smaller than its socket and still hold; larger it does not go in. Common practice, no source.
 */
const KEY_UNDER_MM = 0.07
/** A six-lobe bit so near a hexagon socket's width is taken for its key. Common practice, no source. */
const LOBE_IN_SOCKET_MM = 0.15

/** Threads that a cross head of each size is made on. ISO 4757, from memory. */
const CROSS_THREADS: Record<string, string> = { '1': 'M2 to M3', '2': 'M3.5 to M5', '3': 'M6', '4': 'M8 to M10' }

/**
 * What else fits a head and what only seems to. `head`: drive and size as holders state them
 * ("hex 8", "hex socket 4", "six-lobe T20", "cross PH2", "cross PZ2"). Rules not in a standard are common practice, no
 * source.
 */
export function headFit(head: string): HeadFit {
  const at = head.lastIndexOf(' ')
  const [drive, size] = [head.slice(0, at), head.slice(at + 1)]
  const number = Number(size)
  if (drive === 'hex' && number > 0) return { ...NOTHING_KNOWN, inch: inchSocketFor(number) }
  if (drive === 'hex socket' && number > 0)
    return {
      ...NOTHING_KNOWN,
      inch: inchKeyFor(number),
      strip: SIX_LOBE.filter((name) => Math.abs(SIX_LOBE_ACROSS_MM[name]! - number) < LOBE_IN_SOCKET_MM),
    }
  if (drive === 'six-lobe' && SIX_LOBE.includes(size))
    return { ...NOTHING_KNOWN, bored: true, strip: SIX_LOBE.slice(0, SIX_LOBE.indexOf(size)).slice(-1) }
  const cross = /^P([HZ])([1-4])$/.exec(size)
  return drive === 'cross' && cross
    ? { ...NOTHING_KNOWN, climbOut: [`P${cross[1] === 'H' ? 'Z' : 'H'}${cross[2]}`] }
    : NOTHING_KNOWN
}

/** "M3.5 to M5" for "cross PH2": what such a head is made on; null for other heads. */
export function threadsOfCross(head: string): string | null {
  const size = /^cross P[HZ]([1-4])$/.exec(head)?.[1]
  return size ? CROSS_THREADS[size]! : null
}

/** The inch key that goes into a metric socket and holds ("5/32" for 4 mm), or null. */
export function inchKeyFor(socketMm: number): string | null {
  const found = INCH_KEYS_64THS.find((over) => {
    const underMm = socketMm - (over / 64) * MM_PER_INCH
    return underMm >= 0 && underMm <= KEY_UNDER_MM
  })
  return found === undefined ? null : inchFraction(found, 64)
}
