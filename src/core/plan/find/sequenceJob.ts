import type { Id } from '../../base/id'
import { reachedFrom, successors } from '../../order/graph'
import { keyDoing, type Operation } from '../../order/operation'
import { isEarly } from '../../order/reach'
import { atLeast } from '../../procedure/levels'
import type { Level } from '../../procedure/level'
import { mayRestFree } from '../../procedure/resting'
import { moveS, type HouseValues } from '../../shop/houseValues'
import { asFoundState } from '../../vehicle/vehicleState'
import { demandsOf } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { Legs } from '../derive/leg'
import type { Weights } from '../ask/policy'
import {
  withoutDetours,
  type Guard,
  type SearchAct,
  type SearchOperation,
  type SearchProblem,
} from '../../sequence/problem'
import { SettingMoves, type GuardFact, type SettingMove, type Settings } from '../derive/settingMoves'
import { handKey } from '../derive/plugByHand'
import type { JobStart } from '../derive/jobStart'
import { keyOf } from '../../procedure/acts'

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
  const asked = operations.map((operation) => demandsOf(job, operation))
  const panelOf = (operation: Operation) => (weights.leavingPanelS > 0 ? (operation.partId ?? operation.key) : '')
  const spots = new Numbers()
  const startSpot = spots.of([start.standing.station, weights.leavingPanelS > 0 ? null : ''])
  const tools = new Numbers()
  tools.of('hand')
  const heldTool = start.standing.tool === null ? 0 : tools.of(start.standing.tool)
  const combinations = [...moves.combinationsAtMost(start.state.settings).values()]
  const guards = new GuardFacts(job, start, number)
  const closed = asFoundState(job.model)
  const searched = operations.map((operation, i): SearchOperation => {
    const allowed = combinations.map((settings) => moves.allows(operation, settings, closed))
    const minded = new Set(
      combinations.flatMap((settings, c) => (allowed[c] ? moves.mindedBy(operation, settings) : [])),
    )
    return {
      first: operation.phase === 'in',
      tool: tools.of(asked[i]!.tool),
      station: spots.of([asked[i]!.stations[0]!, panelOf(operation)]),
      allowed,
      guards: [...minded].map((tetherId) => guards.of({ kind: 'tether', tetherId, state: 'closed' })),
    }
  })
  const combinationAt = new Map(combinations.map((settings, i) => [moves.nameOf(settings), i]))
  const acts: SearchAct[] = []
  const actMoves: SettingMove[] = []
  const actStations: string[] = []
  for (const [from, settings] of combinations.entries())
    for (const move of moves.movesFrom(settings))
      for (const station of move.stations) {
        const held = move.guards.map((fact) => guards.of(fact))
        // An act is made wherever its station is, whatever panel was in hand.
        const places = spots.names.flatMap((name, spot) => ((name as Spot)[0] === station ? [spot] : []))
        for (const spot of places.length > 0 ? places : [spots.of([station, null])]) {
          acts.push({
            from,
            to: combinationAt.get(move.name)!,
            station: spot,
            costMs: inMs(move.durationS),
            guards: held,
          })
          actMoves.push(move)
          actStations.push(station)
        }
      }
  const { house } = job.circumstances
  const spotNames = spots.names as Spot[]
  const walkMs = withoutDetours(
    spotNames.map(([a, panel]) =>
      spotNames.map(([b, other]) =>
        inMs(moveS(house, a, b) + (panel !== null && panel !== other ? weights.leavingPanelS : 0)),
      ),
    ),
  )
  const isWeighed = weights.leavingPanelS > 0 || weights.takingToolS > 0
  const takenUpMs = (weightS: number) =>
    tools.names.map((from) =>
      tools.names.map((to) => (to === 'hand' || from === to ? 0 : inMs(house.toolChangeS + weightS))),
    )
  const spent = isWeighed
    ? {
        walkMs: withoutDetours(spotNames.map(([a]) => spotNames.map(([b]) => inMs(moveS(house, a, b))))),
        toolMs: takenUpMs(0),
      }
    : null
  const toolMs = takenUpMs(weights.takingToolS)
  return {
    problem: {
      operations: searched,
      pairs: [...pairsOf(legs, number), ...barrier(legs, wayIn, wayOut, number)],
      toolMs,
      walkMs,
      combinations: combinations.length,
      acts,
      start: { tool: heldTool, station: startSpot, combination: 0 },
      finish: combinations.map((settings) => [...legs.finish].every(([id, value]) => settings.get(id) === value)),
    },
    wholes: [...wholesOf(job, legs, number), ...wholesBack(job, legs, number, searched)],
    operations,
    number,
    combinations,
    acts: actMoves,
    actStations,
    panelByPanel: weights.leavingPanelS > 0,
    spent,
    moves,
    walkS: walkingOf(house, [start.standing.station, ...asked.map(({ stations }) => stations[0]!), ...actStations]),
  }
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

/**
 * Per part that may not rest: its release, the plugs that open then, its lift, and what has to be done between them.
 */
