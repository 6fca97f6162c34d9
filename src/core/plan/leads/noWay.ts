import type { Id } from '../../base/id'
import { layLeads } from '../../layout/layLeads'
import { LayoutProblem } from '../../layout/problem'
import type { AskedLead, Bar } from '../../leads/allowed'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { LeadProblem } from './leadProblem'

/**
 * Why leads can't be laid, each with the facts in the way.
 * - `barred`: points it reaches from its first end, and the ways at their border with all that bars each.
 * - `too short`: by so many mm against the shortest way it may take.
 * - `connectors`: it could be laid if an end's connector were fitted afterwards.
 * - `together`: a smallest set of leads that can't all be laid; each of them alone can.
 * - `not found`: the limits of the search ended it; `too many`: it was not begun.
 */
export type NoWay =
  | { kind: 'barred'; leadId: Id; reached: Id[]; border: { wayId: Id; bars: readonly Bar[] }[] }
  | { kind: 'too short'; leadId: Id; shortMm: number }
  | { kind: 'connectors'; leadId: Id }
  | { kind: 'together'; leadIds: Id[]; wayIds: Id[] }
  | { kind: 'not found' }
  | { kind: 'too many'; leads: number; most: number }

/** The witness of a layout that does not exist. `lead`: the one that has no run by itself; null where only together. */
export function noWayBecause(
  model: ProcedureForBuild,
  asked: readonly AskedLead[],
  laid: LeadProblem,
  lead: number | null,
  proven: boolean,
): NoWay {
  if (lead === null) return proven ? together(model, asked, laid) : { kind: 'not found' }
  const leadId = asked[lead]!.lead.id
  const alone = (change: (one: LayoutProblem['leads'][number]) => LayoutProblem['leads'][number]) =>
    layLeads(
      LayoutProblem.parse({ ...laid.problem, leads: [change(laid.problem.leads[lead]!)], aparts: [], rooms: [] }),
    )
  const ofAnyLength = alone((one) => ({ ...one, mostMm: null }))
  if (ofAnyLength.kind === 'runs') return { kind: 'too short', leadId, shortMm: shortBy(laid, lead) }
  const withoutConnectors = alone((one) => ({
    ...one,
    mostMm: null,
    arcs: one.arcs.map((arc) => ({ ...arc, pass: 3 })),
  }))
  if (withoutConnectors.kind === 'runs') return { kind: 'connectors', leadId }
  return { kind: 'barred', leadId, ...cutAround(model, asked[lead]!, laid.bars[lead]!) }
}

/** By how much a supplied lead is short of the shortest way it may take, connectors looked at. */
function shortBy({ problem }: LeadProblem, lead: number): number {
  const { arcs, mostMm, ...one } = problem.leads[lead]!
  // Millimetres as the cost: the cheapest run is then the shortest.
  const shortest = layLeads(
    LayoutProblem.parse({
      ...problem,
      ...{ unitMs: [], aparts: [], rooms: [] },
      leads: [{ ...one, mostMm: null, arcs: arcs.map((arc) => ({ ...arc, units: [], layMs: arc.mm * 1000 })) }],
    }),
  )
  return shortest.kind === 'runs' ? shortest.costMs / 1000 - mostMm! : 0
}

/** What a lead reaches from its first end, and the ways that lead on from there with what bars them. */
function cutAround(
  model: ProcedureForBuild,
  { ends }: AskedLead,
  bars: ReadonlyMap<Id, readonly Bar[]>,
): { reached: Id[]; border: { wayId: Id; bars: readonly Bar[] }[] } {
  const reached = new Set(ends[0])
  const ways = [...model.ways.values()]
  for (let grown = true; grown;) {
    grown = false
    for (const way of ways)
      if (bars.get(way.id)!.length === 0 && reached.has(way.from) !== reached.has(way.to)) {
        reached.add(way.from).add(way.to)
        grown = true
      }
  }
  const border = ways
    .filter((way) => reached.has(way.from) !== reached.has(way.to))
    .map(({ id }) => ({ wayId: id, bars: bars.get(id)! }))
  return { reached: [...reached], border }
}

/** Leads dropped one at a time as long as the rest can't be laid either: what is left is a smallest set. */
function together(model: ProcedureForBuild, asked: readonly AskedLead[], laid: LeadProblem): NoWay {
  let left = asked.map((_, i) => i)
  for (const drop of [...left]) {
    const rest = left.filter((i) => i !== drop)
    const found = layLeads(only(laid.problem, rest))
    if (found.kind === 'none' && found.proven) left = rest
  }
  const takers = (way: number) => left.filter((i) => laid.problem.leads[i]!.arcs.some((arc) => arc.way === way))
  const apart = laid.problem.aparts.filter(({ way, leads }) => leads.every((i) => takers(way).includes(i)))
  const tight = laid.problem.rooms.filter(({ way, area }) => {
    const those = takers(way)
    return those.length > 1 && those.reduce((sum, i) => sum + laid.problem.leads[i]!.area, 0) > area
  })
  const shared = new Set([...apart, ...tight].map(({ way }) => way))
  const wayIds = [...model.ways.keys()].filter((_, i) => shared.has(i))
  return { kind: 'together', leadIds: left.map((i) => asked[i]!.lead.id), wayIds }
}

/** The same problem for some of its leads. */
function only(problem: LayoutProblem, leads: readonly number[]): LayoutProblem {
  const place = new Map(leads.map((lead, i) => [lead, i]))
  return {
    ...problem,
    leads: leads.map((lead) => problem.leads[lead]!),
    aparts: problem.aparts.flatMap(({ way, leads: [a, b] }) =>
      place.has(a) && place.has(b) ? [{ way, leads: [place.get(a)!, place.get(b)!] as [number, number] }] : [],
    ),
  }
}
