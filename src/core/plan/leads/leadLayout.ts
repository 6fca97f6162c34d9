import type { Id } from '../../base/id'
import { ok, type Result } from '../../base/result'
import { layLeads } from '../../layout/layLeads'
import { MOST_LEADS, type Run } from '../../layout/problem'
import { endsOf, type AskedLead } from '../../leads/allowed'
import { cutMm } from '../../leads/length'
import type { Access } from '../../procedure/access'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { existsOn } from '../../procedure/existsOn'
import type { HouseValues } from '../../shop/houseValues'
import type { FittedKit } from '../../shop/kitHere'
import { NO_LEAD_FIT } from '../../shop/lead'
import { whilePlanning } from '../../vehicle/circumstances'
import type { Rule } from '../../vehicle/rule'
import { goalOfRequest } from '../ask/jobGoal'
import type { PlanRequest } from '../ask/planRequest'
import type { DeriveError } from '../derive/derivedJob'
import { AT_ONCE, findPlan } from '../find/findPlan'
import { accessChoices, askedLevels, type PartAccess } from './accessChoices'
import { leadProblem, type LeadProblem } from './leadProblem'
import { noWayBecause, type NoWay } from './noWay'
import { openingUnits } from './openingUnits'
import { otherWays, type OtherWay } from './otherWays'
import { nothingChosen } from '../ask/planChoices'

/** One way of a run, in the manner it is laid there, with what is open for it. */
export type RunLeg = { wayId: Id; layingId: Id; access: PartAccess[] }

/**
 * The way one lead takes: its points in order from its first end, a leg between each two, what its ends need open, and
 * where the coil lies while it is threaded (a place among the points). Lengths in mm: `cutMm` of one that is cut to
 * measure, `spareMm` of one that is supplied.
 */
export type FoundRun = {
  leadId: Id
  kitId: Id
  pointIds: Id[]
  legs: RunLeg[]
  endAccess: [PartAccess[], PartAccess[]]
  coilAt: number
  needMm: number
  cutMm: number | null
  spareMm: number | null
}

/**
 * What came of laying the leads of a job. `openS` and `layS`: seconds of opening and closing beyond the goals, and of
 * laying; `boundS`: nothing takes less; `bySight`: leads that the record has no points for.
 */
export type LeadLayout =
  | {
      kind: 'laid'
      runs: FoundRun[]
      openS: number
      layS: number
      boundS: number
      proven: boolean
      bySight: Id[]
      /** Openings of the goals were taken as they are; others might go better with the leads. */
      openingsTaken: boolean
      /** What it would cost to go otherwise, lead by lead and way by way: where it was asked for. */
      others: OtherWay[]
    }
  | { kind: 'no way'; because: NoWay; bySight: Id[] }

/** The leads of a request that this record has points for, and those it has none for. */
export function askedLeads(
  model: ProcedureForBuild,
  kits: readonly FittedKit[],
): { asked: (AskedLead & { kitId: Id })[]; bySight: Id[] } {
  const all = kits.flatMap(({ kit, fit }) =>
    kit.leads
      .filter(({ when }) => existsOn(when, model.build) !== 'no')
      .map((lead) => {
        const leadFit = fit.leads[lead.id] ?? NO_LEAD_FIT
        return { lead, fit: leadFit, ends: endsOf(model, lead, leadFit), kitId: kit.id }
      }),
  )
  const known = ({ ends }: AskedLead) => model.ways.size > 0 && ends.every((points) => points.length > 0)
  return { asked: all.filter(known), bySight: all.filter((one) => !known(one)).map(({ lead }) => lead.id) }
}

/**
 * The layout of all leads of a request at the least opening, laying and closing beyond what its goals and works open
 * anyway; or why there is none, with the facts in the way. `model`: of a request without lead works.
 *
 * Errors: those of the goals themselves. Cost: a glance at the plan without leads, a derivation for each access, and
 * the search of `layLeads`; `others` asks for a layout more for each lead and way.
 */
