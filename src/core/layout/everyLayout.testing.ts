import type { LayoutLead, LayoutProblem, Run } from './problem'

/*
 * The cheapest layout by trying everything: every simple path of every lead, every combination of them that is not
 * dearer already than one that was found. Written apart from the search, to be compared with it.
 */

/** What a lead's run along these arcs is, and what it uses. */
type Tried = { layMs: number; units: Set<number>; ways: Set<number> }

/** All runs of all leads, once: they are combined under the limits and without. */
export class EveryLayout {
  private readonly each: Tried[][]

  constructor(private readonly problem: LayoutProblem) {
    this.each = problem.leads.map((lead) => everyRun(lead, problem.points).sort((x, y) => x.layMs - y.layMs))
  }

  /** The least cost; null where no layout is allowed. Cost: all paths to the power of the leads. */
  cheapest(limits: 'kept' | 'left out' = 'kept'): number | null {
    let best = Infinity
    const go = (chosen: Tried[], layMs: number, units: ReadonlySet<number>, costMs: number) => {
      if (chosen.length === this.each.length) {
        best = Math.min(best, costMs)
        return
      }
      for (const run of this.each[chosen.length]!) {
        if (layMs + run.layMs >= best) break
        const opened = [...run.units].filter((unit) => !units.has(unit))
        const more = costMs + run.layMs + opened.reduce((sum, unit) => sum + this.problem.unitMs[unit]!, 0)
        if (more >= best) continue
        if (limits === 'kept' && !fits(this.problem, [...chosen, run])) continue
        go([...chosen, run], layMs + run.layMs, new Set([...units, ...opened]), more)
      }
    }
    go([], 0, new Set(), 0)
    return best === Infinity ? null : best
  }

  /** Of each lead by itself, together; null where one has no run. */
  eachAlone(): number | null {
    const alone = this.each.map((runs) =>
      Math.min(
        ...runs.map(({ layMs, units }) => [...units].reduce((sum, unit) => sum + this.problem.unitMs[unit]!, layMs)),
      ),
    )
    return alone.some((ms) => ms === Infinity) ? null : alone.reduce((sum, ms) => sum + ms, 0)
  }
}

/** What a layout costs, by its runs as they were answered; null where it breaks a limit. */
export function costOfRuns(problem: LayoutProblem, runs: readonly Run[]): number | null {
  const tried = runs.map(({ arcs, points }, lead) => {
    const run = asTried(problem.leads[lead]!, arcs)
    return run && isWalk(problem.leads[lead]!, points, arcs) ? run : null
  })
  if (tried.some((run) => run === null) || !fits(problem, tried as Tried[])) return null
  return sumOf(problem, tried as Tried[])
}

function isWalk(lead: LayoutLead, points: readonly number[], arcs: readonly number[]): boolean {
  const joins = arcs.every((arc, i) => {
    const { a, b, directed } = lead.arcs[arc]!
    return (a === points[i] && b === points[i + 1]) || (!directed && b === points[i] && a === points[i + 1])
  })
  return joins && lead.from.includes(points[0]!) && lead.to.includes(points.at(-1)!)
}

function everyRun(lead: LayoutLead, points: number): Tried[] {
  const found: Tried[] = []
  const go = (at: number, been: ReadonlySet<number>, arcs: number[]) => {
    if (lead.to.includes(at)) {
      const run = asTried(lead, arcs)
      if (run) found.push(run)
    }
    lead.arcs.forEach(({ a, b, directed }, i) => {
      for (const [from, to] of directed
        ? [[a, b]]
        : [
            [a, b],
            [b, a],
          ])
        // prettier-ignore
        if (from === at && !been.has(to!)) go(to!, new Set([...been, to!]), [...arcs, i])
    })
  }
  for (const from of new Set(lead.from)) if (from < points) go(from, new Set([from]), [])
  return found
}

/** Long enough, and with a point where it can be coiled; null where not. */
function asTried(lead: LayoutLead, arcs: number[]): Tried | null {
  const list = arcs.map((arc) => lead.arcs[arc]!)
  if (lead.mostMm !== null && list.reduce((sum, { mm }) => sum + mm, 0) > lead.mostMm) return null
  const canBeCoiled = Array.from({ length: arcs.length + 1 }, (_, at) => at).some(
    (at) =>
      list.slice(0, at).every(({ pass }) => (pass & 1) !== 0) && list.slice(at).every(({ pass }) => (pass & 2) !== 0),
  )
  if (!canBeCoiled) return null
  return {
    layMs: list.reduce((sum, { layMs }) => sum + layMs, 0),
    units: new Set(list.flatMap(({ units }) => units)),
    ways: new Set(list.map(({ way }) => way)),
  }
}

function fits({ aparts, rooms, leads }: LayoutProblem, runs: readonly Tried[]): boolean {
  const isIn = (lead: number, way: number) => runs[lead]?.ways.has(way) ?? false
  if (aparts.some(({ way, leads: [x, y] }) => isIn(x, way) && isIn(y, way))) return false
  return rooms.every(({ way, area }) => {
    const there = leads.flatMap((lead, k) => (isIn(k, way) ? [lead.area] : []))
    return there.length < 2 || there.reduce((sum, own) => sum + Math.min(own, area), 0) <= area
  })
}

function sumOf({ unitMs }: LayoutProblem, runs: readonly Tried[]): number {
  const units = new Set(runs.flatMap((run) => [...run.units]))
  return runs.reduce((sum, run) => sum + run.layMs, 0) + [...units].reduce((sum, unit) => sum + unitMs[unit]!, 0)
}
