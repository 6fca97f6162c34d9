import type { Operation } from '../../order/operation'
import { moveS, type HouseValues } from '../../shop/houseValues'
import { asFoundState } from '../../vehicle/vehicleState'
import { demandsOf, type Demands } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { JobStart } from '../derive/jobStart'
import type { Legs } from '../derive/leg'
import type { Weights } from '../ask/policy'
import { withoutDetours, type SearchAct, type SearchOperation, type SearchProblem } from '../../sequence/problem'
import { SettingMoves, type SettingMove, type Settings } from '../derive/settingMoves'
import { GuardFacts } from './guardFacts'
import { wholesBack, wholesOf } from './wholes'

/** A job as a bare problem, and what its numbers stand for. */
export type SequencedJob = {
  problem: SearchProblem
  /** Done in one go: a part that may not rest. */
  wholes: number[][]
  operations: Operation[]
  /** The number of each operation, by key. */
  number: ReadonlyMap<string, number>
  combinations: Settings[]
  acts: SettingMove[]
  /** Where each act of the problem is done. */
  actStations: string[]
  /** Leaving a panel counts: no order that is shown may leave one more often than the order that was found. */
  panelByPanel: boolean
  /** What walking and taking up a tool take without the weights of a habit; null where there are none. */
  spent: { walkMs: number[][]; toolMs: number[][] } | null
  moves: SettingMoves
  /** Seconds from one station to another by the quickest way. */
  walkS: (from: string, to: string) => number
}

const inMs = (seconds: number) => Math.round(seconds * 1000)

/**
 * The numbers of a job: what is left of both legs, the way in before the way out, with tools, stations, and the
 * settings as combinations. A "spot" of the problem is a station, or with a weight on leaving a panel a station and a
 * panel. Cost: O(operations^2 + operations x combinations x rules).
 */
export function sequenceJob(job: DerivedJob, legs: Legs, start: JobStart, weights: Weights): SequencedJob {
  const left = (leg: Legs['wayIn']) =>
    [...leg.operations.values()].filter((operation) => !start.done.has(operation.key))
  const wayIn = left(legs.wayIn)
  const wayOut = left(legs.wayOut)
  const operations = [...wayIn, ...wayOut]
  const number = new Map(operations.map((operation, i) => [operation.key, i]))
  const moves = new SettingMoves(job, legs.demands, legs.finish, start.state)
  const combinations = [...moves.combinationsAtMost(start.state.settings).values()]
  const guards = new GuardFacts(job, start, number)
  const spots = new Numbers()
  const startSpot = spots.of([start.standing.station, weights.leavingPanelS > 0 ? null : ''])
  const tools = new Numbers()
  tools.of('hand')
  const heldTool = start.standing.tool === null ? 0 : tools.of(start.standing.tool)
  const asked = operations.map((operation) => demandsOf(job, operation))
  const searched = searchedOperations(job, operations, asked, { moves, combinations, guards, spots, tools, weights })
  const settingActs = searchedActs({ moves, combinations, guards, spots })
  const { house } = job.circumstances
  const stations = [...asked.map((each) => each.stations[0]!), ...settingActs.stations]
  return {
    problem: {
      operations: searched,
      pairs: [...pairsOf(legs, number), ...barrier(legs, wayIn, wayOut, number)],
      toolMs: takenUpMs(house, tools, weights.takingToolS),
      walkMs: walkMs(house, spots, weights.leavingPanelS),
      combinations: combinations.length,
      acts: settingActs.acts,
      start: { tool: heldTool, station: startSpot, combination: 0 },
      finish: combinations.map((settings) => [...legs.finish].every(([id, value]) => settings.get(id) === value)),
    },
    wholes: [...wholesOf(job, legs, number), ...wholesBack(job, legs, number, searched)],
    operations,
    number,
    combinations,
    acts: settingActs.moves,
    actStations: settingActs.stations,
    panelByPanel: weights.leavingPanelS > 0,
    spent:
      weights.leavingPanelS > 0 || weights.takingToolS > 0
        ? { walkMs: walkMs(house, spots, 0), toolMs: takenUpMs(house, tools, 0) }
        : null,
    moves,
    walkS: walkingOf(house, [start.standing.station, ...stations]),
  }
}

/** What names are numbered by on the way. */
type Numbering = { moves: SettingMoves; combinations: Settings[]; guards: GuardFacts; spots: Numbers }

