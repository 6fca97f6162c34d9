import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Passed, Way } from '../procedure/way'
import type { Waypoint } from '../procedure/waypoint'
import type { KitLead, LeadFit } from '../shop/lead'
import type { Circumstances } from '../vehicle/circumstances'
import { isAmbient, matches, type JudgedAct } from '../vehicle/judge'
import type { Rule } from '../vehicle/rule'
import { isTooThick, leastBendMm } from './bore'

/** Why a lead may not take a way. */
export type Bar =
  | { kind: 'never'; why: string }
  /** The crew does without it: the way, or one of its points. */
  | { kind: 'not there'; itemId: Id }
  | { kind: 'rule'; rule: Rule; passed: Passed }
  | { kind: 'bend'; leastMm: number; hasMm: number }
  | { kind: 'too thick'; diameterMm: number }
  | { kind: 'does not flex' }
  | { kind: 'must stay dry'; pointId: Id }
  /** By a wet point where it has no end: without this, cabin leads would take the engine bay there and back. */
  | { kind: 'goes outside'; pointId: Id }

/** A lead as it asks for its way: what it is, and where its ends may be. */
export type AskedLead = { lead: KitLead; fit: LeadFit; ends: readonly [readonly Id[], readonly Id[]] }

/**
 * Everything that bars a way for a lead; empty = it may lie there. Rules of safety are those in force, asked as at any
 * other act, so that a shop's own rule bars as a built-in one does. Cost: O(rules x hazards).
 */
export function barsOf(model: ProcedureForBuild, asked: AskedLead, way: Way, circumstances: Circumstances): Bar[] {
  const points = [model.waypoints.get(way.from)!, model.waypoints.get(way.to)!]
  return [
    ...(way.never === '' ? [] : [{ kind: 'never', why: way.never } as const]),
    ...[way.id, ...points.map(({ id }) => id)]
      .filter((id) => asked.fit.notThrough.includes(id))
      .map((itemId): Bar => ({ kind: 'not there', itemId })),
    ...way.passes.flatMap((passed) =>
      layRules(model, way, passed, circumstances, 'refuses').map((rule): Bar => ({ kind: 'rule', rule, passed })),
    ),
    ...ownBars(asked.lead, way, points),
    ...wetBars(asked, points),
  ]
}

/** The rules that bite where a lead is laid by something. */
export function layRules(
  model: ProcedureForBuild,
  way: Way,
  passed: Passed,
  circumstances: Circumstances,
  effect: Rule['effect'],
): Rule[] {
  const act: JudgedAct = { act: 'lay', itemId: way.id, station: way.station, passed }
  return circumstances.rules.filter(
    (rule) =>
      rule.effect === effect &&
      rule.at?.acts.includes('lay') &&
      matches(model, rule.at, act, circumstances) &&
      rule.while.every((c) => !isAmbient(c) || c.kind !== 'wheels' || model.wheels === c.wheels),
  )
}

/** Where it moves: a door, a seat, a lid. */
function moves(way: Way): boolean {
  return way.slackMm > 0 || way.passes.some(({ kind }) => kind === 'hinge')
}

function ownBars(lead: KitLead, way: Way, points: readonly Waypoint[]): Bar[] {
  const bars: Bar[] = []
  const room = [way.bendMm, ...points.map(({ bendMm }) => bendMm)].filter((mm) => mm !== null)
  const leastMm = leastBendMm(lead.diameterMm, lead.bendMm, moves(way))
  if (room.length > 0 && Math.min(...room) < leastMm) bars.push({ kind: 'bend', leastMm, hasMm: Math.min(...room) })
  if (way.bore && isTooThick(lead.diameterMm, way.bore)) bars.push({ kind: 'too thick', diameterMm: lead.diameterMm })
  if (!lead.mayFlex && moves(way)) bars.push({ kind: 'does not flex' })
  return bars
}

function wetBars({ lead, fit, ends }: AskedLead, points: readonly Waypoint[]): Bar[] {
  const through = new Set([...ends.flat(), ...fit.through])
  return points.flatMap(({ id, wet }): Bar[] => {
    if (!wet) return []
    if (lead.mayGetWet === 'no') return [{ kind: 'must stay dry', pointId: id }]
    return lead.mayGetWet === 'yes' || through.has(id) ? [] : [{ kind: 'goes outside', pointId: id }]
  })
}

/** The points where each end of a lead may be: those its fit names and this build has, or all of the fitting kind. */
export function endsOf(model: ProcedureForBuild, lead: KitLead, fit: LeadFit): [Id[], Id[]] {
  const of = (end: 0 | 1): Id[] => {
    const named = fit.ends[end].filter((id) => model.waypoints.has(id))
    if (fit.ends[end].length > 0) return named
    return [...model.waypoints.values()].filter(({ kind }) => kind === lead.ends[end].to).map(({ id }) => id)
  }
  return [of(0), of(1)]
}
