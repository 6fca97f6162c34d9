import type { Id } from '../base/id'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { THREADED_KINDS, type HolderKind } from '../procedure/holderKinds'
import type { Drive, Holder } from '../procedure/holder'

export const CATCHES = ['panel', 'screw', 'clip', 'plug', 'setting', 'way', 'caution', 'photo', 'note'] as const
export type Catch = (typeof CATCHES)[number]

/** A head on a kind of screw, or a kind of clip, and how often this shop has met it. */
export type Usual = { kind: HolderKind; drive: Drive['drive']; size: string; times: number }

/**
 * What is physically plausible on any vehicle: offered after what the shop has met, never a limit. Common practice, no
 * source.
 */
const PLAUSIBLE: readonly [HolderKind, Drive['drive'], string][] = [
  ['machine screw', 'six-lobe', 'T20'],
  ['machine screw', 'cross', 'PH2'],
  ['machine screw', 'hex', '7'],
  ['bolt', 'hex', '10'],
  ['machine screw', 'six-lobe', 'T25'],
  ['bolt', 'hex', '8'],
  ['machine screw', 'six-lobe', 'T15'],
  ['machine screw', 'six-lobe', 'T30'],
  ['nut', 'hex', '10'],
  ['machine screw', 'hex socket', '4'],
  ['machine screw', 'hex socket', '5'],
  ['machine screw', 'cross', 'PZ2'],
  ['spring clip', 'none', ''],
  ['fir-tree clip', 'none', ''],
  ['push-pin', 'none', ''],
  ['quarter-turn', 'slot', ''],
  ['expanding rivet', 'none', ''],
  ['hook-and-loop', 'none', ''],
  ['cable tie', 'none', ''],
  ['stud and grommet', 'none', ''],
]

/**
 * Kinds and heads in the order in which a shop meets them, counted over all its records, then what is plausible anyway.
 */
export function usualFasteners(documents: readonly ProcedureDocument[]): Usual[] {
  const met = new Map<string, Usual>()
  const count = (kind: HolderKind, drive: Drive['drive'], size: string, times: number) => {
    const key = `${kind} ${drive} ${size}`
    met.set(key, { kind, drive, size, times: (met.get(key)?.times ?? 0) + times })
  }
  for (const { holders } of documents)
    for (const holder of holders)
      for (const { drive, size } of holder.drives.length > 0 ? holder.drives : [{ drive: 'none' as const, size: '' }])
        count(holder.kind, drive, size, 1)
  for (const [kind, drive, size] of PLAUSIBLE) count(kind, drive, size, 0)
  return [...met.values()].sort((a, b) => b.times - a.times)
}

export function isScrew({ kind }: Pick<Holder, 'kind'>): boolean {
  return THREADED_KINDS.includes(kind)
}

/**
 * What somebody most likely catches next: after a panel was named its clips and screws, once it has come forward its
 * plugs, and when nothing ties it any more the next panel. Never more than an order of buttons.
 */
export function likelyNext(document: ProcedureDocument, state: JobState, inHand: Id | null): Catch {
  if (inHand === null) return 'panel'
  const level = levelNow(state, inHand)
  if (level === 'off') return 'panel'
  if (level === 'free') return 'plug'
  const held = document.holders.filter((holder) => holder.holds.includes(inHand))
  return held.some((holder) => !isScrew(holder)) ? 'screw' : 'clip'
}

/** Parts to offer by name: those of the record that are still in place, then what is offered everywhere. */
export function partsInPlace(document: ProcedureDocument, state: JobState): Id[] {
  return document.parts.filter((part) => levelNow(state, part.id) === 'in place').map((part) => part.id)
}
