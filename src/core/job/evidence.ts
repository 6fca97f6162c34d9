import { compareText } from '../base/compareText'
import type { Id } from '../base/id'
import type { Stamp } from '../base/stamp'
import type { Source } from '../procedure/source'
import type { ProcedureDocument } from '../procedure/document'
import { foldJob } from './fold'
import { saysAlready } from './proposals'
import { confirmedBy, type JobHistory } from './strips'
import { thingOf } from './thingOf'

export type Witness = { personId: Id; label: string; at: Stamp }

/** Something entered at the desk, and where whoever did it has it from. */
export type Entry = { itemId: Id; personId: Id; atMs: number; source: Source }

/**
 * Who stated a thing, who entered or changed it last at the desk, and who bore it out or found it otherwise on which
 * vehicle.
 */
export type Evidence = {
  stated: Witness | null
  entered: Entry | null
  confirmed: Witness[]
  contradicted: (Witness & { field: string; value: string })[]
}

/**
 * The evidence of every thing of a record: from the events of the jobs on it, and from what was entered at the desk;
 * both are append-only and stand outside every revision. Stated: the strip that named it first. What was found
 * otherwise and is in the record by now bears it out. Cost: a fold of each job.
 */
export function evidenceOf(
  document: ProcedureDocument,
  jobs: readonly JobHistory[],
  entries: readonly Entry[] = [],
): Map<Id, Evidence> {
  const all = new Map<Id, Evidence>()
  const of = (id: Id): Evidence => {
    const evidence = all.get(id) ?? { stated: null, entered: null, confirmed: [], contradicted: [] }
    all.set(id, evidence)
    return evidence
  }
  for (const job of jobs) addJob(document, job, of)
  for (const entry of entries) {
    const evidence = of(entry.itemId)
    if (evidence.entered === null || evidence.entered.atMs <= entry.atMs) evidence.entered = entry
  }
  return all
}

/** What one job bears out or contradicts. */
function addJob(document: ProcedureDocument, job: JobHistory, of: (id: Id) => Evidence): void {
  const state = foldJob(document, job.events)
  const last = new Map<Id, Witness>()
  for (const { what, personId, at, certainty } of state.history) {
    const witness = { personId, label: job.label, at }
    if (what.kind === 'stated')
      for (const edit of what.edits)
        if (edit.kind === 'add') of(edit.item.id).stated = earlier(of(edit.item.id).stated, witness)
    const id = thingOf(what)
    if (id !== null && certainty === 'counted') last.set(id, witness)
  }
  const bornOut = new Set(confirmedBy(document, state))
  for (const id of bornOut) {
    const witness = last.get(id)
    if (witness) of(id).confirmed.push(witness)
  }
  for (const { itemId, field, value, personId, at } of state.deviations) {
    const witness = { personId, label: job.label, at }
    if (saysAlready(document, itemId, field, value)) {
      // One vehicle bears a thing out once.
      if (!bornOut.has(itemId)) of(itemId).confirmed.push(witness)
      bornOut.add(itemId)
    } else of(itemId).contradicted.push({ ...witness, field, value })
  }
}

function earlier(a: Witness | null, b: Witness): Witness {
  return a !== null && compareText(a.at, b.at) <= 0 ? a : b
}