export function leadLayout(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules?: readonly Rule[],
  { others = false }: { others?: boolean } = {},
): Result<LeadLayout, DeriveError> {
  const { asked, bySight } = askedLeads(model, request.kits)
  const nothing = { runs: [], openS: 0, layS: 0, boundS: 0, proven: true, openingsTaken: false, others: [] }
  if (asked.length === 0) return ok({ kind: 'laid', ...nothing, bySight })
  if (asked.length > MOST_LEADS)
    return ok({ kind: 'no way', because: { kind: 'too many', leads: asked.length, most: MOST_LEADS }, bySight })
  const goal = goalOfRequest(request, model.build)
  const circumstances = whilePlanning(house, rules)
  const glance = findPlan(model, request, house, rules, { limits: AT_ONCE })
  const choices = glance.ok ? glance.value.choices : nothingChosen(request.policy)
  const accesses = accessesOf(model, asked)
  const levels = askedLevels(model, accesses)
  const parts = accesses.flatMap((access) => accessChoices(model, [access], levels).flat())
  const units = openingUnits(model, goal, choices, circumstances, parts)
  if (!units.ok) return units
  const laid = leadProblem(model, asked, units.value, levels, circumstances)
  const found = layLeads(laid.problem)
  if (found.kind === 'none')
    return ok({ kind: 'no way', because: noWayBecause(model, asked, laid, found.lead, found.proven), bySight })
  const runs = found.runs.map((run, k) => foundRun(asked[k]!, laid, k, run))
  const layS = found.runs.reduce((sum, run, k) => sum + laidMs(laid, k, run), 0) / 1000
  const openingsTaken = goal.goals.some(
    (item) => item.kind === 'cavity' && (model.cavities.get(item.cavityId)?.openings.length ?? 0) > 1,
  )
  const { proven, boundMs, costMs } = found
  return ok({
    ...{ kind: 'laid', runs, layS, openS: costMs / 1000 - layS, boundS: boundMs / 1000 },
    ...{ proven: proven && !openingsTaken, bySight, openingsTaken },
    others: others ? otherWays(model, asked, laid, found) : [],
  })
}

/** Everything that laying any of these leads may need open. */
function accessesOf(model: ProcedureForBuild, asked: readonly AskedLead[]): Access[] {
  return [
    ...[...model.ways.values()].flatMap(({ layings }) => layings.flatMap(({ access }) => access)),
    ...asked.flatMap(({ ends }) => ends.flat().flatMap((id) => model.waypoints.get(id)!.access)),
  ]
}

function laidMs({ problem }: LeadProblem, k: number, run: Run): number {
  return run.arcs.reduce((sum, arc) => sum + problem.leads[k]!.arcs[arc]!.layMs, 0)
}

/** A run of the bare problem in the record's own words. */
function foundRun(asked: AskedLead & { kitId: Id }, laid: LeadProblem, k: number, run: Run): FoundRun {
  const { lead, kitId } = asked
  const arcs = run.arcs.map((arc) => ({ arc: laid.problem.leads[k]!.arcs[arc]!, of: laid.meaning[k]![arc]! }))
  const ends = arcs.flatMap(({ of }) => (of.kind === 'end' ? [of] : []))
  const ways = arcs.flatMap(({ arc, of }) => (of.kind === 'way' ? [{ arc, of }] : []))
  const needMm = arcs.reduce((sum, { arc }) => sum + arc.mm, 0)
  return {
    ...{ leadId: lead.id, kitId, needMm },
    // The first and the last are points of the lead's own.
    pointIds: run.points.slice(1, -1).map((point) => laid.pointIds[point]!),
    legs: ways.map(({ of: { way, laying, access } }) => ({ wayId: way.id, layingId: laying.id, access })),
    endAccess: [ends[0]!.access, ends.at(-1)!.access],
    coilAt: coilOf(ways.map(({ arc }) => arc.pass)),
    cutMm: lead.suppliedMm === null ? cutMm(needMm) : null,
    spareMm: lead.suppliedMm === null ? null : Math.floor(lead.suppliedMm) - needMm,
  }
}

/** The first point before which the first end gets through everything, and after which the second end does. */
function coilOf(passes: readonly number[]): number {
  for (let at = 0; at <= passes.length; at++)
    if (passes.slice(0, at).every((pass) => pass & 1) && passes.slice(at).every((pass) => pass & 2)) return at
  return 0
}
