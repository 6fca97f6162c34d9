import type { Id } from '../base/id'
import { danglingReferences, type DanglingReference } from './references'
import type { ProcedureDocument } from './document'
import { areLookalikes, THREADED_KINDS, usualDrive } from './holder'
import { mayRestFree } from './part'
import { isElectrical } from './tether'

/** What is missing or wrong in a record as it stands, as things: the interface makes the sentence and the jump. */
export type FactProblem =
  | { kind: 'reference'; itemId: Id; reference: DanglingReference }
  | { kind: 'nothing holds it'; itemId: Id }
  | { kind: 'no latch' | 'no tab side' | 'no circuit' | 'no function'; itemId: Id }
  | { kind: 'no way to set'; itemId: Id; value: string }
  | { kind: 'lookalike without thread'; itemId: Id; otherId: Id }
  | { kind: 'drive without size'; itemId: Id }
  | { kind: 'marks differ'; itemId: Id; marks: number; count: number }
  | { kind: 'may not rest'; itemId: Id; partId: Id }
  | { kind: 'no cavity' }

/** Every fact that is missing or does not fit the others, in the order of what would hurt first. Cost: O(items + pairs of screws with one head). */
export function checkFacts(document: ProcedureDocument): FactProblem[] {
  const problems: FactProblem[] = danglingReferences(document).map((reference) => ({ kind: 'reference', itemId: reference.itemId, reference }))
  for (const tether of document.tethers) {
    if (isElectrical(tether) && tether.circuit === null) problems.push({ kind: 'no circuit', itemId: tether.id })
    if (isElectrical(tether) && tether.latch === null) problems.push({ kind: 'no latch', itemId: tether.id })
    else if (tether.latch !== null && ['press tab', 'squeeze two tabs', 'lever'].includes(tether.latch) && tether.tabSide === null) problems.push({ kind: 'no tab side', itemId: tether.id })
    if (isElectrical(tether) && tether.functions.length === 0) problems.push({ kind: 'no function', itemId: tether.id })
  }
  for (const need of document.needs) {
    const needed = need.needs
    const part = needed.kind === 'part' && needed.level === 'free' ? document.parts.find((item) => item.id === needed.partId) : null
    if (part && !mayRestFree(part)) problems.push({ kind: 'may not rest', itemId: need.id, partId: part.id })
    if (needed.kind === 'setting') {
      const setting = document.settings.find((item) => item.id === needed.settingId)
      if (setting && setting.asFound !== needed.value && !setting.methods.some((method) => method.to === needed.value))
        problems.push({ kind: 'no way to set', itemId: setting.id, value: needed.value })
    }
  }
  const held = new Set(document.holders.flatMap((holder) => holder.holds))
  for (const part of document.parts) if (part.fixing === 'fastened' && !held.has(part.id)) problems.push({ kind: 'nothing holds it', itemId: part.id })
  document.holders.forEach((holder, i) => {
    const drive = usualDrive(holder)
    if (THREADED_KINDS.includes(holder.kind) && (drive === null || drive.size === '')) problems.push({ kind: 'drive without size', itemId: holder.id })
    if (holder.positions.length > 0 && holder.positions.length !== holder.count) problems.push({ kind: 'marks differ', itemId: holder.id, marks: holder.positions.length, count: holder.count })
    for (const other of document.holders.slice(i + 1))
      if (areLookalikes(holder, other) && (holder.thread === null || other.thread === null)) problems.push({ kind: 'lookalike without thread', itemId: (holder.thread === null ? holder : other).id, otherId: (holder.thread === null ? other : holder).id })
  })
  if (document.cavities.length === 0 && document.parts.length > 0) problems.push({ kind: 'no cavity' })
  return problems
}
