import type { Id } from '../base/id'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import type { Kit } from '../shop/kit'
import { KitFit, type FitAccess } from '../shop/kitFit'
import type { FittedKit } from '../shop/kitHere'
import { isAtBench } from '../shop/atBench'
import { firstTimes } from './looseEnds'

/** As many things as one piece of work may need open. */
const MOST_ACCESS = 8

/**
 * A kit as it is fitted while a model is stripped for the first time: as somebody has said it meets this model, else
 * with every piece of its work done and every lead laid while all of it is open, which holds up what came off last and
 * so goes home first.
 * Cost: O(parts x log parts).
 */
export function kitOnStrip(kit: Kit, procedureId: string, document: ProcedureDocument, state: JobState): FittedKit {
  const said = kit.fits.find((fit) => fit.procedureId === procedureId)
  if (said) return { kit, fit: said }
  const times = firstTimes(state)
  const open = document.parts
    .flatMap(({ id }): FitAccess[] => {
      const level = levelNow(state, id)
      return level === 'in place' ? [] : [{ kind: 'part', partId: id, level, when: {} }]
    })
    .sort((a, b) => cameOff(times, b) - cameOff(times, a))
    .slice(0, MOST_ACCESS)
  const atVehicle = [...kit.works.filter((work) => !isAtBench(work)), ...kit.leads]
  const access = Object.fromEntries(atVehicle.map(({ id }) => [id, open]))
  return { kit, fit: KitFit.parse({ procedureId, access }) }
}

function cameOff(times: ReadonlyMap<Id, number>, access: FitAccess): number {
  return access.kind === 'part' ? (times.get(access.partId) ?? -1) : -1
}
