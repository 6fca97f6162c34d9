import type { Id } from '../../base/id'
import { BENCH } from '../../procedure/stations'
import type { WorkItem } from '../../shop/workItem'
import type { Step } from '../find/step'
import { costOf, suppliesToBring } from '../../shop/supplyBranches'
import type { FunctionLacking } from '../../shop/functionsLacking'
import { blockedAtFirst } from './blockedAtFirst'
import { allSteps, type PlanOnCards } from './planOnCards'

/** What a customer is told of an hour: in the order in which it happens. */
export const PHASES = ['open', 'bench', 'leads', 'fit', 'set up', 'close', 'waiting'] as const
export type Phase = (typeof PHASES)[number]

/**
 * One phase of a job: how long, and what it costs. Waiting costs nothing: nobody stands there. Whole minutes add up to
 * the promise, as the money does.
 */
export type PhaseLine = { phase: Phase; seconds: number; minutes: number; minor: number | null }
export type PartLine = { itemId: Id; of: 'part' | 'holder'; count: number; minor: number | null }

/**
 * What a job is promised as. Money in whole minor units; null = the shop has set no price for an hour. `totalMinor`
 * leaves out what has no price (`unpriced`: how many things).
 */
export type Quotation = {
  parts: PartLine[]
  partsMinor: number
  unpriced: number
  phases: PhaseLine[]
  labourMinor: number | null
  totalMinor: number
  vehicleS: number
  benchS: number
  /** The promise in whole minutes, rounded up once, and what of it is at the vehicle and at the bench. */
  minutes: { together: number; vehicle: number; bench: number }
  gained: { id: Id; name: string }[]
  blocked: FunctionLacking[]
  /** Functions of the vehicle that are touched and stay, that work differently, and that are lost. */
  kept: Id[]
  changed: Id[]
  lost: Id[]
  /** Changes for good on the vehicle: none, and it can be put back to what it was. */
  changes: { what: string; where: string }[]
  plugsOpened: number
}

const SET_UP: readonly WorkItem['kind'][] = ['set up', 'first start', 'inspect']

/** Which phase a step belongs to. */
export function phaseOf(plan: PlanOnCards, { operation: { act, phase, itemId } }: Pick<Step, 'operation'>): Phase {
  if (act === 'wait') return 'waiting'
  if (act === 'test') return 'set up'
  if (act === 'work') {
    const work = plan.job.works.get(itemId)!
    if (work.station === BENCH) return 'bench'
    return work.kind === 'route a lead' ? 'leads' : SET_UP.includes(work.kind) ? 'set up' : 'fit'
  }
  return phase === 'in' || act === 'decide' ? 'open' : 'close'
}

/**
 * The quotation of a plan. `perHourMinor`: what the shop asks for an hour of work; a second pair of hands at a step is
 * not charged by itself. Cost: O(steps + things).
 */
export function quotationOf(plan: PlanOnCards, perHourMinor: number | null): Quotation {
  const seconds = new Map<Phase, number>(PHASES.map((phase) => [phase, 0]))
  const add = (phase: Phase, s: number) => seconds.set(phase, seconds.get(phase)! + s)
  for (const step of allSteps(plan)) add(phaseOf(plan, step), step.workS + step.setUpS)
  const charged = PHASES.filter((phase) => phase !== 'waiting')
  // What a roomier opening saves is saved where most of the work is: so no phase comes out below nothing.
  const longest = charged.reduce((a, b) => (seconds.get(b)! > seconds.get(a)! ? b : a))
  add(longest, plan.proof.totalS + plan.beforeS - [...seconds.values()].reduce((a, b) => a + b, 0))
  const labourMinor =
    perHourMinor === null
      ? null
      : Math.round((charged.reduce((sum, p) => sum + seconds.get(p)!, 0) * perHourMinor) / 3600)
  const shares = shared(
    labourMinor ?? 0,
    charged.map((phase) => seconds.get(phase)!),
  )
  const { job, request } = plan
  const [vehicleS, benchS] = [plan.proof.totalS - plan.benchS, plan.beforeS + plan.benchS]
  const together = Math.ceil((vehicleS + benchS) / 60 - 1e-9)
  const [vehicleMin, benchMin] = shared(together, [vehicleS, benchS])
  const minutes = shared(
    together,
    PHASES.map((phase) => seconds.get(phase)!),
  )
  const build = request.build
  const open = job.model.document.facets.filter(({ id }) => build[id] === undefined)
  const needs = suppliesToBring(request.kits, build, open).filter(({ needed }) => needed > 0)
  const unpriced = needs.filter(({ of, supply }) => of === 'part' && supply.priceMinor === null).length
  const partsMinor = costOf(needs)
  return {
    parts: needs.map(({ itemId, of, needed, supply }) => ({
      ...{ itemId, of, count: needed },
      minor: supply.priceMinor === null ? null : supply.priceMinor * needed,
    })),
    ...{ partsMinor, unpriced, labourMinor },
    phases: PHASES.map((phase) => ({
      ...{ phase, seconds: seconds.get(phase)!, minutes: minutes[PHASES.indexOf(phase)]! },
      minor: phase === 'waiting' || labourMinor === null ? null : shares[charged.indexOf(phase)]!,
    })),
    totalMinor: partsMinor + (labourMinor ?? 0),
    ...{ vehicleS, benchS, minutes: { together, vehicle: vehicleMin!, bench: benchMin! } },
    gained: [...job.added.values()].map(({ id, name }) => ({ id, name })),
    blocked: blockedAtFirst(plan),
    ...functionsOf(plan),
    changes: job.goal.kits
      .flatMap(({ kit }) => kit.changes)
      .filter(({ on }) => on === 'vehicle')
      .map(({ what, where }) => ({ what, where })),
    plugsOpened: [...job.removal.operations.values()].filter(({ act }) => act === 'open').length,
  }
}

/** What becomes of the vehicle's own functions. */
function functionsOf({ job }: PlanOnCards): Pick<Quotation, 'kept' | 'changed' | 'lost'> {
  const lost = new Set(job.goal.kits.flatMap(({ fit }) => fit.functionsTaken))
  const changed = new Set(job.goal.kits.flatMap(({ fit }) => fit.functionsChanged))
  for (const [id, ending] of job.endings)
    if (ending === 'left open and insulated')
      for (const functionId of job.model.tethers.get(id)?.functions ?? []) lost.add(functionId)
  const touched = [...job.removal.operations.values()].flatMap(({ act, itemId }) =>
    act === 'open' ? job.model.tethers.get(itemId)!.functions : [],
  )
  return {
    kept: [...new Set(touched)].filter((id) => !lost.has(id) && !changed.has(id)),
    changed: [...changed].filter((id) => !lost.has(id)),
    lost: [...lost],
  }
}

/**
 * A sum in whole units shared out by weight, so that the shares add up to it: each its whole part, then one more to
 * those with the greatest rests. Cost: O(n log n).
 */
export function shared(sum: number, weights: readonly number[]): number[] {
  const total = weights.reduce((a, b) => a + b, 0)
  if (total === 0) return weights.map(() => 0)
  const exact = weights.map((weight) => (sum * weight) / total)
  const shares = exact.map(Math.floor)
  const rest = sum - shares.reduce((a, b) => a + b, 0)
  const byRest = exact
    .map((value, i) => ({ i, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i)
  for (const { i } of byRest.slice(0, rest)) shares[i]! += 1
  return shares
}
