import { seededRandom, type Random } from '../base/random'
import { LayoutProblem } from './problem'

/** How large a drawn problem is, and how often something is in the way. */
export type LayoutSize = {
  points: number
  ways: number
  leads: number
  units: number
  /** How often a way is too narrow for leads that want a distance, and how often it has little room: from, below. */
  apart: number
  narrow: number
  room: [number, number]
  /** How often an arc lets one end's connector through only, or none. */
  tight: number
  /** How often a lead is as long as it was supplied. */
  supplied: number
}

/** A few points, where every combination can be tried. */
export const SMALL: LayoutSize = {
  ...{ points: 6, ways: 9, leads: 3, units: 4 },
  ...{ apart: 0.4, narrow: 0.4, tight: 0.2, supplied: 0.4, room: [40, 120] },
}
/** Too many combinations to try, few enough for a general solver. */
export const MIDDLE: LayoutSize = {
  ...{ points: 12, ways: 19, leads: 3, units: 14 },
  ...{ apart: 0.3, narrow: 0.3, tight: 0.12, supplied: 0.3, room: [50, 160] },
}
/** The size of a vehicle: 60 ways, 8 leads, 40 parts that open. */
export const LIKELY: LayoutSize = {
  ...{ points: 35, ways: 60, leads: 8, units: 58 },
  ...{ apart: 0.15, narrow: 0.2, tight: 0.06, supplied: 0.25, room: [80, 220] },
}
/** The same where nearly every way wants panels of its own and every third is too narrow for somebody. */
export const HARSH: LayoutSize = { ...LIKELY, apart: 0.35, narrow: 0.4, units: 70 }

/** A problem drawn from a seed, whole seconds. */
export function randomLayout(seed: number, size: LayoutSize): LayoutProblem {
  const random = seededRandom(seed)
  const joins = drawnWays(random, size)
  const unitMs = Array.from({ length: size.units }, () => (random.chance(0.05) ? 0 : (8 + random.below(28)) * 4000))
  // What has to be open is the same for every lead; how long laying takes and what passes is each one's own.
  const opened = joins.map((join) => manners(random, size, join))
  const leads = Array.from({ length: size.leads }, (_, k) => {
    const area = AREAS[k % AREAS.length]!
    const [from, to] = drawnEnds(random, size)
    const arcs = joins.flatMap(({ a, b, way, mm }, i) =>
      opened[i]!.map(({ units, perMetre }) => ({
        ...{ a, b, way, mm, units },
        layMs: Math.round((perMetre * mm) / 1000 + 5 + (random.chance(0.3) ? 5 : 0)) * 1000,
        pass: random.chance(size.tight) ? random.below(4) : 3,
      })),
    )
    const shortest = shortestMm(joins, size.points, from, to[0]!)
    // Mostly long enough, now and then by nothing to spare, or short.
    const mostMm = random.chance(size.supplied) ? Math.ceil((shortest * (0.95 + random.next())) / 50) * 50 : null
    return { from: [from], to, mostMm, area, arcs }
  })
  return LayoutProblem.parse({
    ...{ name: `seed ${seed}`, points: size.points, ways: size.ways, unitMs, leads },
    ...drawnLimits(random, size),
  })
}

const AREAS = [81, 64, 9, 9, 25, 25, 36, 16]

/** Most leads come from one of two places in the middle (behind the unit), and go anywhere; some have two ends. */
function drawnEnds(random: Random, { points }: LayoutSize): [number, number[]] {
  const middle = Math.floor(points / 3) + (random.chance(0.3) ? 1 : 0)
  const from = random.chance(0.7) ? middle : random.below(points)
  const others = Array.from({ length: points }, (_, point) => point).filter((point) => point !== from)
  const to = random.pick(others)
  return [from, random.chance(0.2) ? [to, random.pick(others)] : [to]]
}

/** Ways too narrow for some pairs of leads, and ways with little room. */
function drawnLimits(random: Random, { ways, leads, apart, narrow, room }: LayoutSize) {
  const pairs = Array.from({ length: leads }, (_, x) =>
    Array.from({ length: leads - x - 1 }, (__, i): [number, number] => [x, x + 1 + i]),
  ).flat()
  const clashing = pairs.filter(() => random.chance(0.4))
  const all = Array.from({ length: ways }, (_, way) => way)
  return {
    aparts: all.flatMap((way) => (random.chance(apart) ? clashing.map((two) => ({ way, leads: two })) : [])),
    rooms: all.flatMap((way) =>
      random.chance(narrow) ? [{ way, area: room[0] + random.below(room[1] - room[0]) }] : [],
    ),
  }
}

type Join = { a: number; b: number; way: number; mm: number }

/** A grid five wide, like a vehicle from above: first so that all hangs together, then neighbours, then corners. */
function drawnWays(random: Random, { points, ways }: LayoutSize): Join[] {
  const wide = points > 12 ? 5 : 3
  const grid = Array.from({ length: points }, (_, at) => [
    ...(at % wide < wide - 1 && at + 1 < points ? [[at, at + 1]] : []),
    ...(at + wide < points ? [[at, at + wide]] : []),
  ]).flat() as [number, number][]
  const corners = Array.from({ length: points }, (_, at) => [at, at + wide + 1] as [number, number]).filter(
    ([a, b]) => a % wide < wide - 1 && b < points,
  )
  const drawn = [...grid, ...corners.sort(() => random.next() - 0.5)].slice(0, ways)
  while (drawn.length < ways) drawn.push(random.pick(grid))
  return drawn.map(([a, b], way) => ({ a, b, way, mm: (4 + random.below(20)) * 50 }))
}

/** One or two ways of getting it in: quickly with more open, slowly with less. What opens lies near by. */
function manners(random: Random, { units, points }: LayoutSize, { a }: Join): { units: number[]; perMetre: number }[] {
  const near = () => (Math.floor((a * units) / points) + random.below(Math.max(4, units / 8))) % units
  const open = [...new Set(Array.from({ length: [0, 0, 1, 1, 1, 2, 3][random.below(7)]! }, near))]
  const laid = { units: open, perMetre: 15 }
  if (open.length === 0 || random.chance(0.7)) return [laid]
  return [laid, { units: open.slice(1), perMetre: 40 }]
}

function shortestMm(joins: readonly Join[], points: number, from: number, to: number): number {
  const mm = new Float64Array(points).fill(Infinity)
  mm[from] = 0
  // As often as there are points: then nothing gets shorter any more.
  for (let round = 0; round < points; round++)
    for (const join of joins) {
      mm[join.b] = Math.min(mm[join.b]!, mm[join.a]! + join.mm)
      mm[join.a] = Math.min(mm[join.a]!, mm[join.b]! + join.mm)
    }
  return mm[to]!
}
