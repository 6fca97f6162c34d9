import { compareText } from './compareText'
import type { Stamp } from './stamp'

const parts = (stamp: Stamp) => ({ wallMs: Number(stamp.slice(0, 16)), counter: parseInt(stamp.slice(17), 16) })
const format = (wallMs: number, counter: number): Stamp =>
  `${String(wallMs).padStart(16, '0')}-${counter.toString(16).padStart(4, '0')}`

const DAY_MS = 24 * 60 * 60_000

/**
 * Whether a stamp lies more than a day ahead of a clock: it would drag every later stamp along, for good. One from the
 * past only sorts early.
 */
export function isTooFarAhead(stamp: Stamp, nowMs: number): boolean {
  return wallMsOf(stamp) > nowMs + DAY_MS
}

/** The wall time a stamp was made at, in milliseconds since 1970. */
export function wallMsOf(stamp: Stamp): number {
  return parts(stamp).wallMs
}

/**
 * The stamp for the next event on a device: never before `last` (its own last stamp or the latest it
 * has seen from others), even when the device's clock was set back.
 */
export function nextStamp(last: Stamp | null, nowMs: number): Stamp {
  if (last === null) return format(nowMs, 0)
  const seen = parts(last)
  if (nowMs > seen.wallMs) return format(nowMs, 0)
  return seen.counter >= 0xffff ? format(seen.wallMs + 1, 0) : format(seen.wallMs, seen.counter + 1)
}

export function laterStamp(a: Stamp | null, b: Stamp | null): Stamp | null {
  if (a === null) return b
  if (b === null) return a
  return compareText(a, b) >= 0 ? a : b
}
