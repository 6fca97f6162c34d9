import type { LayoutLead, LayoutProblem } from './problem'

/**
 * A problem as a mixed-integer program, in the text form that solvers read: each lead as a flow of one through the
 * points, once before its coil and once after it; a unit is paid where any arc with it carries something. Written apart
 * from the search, to be solved by a general solver. Costs in seconds.
 */
export function asMixedLayout(problem: LayoutProblem): string {
  const objective: string[] = []
  const rows: string[] = []
  const binaries: string[] = []
  const row = (terms: readonly string[], relation: string) => {
    if (terms.length > 0) rows.push(` r${rows.length}: ${terms.join(' ').replace(/^\+ /, '')} ${relation}`)
  }
  const binary = (name: string, costS = 0) => {
    binaries.push(name)
    if (costS !== 0) objective.push(`+ ${costS} ${name}`)
  }
  problem.unitMs.forEach((ms, unit) => binary(`u${unit}`, ms / 1000))
  problem.leads.forEach((lead, k) => {
    const flows = flowsOf(lead, k)
    for (const { name, arc } of flows) binary(name, lead.arcs[arc]!.layMs / 1000)
    for (const point of lead.from) binary(`b${k}_${point}`)
    for (let point = 0; point < problem.points; point++) {
      // Past the coil once: at one of the points.
      binaries.push(`c${k}_${point}`)
      if (lead.to.includes(point)) binaries.push(`e${k}_${point}`)
      for (const side of [0, 1] as const) row(balance(lead, k, point, side, flows), '= 0')
    }
    row(
      lead.from.map((point) => `+ b${k}_${point}`),
      '= 1',
    )
    for (const [way, list] of byWay(lead, flows)) {
      binary(`y${k}_${way}`)
      for (const { name } of list) row([`+ ${name}`, `- y${k}_${way}`], '<= 0')
    }
    for (const { name, arc } of flows)
      for (const unit of lead.arcs[arc]!.units) row([`+ ${name}`, `- u${unit}`], '<= 0')
    if (lead.mostMm !== null)
      row(
        flows.map(({ name, arc }) => `+ ${lead.arcs[arc]!.mm} ${name}`),
        `<= ${lead.mostMm}`,
      )
  })
  const isIn = (k: number, way: number) => problem.leads[k]!.arcs.some((arc) => arc.way === way && arc.pass !== 0)
  for (const { way, leads } of problem.aparts)
    row(
      leads.filter((k) => isIn(k, way)).map((k) => `+ y${k}_${way}`),
      '<= 1',
    )
  for (const { way, area } of problem.rooms)
    row(
      problem.leads.flatMap((lead, k) => (isIn(k, way) ? [`+ ${Math.min(lead.area, area)} y${k}_${way}`] : [])),
      `<= ${area}`,
    )
  return `Minimize\n obj: ${objective.join(' ').replace(/^\+ /, '')}\nSubject To\n${rows.join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd\n`
}

type Flow = { name: string; arc: number; side: 0 | 1; from: number; to: number }

/** Each arc either way round, on each side of the coil on which its connector passes. */
function flowsOf(lead: LayoutLead, k: number): Flow[] {
  return lead.arcs.flatMap(({ a, b, pass, directed }, arc) =>
    ([0, 1] as const).flatMap((side) => {
      if ((pass & (side + 1)) === 0) return []
      const there: Flow = { name: `x${k}_${arc}_${side}f`, arc, side, from: a, to: b }
      return directed ? [there] : [there, { ...there, name: `x${k}_${arc}_${side}r`, from: b, to: a }]
    }),
  )
}

/** What comes in at a point on a side, less what goes out: begun there, coiled there, ended there. */
function balance(lead: LayoutLead, k: number, point: number, side: 0 | 1, flows: readonly Flow[]): string[] {
  const mine = flows.filter((flow) => flow.side === side)
  return [
    ...mine.filter(({ to }) => to === point).map(({ name }) => `+ ${name}`),
    ...mine.filter(({ from }) => from === point).map(({ name }) => `- ${name}`),
    ...(side === 0 && lead.from.includes(point) ? [`+ b${k}_${point}`] : []),
    side === 0 ? `- c${k}_${point}` : `+ c${k}_${point}`,
    ...(side === 1 && lead.to.includes(point) ? [`- e${k}_${point}`] : []),
  ]
}

function byWay(lead: LayoutLead, flows: readonly Flow[]): Map<number, Flow[]> {
  const ways = new Map<number, Flow[]>()
  for (const flow of flows) {
    const { way } = lead.arcs[flow.arc]!
    ways.set(way, [...(ways.get(way) ?? []), flow])
  }
  return ways
}