function wholesOf(job: DerivedJob, legs: Legs, number: ReadonlyMap<string, number>): number[][] {
  const { model } = job
  const then = successors(legs.wayIn.edges)
  return [...job.removal.levels].flatMap(([partId, level]) => {
    const part = model.parts.get(partId)!
    if (level !== 'off' || mayRestFree(part)) return []
    // What has to wait for the battery comes last: the others are opened meanwhile.
    const late = (model.tyingOf.get(partId) ?? [])
      .filter((tether) => !isEarly(tether))
      .sort((a, b) => Number(a.circuit === 'srs-firing') - Number(b.circuit === 'srs-firing'))
      .map((tether) => keyOf('open', tether.id))
    const own: string[] = [keyOf('release', partId), ...late, keyOf('lift', partId)].filter((key) => number.has(key))
    if (own.length < 2) return []
    const after = reachedFrom(then, own[0]!)
    // A look that tells a facet may come between the release and what hangs on it.
    const between = [...after].filter(
      (key) => number.has(key) && !own.includes(key) && own.slice(1).some((later) => reachedFrom(then, key).has(later)),
    )
    const whole = inOrder([...own, ...between], then)
    const asked = whole.map((key) => demandsOf(job, legs.wayIn.operations.get(key)!))
    const tools = new Set(asked.map(({ tool }) => tool).filter((tool) => tool !== 'hand'))
    if (tools.size > 1 || new Set(asked.map(({ stations }) => stations[0])).size > 1) return []
    return [whole.map((key) => number.get(key)!)]
  })
}

/** The same on the way out, where nothing in the go minds a plug that the go itself closes. */
function wholesBack(
  job: DerivedJob,
  legs: Legs,
  number: ReadonlyMap<string, number>,
  searched: readonly SearchOperation[],
): number[][] {
  const then = successors(legs.wayOut.edges)
  return [...job.backInOneGo.values()].flatMap((go) => {
    const keys = inOrder(
      go.filter((key) => number.has(key)),
      then,
    )
    const asked = keys.map((key) => demandsOf(job, legs.wayOut.operations.get(key)!))
    const tools = new Set(asked.map(({ tool }) => tool).filter((tool) => tool !== 'hand'))
    const own = keys.map((key) => number.get(key)!)
    const mindsItself = own.some((i) =>
      searched[i]!.guards.some((guard) => guard.operations.some((other) => own.includes(other))),
    )
    return own.length < 2 || tools.size > 1 || new Set(asked.map(({ stations }) => stations[0])).size > 1 || mindsItself
      ? []
      : [own]
  })
}

/** The keys in an order that keeps what comes before what. */
function inOrder(keys: readonly string[], then: ReadonlyMap<string, readonly string[]>): string[] {
  const reach = new Map(keys.map((key) => [key, reachedFrom(then, key)]))
  const left = [...keys]
  const sorted: string[] = []
  while (left.length > 0) {
    const at = left.findIndex((key) => !left.some((other) => other !== key && reach.get(other)!.has(key)))
    sorted.push(...left.splice(Math.max(0, at), 1))
  }
  return sorted
}

/** Facts about things, as guards that the operations on these things turn over. */
class GuardFacts {
  constructor(
    private readonly job: DerivedJob,
    private readonly start: JobStart,
    private readonly number: ReadonlyMap<string, number>,
  ) {}

  of(fact: GuardFact): Guard {
    if (fact.kind === 'part') return this.level(fact.partId, fact.level)
    if (fact.kind === 'tether') return this.tether(fact.tetherId, fact.state === 'open')
    if (fact.act === 'undo') {
      const keys = [
        keyDoing(this.job.removal.operations, 'undo', fact.id),
        keyDoing(this.job.refit.operations, 'fasten', fact.id),
      ]
      return this.turned(
        keys.filter((key) => key !== undefined),
        this.start.state.undone.has(fact.id),
        true,
      )
    }
    if (fact.act === 'open') return this.tether(fact.id, true)
    return this.level(fact.id, fact.act === 'lift' ? 'off' : fact.act === 'release' ? 'free' : 'eased')
  }

  private tether(id: Id, wants: boolean): Guard {
    return this.turned(
      [handKey(id), keyOf('open', id), keyOf('close', id, 'test'), keyOf('open', id, 'test'), keyOf('close', id)],
      this.start.state.open.has(id),
      wants,
    )
  }

  private level(partId: Id, level: Level): Guard {
    const is = atLeast(this.start.state.levels.get(partId) ?? 'in place', level)
    const out = level === 'off' ? keyOf('place', partId) : keyOf('seat', partId)
    const ways =
      level === 'off'
        ? [keyOf('lift', partId)]
        : level === 'free'
          ? [keyOf('release', partId)]
          : [keyOf('ease', partId), keyOf('release', partId)]
    const into = is ? [] : ways.filter((key) => this.number.has(key)).slice(0, 1)
    return this.turned([...into, out], is, true)
  }

  private turned(keys: readonly string[], initially: boolean, wants: boolean): Guard {
    return { operations: keys.flatMap((key) => this.number.get(key) ?? []), initially, wants }
  }
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
