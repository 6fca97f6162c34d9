import type { LayoutArc, LayoutLead, LayoutProblem } from './problem'

/** An arc of one lead, ready for the search: units and clash-ways as bits. */
export type GraphArc = {
  /** Its place in the lead's own list. */
  index: number
  a: number
  b: number
  way: number
  layMs: number
  mm: number
  pass: number
  directed: boolean
  /** Units that weigh something, as numbers and as bits. */
  units: readonly number[]
  unitBits: Int32Array
  /** Bit of its way among the lead's clash-ways; -1 where it clashes with nobody there. */
  clash: number
}

/** What one lead can take. `clashWays`: ways where it may stand in another's way. */
export type LeadGraph = {
  lead: number
  points: number
  arcs: GraphArc[]
  /** By point: arcs that leave it, twice their number, plus one where they are taken backwards. */
  leaving: number[][]
  /** By point: arcs that lead there. */
  entering: number[][]
  from: readonly number[]
  isTo: Uint8Array
  mostMm: number
  area: number
  clashWays: number[]
}

/** Limits on who may share a way. `apart`: pairs; `room`: the weights of all leads in it are at most `most`. */
export type Clash = { way: number; weights: Float64Array; most: number }

export type Graphs = {
  leads: LeadGraph[]
  /** Of units that weigh something. */
  unitMs: Float64Array
  unitWords: number
  clashes: Clash[]
  /** By way: its clashes. */
  clashesAt: number[][]
}

/** A problem made ready: dead ends, units of no weight and layings that are worse in everything are left out. */
export function graphsOf(problem: LayoutProblem): Graphs {
  const weighing = problem.unitMs.flatMap((ms, unit) => (ms > 0 ? [unit] : []))
  const unitOf = new Map(weighing.map((unit, i) => [unit, i]))
  const unitWords = Math.max(1, Math.ceil(weighing.length / 32))
  const clashes = clashesOf(problem)
  const clashesAt: number[][] = Array.from({ length: problem.ways }, () => [])
  clashes.forEach(({ way }, i) => clashesAt[way]!.push(i))
  const leads = problem.leads.map((lead, k) => {
    const mine = clashes.filter(({ weights }) => weights[k]! > 0).map(({ way }) => way)
    return leadGraph(problem, lead, k, unitOf, unitWords, [...new Set(mine)])
  })
  return {
    leads,
    unitMs: Float64Array.from(weighing, (unit) => problem.unitMs[unit]!),
    ...{ unitWords, clashes, clashesAt },
  }
}

/** Rooms that all leads together fit into are no limit; one lead alone always fits (it was looked at before). */
function clashesOf({ aparts, rooms, leads }: LayoutProblem): Clash[] {
  const pairs = aparts.map(({ way, leads: [x, y] }): Clash => {
    const weights = new Float64Array(leads.length)
    weights[x] = weights[y] = 1
    return { way, weights, most: 1 }
  })
  const full = rooms
    .map(({ way, area }): Clash => ({
      way,
      weights: Float64Array.from(leads, (l) => Math.min(l.area, area)),
      most: area,
    }))
    .filter(({ weights, most }) => weights.reduce((sum, weight) => sum + weight, 0) > most)
  return [...pairs, ...full]
}

function leadGraph(
  { points }: LayoutProblem,
  lead: LayoutLead,
  k: number,
  unitOf: ReadonlyMap<number, number>,
  unitWords: number,
  clashWays: number[],
): LeadGraph {
  const clashOf = new Map(clashWays.map((way, bit) => [way, bit]))
  const arcs = withoutDeadEnds(withoutWorse(lead, unitOf), lead, points).map(({ arc, index, units }): GraphArc => {
    const unitBits = new Int32Array(unitWords)
    for (const unit of units) unitBits[unit >> 5]! |= 1 << (unit & 31)
    const { a, b, way, layMs, mm, pass, directed } = arc
    return { index, a, b, way, layMs, mm, pass, directed, units, unitBits, clash: clashOf.get(way) ?? -1 }
  })
  const leaving: number[][] = Array.from({ length: points }, () => [])
  const entering: number[][] = Array.from({ length: points }, () => [])
  arcs.forEach(({ a, b, directed }, i) => {
    leaving[a]!.push(i * 2)
    entering[b]!.push(i)
    if (directed) return
    leaving[b]!.push(i * 2 + 1)
    entering[a]!.push(i)
  })
  const isTo = new Uint8Array(points)
  for (const point of lead.to) isTo[point] = 1
  const mostMm = lead.mostMm ?? Infinity
  return { lead: k, points, arcs, leaving, entering, from: lead.from, isTo, mostMm, area: lead.area, clashWays }
}

type Kept = { arc: LayoutArc; index: number; units: number[] }

/** Without arcs that another between the same points beats in laying, units, length and connectors. */
function withoutWorse({ arcs }: LayoutLead, unitOf: ReadonlyMap<number, number>): Kept[] {
  const all = arcs
    .map((arc, index): Kept => ({
      ...{ arc, index },
      units: [...new Set(arc.units)].flatMap((unit) => unitOf.get(unit) ?? []),
    }))
    .filter(({ arc }) => arc.pass !== 0 && arc.a !== arc.b)
  return all.filter((y) => !all.some((x) => x !== y && beats(x, y)))
}

function beats(x: Kept, y: Kept): boolean {
  const [p, q] = [x.arc, y.arc]
  if (!joinsAlike(p, q) || p.way !== q.way) return false
  const isNoWorse = p.layMs <= q.layMs && p.mm <= q.mm && (p.pass & q.pass) === q.pass
  if (!isNoWorse || !x.units.every((unit) => y.units.includes(unit))) return false
  // Of two that are alike the first stays.
  const isAlike = p.layMs === q.layMs && p.mm === q.mm && p.pass === q.pass && x.units.length === y.units.length
  return !isAlike || x.index < y.index
}

function joinsAlike(p: LayoutArc, q: LayoutArc): boolean {
  if (p.directed !== q.directed) return false
  return (p.a === q.a && p.b === q.b) || (!p.directed && p.a === q.b && p.b === q.a)
}

/** Without arcs into points where nothing goes on and the lead neither begins nor ends. */
function withoutDeadEnds(arcs: Kept[], { from, to }: LayoutLead, points: number): Kept[] {
  const isEnd = new Uint8Array(points)
  for (const point of [...from, ...to]) isEnd[point] = 1
  let kept = arcs
  for (;;) {
    const neighbours: Set<number>[] = Array.from({ length: points }, () => new Set())
    for (const { arc } of kept) {
      neighbours[arc.a]!.add(arc.b)
      neighbours[arc.b]!.add(arc.a)
    }
    const isDead = (point: number) => !isEnd[point] && neighbours[point]!.size < 2
    const next = kept.filter(({ arc }) => !isDead(arc.a) && !isDead(arc.b))
    if (next.length === kept.length) return kept
    kept = next
  }
}
