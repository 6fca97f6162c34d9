import type { Id } from '../../base/id'
import type { NewPlaces } from '../../order/refit'
import type { Goal } from '../../order/wish'
import type { Access } from '../../procedure/access'
import type { Ending } from '../../procedure/end'
import { goesBack } from '../../procedure/endings'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Build } from '../../procedure/when'
import type { Kit } from '../../shop/kit'
import { isFittedIn, kitHere, type FittedKit, type KitHere } from '../../shop/kitHere'
import type { PlanRequest } from './planRequest'

/** What a job is for: openings and parts, and kits with their work, as they are on the build that is known. */
export type JobGoal = {
  goals: readonly Goal[]
  kits: readonly KitHere[]
  endings: ReadonlyMap<Id, Ending>
  /** Nothing is tried before trim hides it: by choice, with its risk. */
  closeAtOnce?: boolean
}

/** Every goal of a job: those chosen, and what the kits' work items need open. Each once. */
export function allGoals(job: JobGoal): Goal[] {
  const goals: Goal[] = [
    ...job.goals,
    ...job.kits.flatMap(({ fit }) => Object.values(fit.access).flat().map(goalOf)),
    // What something of the kit stands in for has to be out.
    ...[...replacedIn(job).keys()].map((partId) => ({
      kind: 'part' as const,
      partId,
      level: 'off' as const,
      ifThere: true as const,
    })),
  ]
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
  const carried = carriedOf(job)
  for (const partId of carried.keys()) endings.delete(partId)
  const anew = new Map<Id, Pick<CarriedOver, 'fastenedBy'>>([...carried, ...replacedIn(job)])
  for (const [partId, { fastenedBy }] of anew)
    for (const holder of model.holdersOf.get(partId) ?? [])
      if (!fastenedBy.includes(holder.id) && holder.holds.every((id) => anew.has(id) || !goesBack(endings.get(id))))
        endings.set(holder.id, 'scrapped')
  return endings
}

/** A part of the vehicle on its new carrier, and what holds it there. */
export type CarriedOver = { ontoId: Id; fastenedBy: readonly Id[] }

/**
 * Parts that a kit moves to a part of its own, by part: they come back, there. What was decided for this job goes
 * before what the kit says.
 */
export function carriedOf({ kits, endings }: Pick<JobGoal, 'kits' | 'endings'>): Map<Id, CarriedOver> {
  const carried = new Map<Id, CarriedOver>()
  for (const { kit, fit } of kits)
    for (const { itemId, ending, onto, fastenedBy } of fit.endings)
      if (ending === 'moved' && kit.parts.some(({ id }) => id === onto) && !endings.has(itemId))
        carried.set(itemId, { ontoId: onto!, fastenedBy })
  return carried
}

/** The part of a kit that stands where a part of the vehicle was, and which of the old fasteners hold it. */
export type Replaced = { byId: Id; fastenedBy: readonly Id[] }

/**
 * Parts of the vehicle that a part of a kit stands in for, by part, where a piece of the kit's work fits that one: the
 * work is then the way back, and nothing of the old part is asked for besides. What was decided for this job goes
 * before what the kit says.
 */
export function replacedIn({ kits, endings }: Pick<JobGoal, 'kits' | 'endings'>): Map<Id, Replaced> {
  const replaced = new Map<Id, Replaced>()
  for (const { kit, fit } of kits)
    for (const { itemId, ending, by, fastenedBy } of fit.endings)
      if (ending === 'replaced' && !endings.has(itemId) && kit.works.some((work) => isFittedIn(work, by)))
        replaced.set(itemId, { byId: by!, fastenedBy })
  return replaced
}

/** The same as the way back asks for it. */
export function newPlaces(carried: ReadonlyMap<Id, unknown>, replaced: ReadonlyMap<Id, unknown>): NewPlaces {
  return { elsewhere: new Set(carried.keys()), stoodInFor: new Set(replaced.keys()) }
}

/** The kits that say how they meet a model. */
export function fittedKits(kits: readonly { kit: Kit }[], procedureId: string): FittedKit[] {
  return kits.flatMap(({ kit }) =>
    kit.fits.filter((fit) => fit.procedureId === procedureId).map((fit) => ({ kit, fit })),
  )
}

/** What a job is for, by its request and the build: what is known by now may be more than when it was asked. */
export function goalOfRequest(
  request: Pick<PlanRequest, 'goals' | 'kits' | 'endings'> & Partial<Pick<PlanRequest, 'policy'>>,
  build: Build,
): JobGoal {
  return {
    goals: request.goals,
    kits: request.kits.map((fitted) => kitHere(fitted, build)),
    endings: new Map(Object.entries(request.endings)),
    ...(request.policy?.tests === 'at hand-over' && { closeAtOnce: true }),
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
