import { z } from 'zod'
import { Id } from '../base/id'
import { Position } from './view'
import { When } from './when'

export const HOLDER_KINDS = [
  'machine screw',
  'self-tapping screw',
  'bolt',
  'nut',
  'plastic nut',
  'spring clip',
  'fir-tree clip',
  'push-pin',
  'pull-pin',
  'quarter-turn',
  'expanding rivet',
  'rivet nut',
  'well nut',
  'slide-on clip nut',
  'stud and grommet',
  'retaining pin',
  'adhesive',
  'hook-and-loop',
  'cable tie',
] as const
export type HolderKind = (typeof HOLDER_KINDS)[number]

/** Kinds a driver turns; the rest come off by hand or with the pry tool. */
export const THREADED_KINDS: readonly HolderKind[] = ['machine screw', 'self-tapping screw', 'bolt', 'nut', 'plastic nut', 'rivet nut', 'well nut']

export const DRIVES = ['hex', 'hex socket', 'six-lobe', 'cross', 'slot', 'none'] as const

/** A drive may vary between examples nobody can predict: keep each with how often it was seen. */
export const Drive = z.object({
  drive: z.enum(DRIVES),
  size: z.string().max(12).default(''),
  seen: z.number().int().min(0).default(0),
})
export type Drive = z.infer<typeof Drive>

export const Thread = z.object({
  diameterMm: z.number().positive().max(30),
  lengthMm: z.number().positive().max(300),
  pitchMm: z.number().positive().max(5).nullable().default(null),
  /** How deep a screw may go before it meets something. */
  greatestDepthMm: z.number().positive().max(300).nullable().default(null),
})

export const Reach = z.object({
  by: z.enum(['sight', 'mirror', 'feel']).default('sight'), lookFrom: z.string().max(120).default(''),
  depthMm: z.number().positive().max(1000).nullable().default(null),
  headroomMm: z.number().positive().max(1000).nullable().default(null),
  powerTool: z.enum(['not said', 'no', 'out only', 'out and in']).default('not said'),
})

/** A group of identical fasteners. What hides it is a need ('covers'), never a field. */
export const Holder = z.object({
  id: Id,
  kind: z.enum(HOLDER_KINDS),
  drives: z.array(Drive).max(4).default([]),
  count: z.number().int('A count is a whole number.').min(1, 'A group has at least one fastener.').max(99),
  /** Empty: a loose end of a strip, undone before anybody knows what it holds. Counted, and left out of every derivation. */
  holds: z.array(Id).max(6),
  captive: z.boolean().default(false),
  /** A stack in order, head first: screw, sleeve, washer. */
  stack: z.array(z.string().trim().min(1).max(40)).max(8).default([]),
  /** How to tell it from a lookalike, where the thread does not say so. */
  tell: z.string().max(200).default(''),
  thread: Thread.nullable().default(null),
  torqueNm: z.number().positive().max(400).nullable().default(null),
  reuse: z.enum(['reuse', 'single use']).default('reuse'),
  reach: Reach.default(() => Reach.parse({})),
  positions: z.array(Position).max(99).default([]),
  note: z.string().max(1000).default(''),
  when: When.default({}),
})
export type Holder = z.infer<typeof Holder>

export function newHolder(id: Id, partId: Id): Holder {
  return Holder.parse({ id, kind: 'spring clip', count: 1, holds: [partId] })
}

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
  const parsed = Drive.safeParse(cut < 0 ? { drive: head } : { drive: head.slice(0, cut), size: head.slice(cut + 1) })
  return parsed.success ? { drive: parsed.data.drive, size: parsed.data.size } : null
}

/** The group as it is on one vehicle, where another head was found than is recorded. */
export function withHead(holder: Holder, head: string): Holder {
  const drive = driveOf(head)
  if (drive === null || headOf(holder) === head) return holder
  const others = holder.drives.filter((other) => other.drive !== drive.drive || other.size !== drive.size)
  return { ...holder, drives: [{ ...drive, seen: Math.max(0, ...others.map((other) => other.seen)) + 1 }, ...others].slice(0, 4) }
}

/** Every head that was seen on this group, the usual one first. */
export function headsOf(holder: Holder): string[] {
  const heads = [...holder.drives].sort((a, b) => b.seen - a.seen).filter((drive) => drive.drive !== 'none')
  return [...new Set(heads.map((drive) => `${drive.drive} ${drive.size}`.trim()))]
}

/** Same head, other thread or length: a hand can confuse them, so they never share a tray. */
export function areLookalikes(a: Holder, b: Holder): boolean {
  if (a.id === b.id || !THREADED_KINDS.includes(a.kind) || !THREADED_KINDS.includes(b.kind)) return false
  // A nut and a screw with one head are never taken for each other.
  if (isNut(a.kind) !== isNut(b.kind)) return false
  const head = headOf(a)
  if (head === null || head !== headOf(b)) return false
  return !areIdentical(a, b)
}

function isNut(kind: HolderKind): boolean {
  return kind.endsWith('nut')
}

/** One pool: same kind, head and thread, so that any of them fits any of their holes. */
export function areIdentical(a: Holder, b: Holder): boolean {
  if (a.kind !== b.kind || headOf(a) !== headOf(b)) return false
  if (a.thread === null || b.thread === null) return a.thread === b.thread
  return (
    a.thread.diameterMm === b.thread.diameterMm &&
    a.thread.lengthMm === b.thread.lengthMm &&
    a.thread.pitchMm === b.thread.pitchMm
  )
}
