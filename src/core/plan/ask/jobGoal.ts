import type { Id } from '../../base/id'
import type { Goal } from '../../order/wish'
import type { Ending } from '../../procedure/end'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Build } from '../../procedure/when'
import type { Access, Kit } from '../../shop/kit'
import { kitHere, type FittedKit, type KitHere } from '../../shop/kitHere'
import type { PlanRequest } from './planRequest'

/** What a job is for: openings and parts, and kits with their work, as they are on the build that is known. */
export type JobGoal = { goals: readonly Goal[]; kits: readonly KitHere[]; endings: ReadonlyMap<Id, Ending> }

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

/** What a job is for, by its request and the build: what is known by now may be more than when it was asked. */
export function goalOfRequest(request: Pick<PlanRequest, 'goals' | 'kits' | 'endings'>, build: Build): JobGoal {
  return {
    goals: request.goals,
    kits: request.kits.map((fitted) => kitHere(fitted, build)),
    endings: new Map(Object.entries(request.endings)),
  }
}

/** The same once more is known of the build. */
export function goalOnceTold(goal: JobGoal, build: Build): JobGoal {
  return { ...goal, kits: goal.kits.map((fitted) => kitHere(fitted, build)) }
}

/** Facets that some condition of the kits asks about and nobody has told. */
export function openInKits({ kits }: JobGoal): ReadonlySet<Id> {
  return new Set(kits.flatMap(({ open }) => [...open]))
}
