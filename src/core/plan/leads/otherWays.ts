import type { Id } from '../../base/id'
import { layLeads } from '../../layout/layLeads'
import type { LayoutFound, LayoutLead, LayoutProblem } from '../../layout/problem'
import type { AskedLead, Bar } from '../../leads/allowed'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { LeadProblem } from './leadProblem'

/**
 * A way that a lead takes, and what it costs to do without it; or one that it does not take, and why not. `moreS`: more
 * seconds of opening, laying and closing for all leads together; null where there is then no layout. `wayIds`: how the
 * lead goes then. `atLeast`: nothing is less, and more may be.
 */
export type OtherWay = {
  leadId: Id
  wayId: Id
  is: 'taken' | 'not taken'
  bars: readonly Bar[]
  moreS: number | null
  atLeast: boolean
  wayIds: Id[]
}

/** So many questions of one layout: each is a layout of its own. */
const MOST_QUESTIONS = 60

/**
 * For each lead and way of the record: what it would cost to go otherwise. What is barred is no question. Cost: a
 * layout for each lead and way, at most so many; what is beyond is left out.
 */
export function otherWays(
  model: ProcedureForBuild,
  asked: readonly AskedLead[],
  laid: LeadProblem,
  best: Extract<LayoutFound, { kind: 'runs' }>,
): OtherWay[] {
  const wayIds = [...model.ways.keys()]
  const answers: OtherWay[] = []
  let questions = 0
  asked.forEach(({ lead }, k) => {
    const taken = new Set(best.runs[k]!.arcs.map((arc) => laid.problem.leads[k]!.arcs[arc]!.way))
    wayIds.forEach((wayId, way) => {
      const bars = laid.bars[k]!.get(wayId)!
      const of = { leadId: lead.id, wayId, bars, is: taken.has(way) ? ('taken' as const) : ('not taken' as const) }
      if (bars.length > 0) answers.push({ ...of, moreS: null, atLeast: false, wayIds: [] })
      else if (questions < MOST_QUESTIONS) {
        questions += 1
        const other = taken.has(way) ? without(laid.problem, k, way) : through(laid.problem, k, way)
        answers.push({ ...of, ...answerOf(layLeads(other), best, laid.problem.points, other.leads[k]!, k, wayIds) })
      }
    })
  })
  return answers
}

function answerOf(
  found: LayoutFound,
  best: { costMs: number },
  pointsIn: number,
  { arcs }: LayoutLead,
  k: number,
  wayIds: readonly Id[],
): Pick<OtherWay, 'moreS' | 'atLeast' | 'wayIds'> {
  if (found.kind === 'none') return { moreS: null, atLeast: false, wayIds: [] }
  const run = found.runs[k]!
  const ways = run.arcs.flatMap((arc) => wayIds[arcs[arc]!.way] ?? [])
  const physical = run.points.map((point) => point % pointsIn)
  return {
    moreS: Math.max(0, found.boundMs - best.costMs) / 1000,
    atLeast: !found.proven || new Set(physical).size < physical.length,
    wayIds: ways,
  }
}

/** The same problem, with one lead kept off a way. */
function without(problem: LayoutProblem, k: number, way: number): LayoutProblem {
  const lead = problem.leads[k]!
  return changed(problem, k, { ...lead, arcs: lead.arcs.filter((arc) => arc.way !== way) })
}

/**
 * The same problem, with one lead made to take a way: its points stand twice, before and after that way, and only the
 * way leads across. A run that comes by a point twice is cheaper than any that does not: then what is found is a bound.
 */
function through(problem: LayoutProblem, k: number, way: number): LayoutProblem {
  const lead = problem.leads[k]!
  const { points } = problem
  const arcs = lead.arcs.flatMap((arc) =>
    arc.way === way
      ? [
          { ...arc, b: arc.b + points, directed: true },
          { ...arc, a: arc.b, b: arc.a + points, directed: true },
        ]
      : [arc, { ...arc, a: arc.a + points, b: arc.b + points }],
  )
  return { ...changed(problem, k, { ...lead, arcs, to: lead.to.map((point) => point + points) }), points: 2 * points }
}

function changed(problem: LayoutProblem, k: number, lead: LayoutLead): LayoutProblem {
  return { ...problem, leads: problem.leads.with(k, lead) }
}
