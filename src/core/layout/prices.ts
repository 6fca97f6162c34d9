import type { Graphs } from './graphs'

/**
 * What the leads pay in the bound. `shares`: of each unit, by lead; together they are at most what it weighs.
 * `tolls`: of each clash, given back by what it allows. All of it 0 or more.
 */
export type Prices = { shares: Float64Array[]; tolls: Float64Array }

/** Each unit shared alike among the leads, and no tolls. */
export function evenPrices({ leads, unitMs, clashes }: Graphs): Prices {
  const users = Float64Array.from(
    unitMs,
    (_, unit) => leads.filter(({ arcs }) => arcs.some(({ units }) => units.includes(unit))).length,
  )
  return {
    shares: leads.map(({ arcs }) => {
      const used = new Set(arcs.flatMap(({ units }) => units))
      return Float64Array.from(unitMs, (ms, unit) => (used.has(unit) ? ms / users[unit]! : 0))
    }),
    tolls: new Float64Array(clashes.length),
  }
}

/** What one lead pays on each way for its clashes there. */
export function tollsOf({ clashes }: Graphs, lead: number, tolls: Float64Array, ways: number): Float64Array {
  const paid = new Float64Array(ways)
  clashes.forEach(({ way, weights }, i) => {
    paid[way]! += tolls[i]! * weights[lead]!
  })
  return paid
}

/** What is given back: no layout uses more of a clash than it allows. */
export function givenBack({ clashes }: Graphs, tolls: Float64Array): number {
  return clashes.reduce((sum, { most }, i) => sum + tolls[i]! * most, 0)
}
