import type { Drive, Holder } from './holder'
import { DRIVES } from './holderKinds'

/** The heads a bay meets, as the facts name them; every other is typed. Common practice, no source. */
export const COMMON_HEADS = [
  'six-lobe T10',
  'six-lobe T15',
  'six-lobe T20',
  'six-lobe T25',
  'six-lobe T30',
  'cross PH1',
  'cross PH2',
  'cross PH3',
  'cross PZ2',
  'hex 5.5',
  'hex 7',
  'hex 8',
  'hex 10',
  'hex 13',
  'hex socket 4',
  'hex socket 5',
  'slot',
] as const

/** As the record allows. */
const LONGEST_SIZE = 12

/** The drive most often seen, or the first recorded; null when the kind has none. */
export function usualDrive(holder: Holder): Drive | null {
  const best = [...holder.drives].sort((a, b) => b.seen - a.seen)[0]
  return best && best.drive !== 'none' ? best : null
}

/** "hex 7", "six-lobe T20": how a crew names the head; null without one. */
export function headOf(holder: Holder): string | null {
  const drive = usualDrive(holder)
  return drive ? `${drive.drive} ${drive.size}`.trim() : null
}

/** A head as a crew names it ("six-lobe T15") in its two fields; null when it is none. */
export function driveOf(head: string): Pick<Drive, 'drive' | 'size'> | null {
  const cut = head.lastIndexOf(' ')
  const [drive, size] = cut < 0 ? [head, ''] : [head.slice(0, cut), head.slice(cut + 1)]
  const known = DRIVES.find((name) => name === drive)
  return known && size.length <= LONGEST_SIZE ? { drive: known, size } : null
}

/** The group as it is on one vehicle, where another head was found than is recorded: that one, and no other. */
export function withHead(holder: Holder, head: string): Holder {
  const drive = driveOf(head)
  if (drive === null || headOf(holder) === head) return holder
  return { ...holder, drives: [{ ...drive, seen: 1 }] }
}

/** Every head that was seen on this group, the usual one first. */
export function headsOf(holder: Holder): string[] {
  const heads = [...holder.drives].sort((a, b) => b.seen - a.seen).filter((drive) => drive.drive !== 'none')
  return [...new Set(heads.map((drive) => `${drive.drive} ${drive.size}`.trim()))]
}
