import type { Id } from '../../base/id'
import type { Goal } from '../../order/wish'
import type { Ending } from '../../procedure/end'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Access, Kit, KitFit } from '../../shop/kit'
import type { PlanRequest } from './planRequest'

/** A kit as it meets one model. Without a fit it can't be planned there. */
export type FittedKit = { kit: Kit; fit: KitFit }

/** What a job is for: openings and parts, and kits with their work. */
export type JobGoal = { goals: readonly Goal[]; kits: readonly FittedKit[]; endings: ReadonlyMap<Id, Ending> }

/** Every goal of a job: those chosen, and what the kits' work items need open. Each once. */
export function allGoals(job: JobGoal): Goal[] {
  const goals = [...job.goals, ...job.kits.flatMap(({ fit }) => Object.values(fit.access).flat().map(goalOf))]
  return [...new Map(goals.map((goal) => [JSON.stringify(goal), goal])).values()]
}

export function goalOf(access: Access): Goal {
  return access.kind === 'cavity'
    ? { kind: 'cavity', cavityId: access.cavityId }
    : { kind: 'part', partId: access.partId, level: access.level }
}

/** What becomes of everything: the record's usual ends, then the kits', then what was chosen for this job. */
export function endingsOf(model: ProcedureForBuild, job: JobGoal): Map<Id, Ending> {
  const endings = new Map<Id, Ending>()
  for (const part of model.parts.values()) if (part.usualEnd !== 'refitted') endings.set(part.id, part.usualEnd)
  for (const { fit } of job.kits) for (const { itemId, ending } of fit.endings) endings.set(itemId, ending)
  for (const [itemId, ending] of job.endings) endings.set(itemId, ending)
  return endings
}

/** The kits that say how they meet a model. */
export function fittedKits(kits: readonly { kit: Kit }[], procedureId: string): FittedKit[] {
  return kits.flatMap(({ kit }) =>
    kit.fits.filter((fit) => fit.procedureId === procedureId).map((fit) => ({ kit, fit })),
  )
}

/** What a job is for, as its request keeps it. */
export function goalOfRequest(request: Pick<PlanRequest, 'goals' | 'kits' | 'endings'>): JobGoal {
  return { goals: request.goals, kits: request.kits, endings: new Map(Object.entries(request.endings)) }
}