function searchedOperations(
  job: DerivedJob,
  operations: readonly Operation[],
  asked: readonly Demands[],
  { moves, combinations, guards, spots, tools, weights }: Numbering & { tools: Numbers; weights: Weights },
): SearchOperation[] {
  const closed = asFoundState(job.model)
  return operations.map((operation, i) => {
    const { tool, stations } = asked[i]!
    const panel = weights.leavingPanelS > 0 ? (operation.partId ?? operation.key) : ''
    const allowed = combinations.map((settings) => moves.allows(operation, settings, closed))
    const minded = new Set(
      combinations.flatMap((settings, c) => (allowed[c] ? moves.mindedBy(operation, settings) : [])),
    )
    return {
      first: operation.phase === 'in',
      tool: tools.of(tool),
      station: spots.of([stations[0]!, panel]),
      allowed,
      guards: [...minded].map((tetherId) => guards.of({ kind: 'tether', tetherId, state: 'closed' })),
    }
  })
}

/** Every setting act from every combination, at each of its stations: as the search has it, and what it stands for. */
function searchedActs({ moves, combinations, guards, spots }: Numbering): {
  acts: SearchAct[]
  moves: SettingMove[]
  stations: string[]
} {
  const combinationAt = new Map(combinations.map((settings, i) => [moves.nameOf(settings), i]))
  const found = { acts: [] as SearchAct[], moves: [] as SettingMove[], stations: [] as string[] }
  for (const [from, settings] of combinations.entries())
    for (const move of moves.movesFrom(settings))
      for (const station of move.stations) {
        const held = move.guards.map((fact) => guards.of(fact))
        const to = combinationAt.get(move.name)!
        // An act is made wherever its station is, whatever panel was in hand.
        const places = spots.names.flatMap((name, spot) => ((name as Spot)[0] === station ? [spot] : []))
        for (const spot of places.length > 0 ? places : [spots.of([station, null])]) {
          found.acts.push({ from, to, station: spot, costMs: inMs(move.durationS), guards: held })
          found.moves.push(move)
          found.stations.push(station)
        }
      }
  return found
}

/** Walking from spot to spot, with a weight on leaving a panel for another. */
function walkMs(house: HouseValues, spots: Numbers, leavingPanelS: number): number[][] {
  const names = spots.names as Spot[]
  const leaving = (panel: string | null, other: string | null) =>
    panel !== null && panel !== other ? leavingPanelS : 0
  return withoutDetours(
    names.map(([a, panel]) => names.map(([b, other]) => inMs(moveS(house, a, b) + leaving(panel, other)))),
  )
}

function takenUpMs(house: HouseValues, tools: Numbers, weightS: number): number[][] {
  return tools.names.map((from) =>
    tools.names.map((to) => (to === 'hand' || from === to ? 0 : inMs(house.toolChangeS + weightS))),
  )
}

function walkingOf(house: HouseValues, stations: readonly string[]): (from: string, to: string) => number {
  const names = [...new Set(stations)]
  const closed = withoutDetours(names.map((a) => names.map((b) => moveS(house, a, b))))
  return (from, to) => closed[names.indexOf(from)]![names.indexOf(to)]!
}

function pairsOf(legs: Legs, number: ReadonlyMap<string, number>): [number, number][] {
  const pairs: [number, number][] = []
  for (const edge of [...legs.wayIn.edges, ...legs.wayOut.edges]) {
    const [before, after] = [number.get(edge.before), number.get(edge.after)]
    if (before !== undefined && after !== undefined && before !== after) pairs.push([before, after])
  }
  return pairs
}

/**
 * Nothing goes back before the way in is done: what nothing of the way in follows comes before what follows nothing of
 * the way out.
 */
function barrier(
  legs: Legs,
  wayIn: readonly Operation[],
  wayOut: readonly Operation[],
  number: ReadonlyMap<string, number>,
): [number, number][] {
  const inside = (list: readonly Operation[], pairs: Legs['wayIn']['edges']) => {
    const keys = new Set(list.map((operation) => operation.key))
    return pairs.filter((edge) => keys.has(edge.before) && keys.has(edge.after))
  }
  const followed = new Set(inside(wayIn, legs.wayIn.edges).map((edge) => edge.before))
  const following = new Set(inside(wayOut, legs.wayOut.edges).map((edge) => edge.after))
  const last = wayIn.filter((operation) => !followed.has(operation.key))
  const first = wayOut.filter((operation) => !following.has(operation.key))
  return last.flatMap((before) =>
    first.map((after): [number, number] => [number.get(before.key)!, number.get(after.key)!]),
  )
}

/** A station, and the panel in hand there: null where none is. */
type Spot = [station: string, panel: string | null]

/** Numbers names as they come. */
class Numbers {
  readonly names: unknown[] = []
  private readonly at = new Map<string, number>()

  of(name: unknown): number {
    const text = JSON.stringify(name)
    const known = this.at.get(text)
    if (known !== undefined) return known
    this.at.set(text, this.names.length)
    this.names.push(name)
    return this.names.length - 1
  }
}
