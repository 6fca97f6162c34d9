import type { Id } from '@/core/base/id'
import { headFit, threadsOfCross } from '@/core/standards/headFit'
import { withDefaultTests } from '@/core/procedure/defaultTests'
import type { ProcedureDocument } from '@/core/procedure/document'
import { THREADED_KINDS } from '@/core/procedure/holderKinds'
import { driveOf, usualDrive } from '@/core/procedure/heads'
import type { Holder } from '@/core/procedure/holder'

/** How a crew names a head: "hex 7", "T20", "PH2". The size says the drive where everybody knows it. */
export function headWords(drive: { drive: string; size: string }): string {
  if (drive.drive === 'six-lobe' && drive.size !== '') return drive.size
  if (drive.drive === 'cross' && drive.size !== '')
    return drive.size.startsWith('P') ? drive.size : `cross ${drive.size}`
  return `${drive.drive} ${drive.size}`.trim()
}

/** "T15", "hex 7": a head in one piece ("six-lobe T15"), as a crew says it. */
export function headInWords(head: string): string {
  return headWords(driveOf(head) ?? { drive: head, size: '' })
}

/** "6", "about 6", "5 to 7", "some". */
function countWords({ count, howMany, countMost }: HolderNamed): string {
  if (howMany === 'unknown') return 'some'
  if (howMany !== 'about') return `${count}`
  return countMost !== null && countMost !== undefined && countMost > count
    ? `${count} to ${countMost}`
    : `about ${count}`
}

type HolderNamed = Pick<Holder, 'kind' | 'drives' | 'count'> & Partial<Pick<Holder, 'howMany' | 'countMost'>>

/** "9 spring clips", "2 T20", "some hex 7". */
export function holderWords(holder: HolderNamed): string {
  const drive = usualDrive(holder as Holder)
  if (drive && THREADED_KINDS.includes(holder.kind)) return `${countWords(holder)} ${headWords(drive)}`
  return `${countWords(holder)} ${plural(holder.kind, holder.howMany === 'unknown' ? 2 : holder.count)}`
}

/** "9 spring clips", without its count: "spring clips". */
export function holderKindWords(holder: Holder): string {
  const drive = usualDrive(holder)
  return drive && THREADED_KINDS.includes(holder.kind) ? headWords(drive) : plural(holder.kind, holder.count)
}

/** Words that do not take an s at their end, or can't be counted by themselves: one, and several. */
const UNEVEN: { [word: string]: [one: string, several: string] } = {
  'stud and grommet': ['stud in its grommet', 'studs in grommets'],
  adhesive: ['strip of adhesive', 'strips of adhesive'],
  'hook-and-loop': ['strip of hook-and-loop', 'strips of hook-and-loop'],
}

export function plural(word: string, count: number): string {
  const [one, several] = UNEVEN[word] ?? [word, `${word}s`]
  return count === 1 ? one : several
}

/** "M4 × 16". */
export function threadWords(holder: Pick<Holder, 'thread'>): string {
  const thread = holder.thread
  return thread ? `M${thread.diameterMm} × ${thread.lengthMm}` : ''
}

/** What a driver is called on a bag list. */
export function toolWords(tool: string): string {
  const [drive, size] = [tool.split(' ').slice(0, -1).join(' '), tool.split(' ').at(-1) ?? '']
  if (drive === 'six-lobe') return `${size} driver (six-lobe)`
  if (drive === 'cross') return `${size} driver (cross)`
  if (drive === 'hex') return `hex ${size} mm${alsoInch(tool)}`
  if (drive === 'hex socket') return `hex key ${size} mm${alsoInch(tool)}`
  if (drive === 'slot') return `flat driver ${size} mm`
  return tool === 'hand' ? 'bare hands' : tool
}

/** The inch size that fits as well, where one does. */
function alsoInch(head: string): string {
  const { inch } = headFit(head)
  return inch ? ` (${inch} in fits)` : ''
}

/** What else fits a head and what only seems to; empty where nothing is known. */
export function fitWords(head: string): string {
  const { bored, strip, climbOut } = headFit(head)
  const threads = threadsOfCross(head)
  return [
    bored && 'a bored bit of this size fits too',
    threads && `screws ${threads}`,
    ...strip.map((size) => `not ${size}: it goes in and strips`),
    ...climbOut.map((size) => `not ${size}: it climbs out`),
  ]
    .filter(Boolean)
    .join('; ')
}

/** The part a holder holds or a tether ties; a loose end of a strip has none yet. */
export function ownerWords(
  document: ProcedureDocument,
  item: { holds: readonly Id[] } | { partId: Id | null },
): string {
  const id = 'holds' in item ? item.holds[0] : item.partId
  return id ? itemWords(document, id) : 'nothing settled yet'
}

/** Names a thing of any kind for a sentence; an id that is gone is said to be gone. */
export function itemWords(document: ProcedureDocument, id: Id): string {
  const part = document.parts.find((item) => item.id === id)
  if (part) return part.name
  const holder = document.holders.find((item) => item.id === id)
  if (holder)
    return holder.holds.length > 0 ? `${holderWords(holder)} of ${ownerWords(document, holder)}` : holderWords(holder)
  const named = [
    ...document.tethers,
    ...document.settings,
    ...document.cavities,
    ...withDefaultTests(document).functions,
    ...document.views,
    ...document.facets,
    ...document.waypoints,
    ...document.ways,
  ].find((item) => item.id === id)
  if (named) return named.name
  const method = document.settings.flatMap((setting) => setting.methods).find((item) => item.id === id)
  return method?.name ?? 'something no longer in the record'
}
