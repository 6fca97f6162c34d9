import { compareText, type Id } from '../base/id'
import type { Stamp } from '../base/clock'
import type { ProcedureDocument } from '../procedure/document'
import { foldJob } from './fold'
import { confirmedBy, type JobHistory } from './strips'

export type Witness = { personId: Id; label: string; at: Stamp }

/** Who stated a thing, and who bore it out or found it otherwise on which vehicle. */
export type Evidence = { stated: Witness | null; confirmed: Witness[]; contradicted: (Witness & { field: string; value: string })[] }

/**
 * The evidence of every thing of a record, from the events of the jobs on it: they are append-only and stand outside every revision,
 * so that nothing has to be kept twice. Stated: the strip that named it first. Cost: a fold of each job.
 */
export function evidenceOf(document: ProcedureDocument, jobs: readonly JobHistory[]): Map<Id, Evidence> {
  const all = new Map<Id, Evidence>()
  const of = (id: Id): Evidence => {
    const evidence = all.get(id) ?? { stated: null, confirmed: [], contradicted: [] }
    all.set(id, evidence)
    return evidence
  }
  for (const job of jobs) {
    const state = foldJob(document, job.events)
    const last = new Map<Id, Witness>()
    for (const { what, personId, at, certainty } of state.history) {
      const witness = { personId, label: job.label, at }
      if (what.kind === 'stated') for (const edit of what.edits) if (edit.kind === 'add') of(edit.item.id).stated = earlier(of(edit.item.id).stated, witness)
      const id = 'holderId' in what ? what.holderId : 'partId' in what ? what.partId : 'tetherId' in what ? what.tetherId : null
      if (id !== null && certainty === 'counted') last.set(id, witness)
    }
    for (const id of confirmedBy(document, state)) {
      const witness = last.get(id)
      if (witness) of(id).confirmed.push(witness)
    }
    for (const { itemId, field, value, personId, at } of state.deviations) of(itemId).contradicted.push({ personId, label: job.label, at, field, value })
  }
  return all
}

function earlier(a: Witness | null, b: Witness): Witness {
  return a !== null && compareText(a.at, b.at) <= 0 ? a : b
}
