import { byKind, type ByKind } from '@/core/base/byKind'
import type { DependentAct } from '@/core/procedure/acts'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Need } from '@/core/procedure/need'
import { holderWords, itemWords, ownerWords } from './items'

const GONE = 'something no longer in the record'

/** What an act is called where it waits; `thing`: what it is done to. */
const WAITS: Readonly<Record<DependentAct, (thing: string) => string>> = {
  undo: (thing) => `undo ${thing}`,
  release: (thing) => `move ${thing}`,
  lift: (thing) => `lift ${thing} away`,
  open: (thing) => `unplug ${thing}`,
  ease: (thing) => `ease ${thing}`,
  method: (thing) => thing,
  place: (thing) => `way back: place ${thing}`,
  seat: (thing) => `way back: push ${thing} home`,
  close: (thing) => `way back: plug ${thing}`,
  fasten: (thing) => `way back: fasten ${thing}`,
  test: (thing) => `test ${thing}`,
}

/** "undo 4 hex 7 of Radio unit", "way back: plug main". */
export function dependentWords(document: ProcedureDocument, { act, id }: Need['dependent']): string {
  const thing = thingWords(document, id)
  return thing === null ? GONE : WAITS[act](thing)
}

function thingWords(document: ProcedureDocument, id: string): string | null {
  const holder = document.holders.find((item) => item.id === id)
  if (holder) return `${holderWords(holder)} of ${ownerWords(document, holder)}`
  const setting = document.settings.find(({ methods }) => methods.some((method) => method.id === id))
  if (setting) return `${setting.name}: ${setting.methods.find((method) => method.id === id)!.name}`
  const named = [...document.parts, ...document.tethers, ...document.functions].find((item) => item.id === id)
  return named?.name ?? null
}

const NEEDED: ByKind<Need['needs'], [ProcedureDocument], string> = {
  part: ({ partId, level }, document) => `${itemWords(document, partId)} is ${level}`,
  setting: ({ settingId, value }, document) => `${itemWords(document, settingId)} is ${value}`,
  tether: ({ tetherId, state }, document) => `plug ${itemWords(document, tetherId)} is ${state}`,
  station: ({ station }) => `nobody else is at the ${station}`,
  operation: (needed, document) => `done first: ${dependentWords(document, needed)}`,
}

/** "Centre surround is off", "done first: unplug main". */
export function neededWords(document: ProcedureDocument, needed: Need['needs']): string {
  return byKind(NEEDED, needed, document)
}

/** A need as one readable line: "4 hex 7 of Radio unit waits until Centre surround is off (covers)". */
export function needWords(document: ProcedureDocument, { dependent, needs }: Need): { waits: string; until: string } {
  const until = needs.kind === 'operation' ? dependentWords(document, needs) : neededWords(document, needs)
  return { waits: dependentWords(document, dependent), until }
}
