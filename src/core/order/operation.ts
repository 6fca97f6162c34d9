import type { Id } from '../base/id'

/** Acts of the way in, and what turns each round on the way out. `feed` brings a lead through its aperture first. */
export type InAct = 'undo' | 'release' | 'open' | 'lift' | 'set'
export type OutAct = 'fasten' | 'seat' | 'close' | 'place' | 'restore' | 'feed'

/** A setting held at another value only while a setting act is done ("ignition on, lever out, ignition off"). */
export type Momentary = { settingId: Id; value: string; methodId: Id; back: string; backMethodId: Id }

export type SettingAct = { settingId: Id; from: string; to: string; methodId: Id; momentary: Momentary[] }

/**
 * A derived act. `key` is made of the same ids as the facts, so that it survives a replan ("undo:h1", "set:lever=out by m2").
 * `itemId` is the holder, part, tether or setting; `partId` the part whose card it belongs to (null for settings).
 */
export type Operation = {
  key: string
  phase: 'in' | 'out'
  act: InAct | OutAct
  itemId: Id
  partId: Id | null
  setting: SettingAct | null
}

/** Why one operation comes before another. `needId` names the stated fact; the others follow from what holds and ties a part. */
export type Because =
  | { kind: 'holds'; holderId: Id; partId: Id }
  | { kind: 'lifts'; partId: Id }
  | { kind: 'tethers'; tetherId: Id; partId: Id }
  | { kind: 'need'; needId: Id }
  | { kind: 'in one go'; partId: Id }
  | { kind: 'airbag'; tetherId: Id; settingId: Id }
  | { kind: 'lead through'; tetherId: Id }
  | { kind: 'set back'; settingId: Id }
  | { kind: 'goal' }

export type Edge = { before: string; after: string; because: Because }

export const undoKey = (holderId: Id) => `undo:${holderId}`
export const releaseKey = (partId: Id) => `release:${partId}`
export const openKey = (tetherId: Id) => `open:${tetherId}`
export const liftKey = (partId: Id) => `lift:${partId}`
export const setKey = (settingId: Id, value: string, methodId: Id) => `set:${settingId}=${value} by ${methodId}`

const TURNED: Record<InAct, OutAct> = { undo: 'fasten', release: 'seat', open: 'close', lift: 'place', set: 'restore' }

/** The act that takes back an act of the way in: undo and fasten, release and seat, open and close, lift and place. */
export function turnedRound(act: InAct): OutAct {
  return TURNED[act]
}
