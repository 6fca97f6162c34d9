import { compareText } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import { releaseKey, type Edge, type Operation } from '../order/operation'
import type { Station } from '../procedure/station'
import { moveS } from '../shop/houseValues'
import { refusals, waitLeftS } from '../vehicle/judge'
import { after, type VehicleState } from '../vehicle/vehicleState'
import { demandsOf, judged } from './demandsOf'
import type { DerivedJob } from './derivedJob'
import type { Leg, NoSafeOrder } from './leg'
import type { Place, SettingMoves, WayThere } from './settingMoves'
import { canStillFinish, doBlock, type Feasibility } from './feasible'

/** An operation in its place in an order: where, with what, how long, and the changes it took to get there. */
export type Step = {
  operation: Operation
  station: Station
  tool: string
  workS: number
  /** Walking and taking up a tool before this step. */
  setUpS: number
}

/** Where the installer stands and which tool is in hand. Bare hands never put the carried tool away. */
export type Standing = { station: Station; tool: string | null }

/** What a wish may look at: the change an operation asks for, what was done last, and whether its part could now be finished. */
export type Moment = { setUpS: number; last: Operation | null; canFinishPart: boolean }

/** Lower ranks go first: how much an operation is wanted next, compared entry by entry. */
export type Wish = (operation: Operation, moment: Moment) => readonly number[]

/** Where a leg begins. `doneAtS`: when operations of an earlier leg were finished, for what has to set or cool. */
export type Begin = { standing: Standing; state: VehicleState; doneAtS: ReadonlyMap<string, number>; done: ReadonlySet<string>; setCount: ReadonlyMap<string, number> }
export type Scheduled = { steps: Step[]; end: Standing; state: VehicleState; doneAtS: ReadonlyMap<string, number>; setCount: ReadonlyMap<string, number> }

/**
 * A valid order by taking, again and again, the most wanted operation that nothing holds back, with the setting acts and
 * waits it needs before it. No step breaks a rule, and no step is taken after which the rest could not be done any more.
 * Deterministic: ties go to the smaller key. It claims nothing about being cheapest.
 *
 * `finish`: values the settings have to stand at when this leg ends. Errors: returned.
 * Cost: O(operations^2 x setting combinations).
 */
export function schedule(f: Feasibility, leg: Leg, begin: Begin, wish: Wish, finish: ReadonlyMap<string, string>, phase: 'in' | 'out'): Result<Scheduled, NoSafeOrder> {
  return new Run(f, leg, begin, wish, finish, phase).go()
}

class Run {
  private readonly steps: Step[] = []
  private readonly waiting = new Map<string, number>()
  private readonly then = new Map<string, string[]>()
  private readonly before = new Map<string, Edge[]>()
  private readonly heldParts: Map<string, string[]>
  private readonly job: DerivedJob
  private readonly moves: SettingMoves
  private readonly done: Set<string>
  private readonly doneAtS: Map<string, number>
  /** How often each value was brought about so far, over both legs. */
  private readonly setCount: Map<string, number>
  private standing: Standing
  private state: VehicleState
  private last: Operation | null = null

  constructor(
    private readonly feasibility: Feasibility,
    private readonly leg: Leg,
    begin: Begin,
    private readonly wish: Wish,
    private readonly finish: ReadonlyMap<string, string>,
    private readonly phase: 'in' | 'out',
  ) {
    this.job = feasibility.job
    this.moves = feasibility.moves
    this.standing = begin.standing
    this.state = begin.state
    this.done = new Set(begin.done)
    this.doneAtS = new Map(begin.doneAtS)
    this.setCount = new Map(begin.setCount)
    for (const key of leg.operations.keys()) this.waiting.set(key, 0)
    const seen = new Set<string>()
    for (const edge of leg.edges) {
      const id = `${edge.before}>${edge.after}`
      if (!leg.operations.has(edge.after)) continue
      this.before.set(edge.after, [...(this.before.get(edge.after) ?? []), edge])
      if (seen.has(id) || !leg.operations.has(edge.before)) continue
      seen.add(id)
      this.waiting.set(edge.after, this.waiting.get(edge.after)! + 1)
      const list = this.then.get(edge.before)
      if (list) list.push(edge.after)
      else this.then.set(edge.before, [edge.after])
    }
    this.heldParts = otherPartsBefore(leg)
  }

  go(): Result<Scheduled, NoSafeOrder> {
    const first = canStillFinish(this.feasibility, this.done, this.state)
    if (!first.ok) return first
    while (this.waiting.size > 0) {
      const next = this.next()
      if (!next) return fail({ kind: 'no safe order', stuck: this.stuck(), proven: false })
      this.take(next)
    }
    const home = this.moves.wayTo(this.here(), this.state, (settings) => [...this.finish].every(([id, value]) => settings.get(id) === value))
    if (!home) return fail({ kind: 'no safe order', stuck: [], proven: false })
    this.makeActs(home)
    return ok({ steps: this.steps, end: this.standing, state: this.state, doneAtS: this.doneAtS, setCount: this.setCount })
  }

  private here(): Place {
    return { station: this.standing.station, settings: this.state.settings }
  }

  private next(): Candidate | null {
    const ready = [...this.waiting].filter(([, count]) => count === 0).map(([key]) => this.leg.operations.get(key)!)
    const block = insideBlock(this.job, this.last, ready, this.done)
    // Nothing is touched inside a block, no setting either: the release was only taken where the whole block could follow.
    const candidates = (block ?? ready).flatMap((operation) => this.candidatesFor(operation)).filter(({ way }) => block === null || way.acts.length === 0)
    candidates.sort((a, b) => compareRanks(a.rank, b.rank) || compareText(a.operation.key, b.operation.key))
    for (const candidate of candidates) if (block !== null || this.leavesAWay(candidate)) return candidate
    return null
  }

  /** The operation by the cheapest way there, and, where settings have to change or an act becomes impossible, by the others too. */
  private candidatesFor(operation: Operation): Candidate[] {
    const { stations, tool, workS } = demandsOf(this.job, operation)
    const ways = this.moves.waysTo(this.here(), this.state, (settings) => this.moves.allows(operation, settings, this.state), stations)
    const direct = ways[0]
    if (!direct) return []
    const wanted = this.moves.closesADoor(operation) || direct.acts.length > 0 ? ways : [direct]
    const heldUp = (this.heldParts.get(operation.partId ?? '') ?? []).some((key) => this.waiting.has(key))
    return wanted.map((way, at) => {
      const change = tool === 'hand' || tool === this.standing.tool ? 0 : this.job.circumstances.house.toolChangeS
      const actsS = way.acts.reduce((sum, act) => sum + act.durationS, 0)
      const setUpS = way.walkS + change
      // Nobody stands waiting while something else can be done.
      const waitS = Math.max(waitLeftS(this.job.model, { ...this.state, settings: way.settings }, judged(this.job, operation), this.job.circumstances), this.restOfDelays(operation.key))
      return { operation, way, tool, workS, setUpS, rank: [waitS, ...this.wish(operation, { setUpS: setUpS + actsS, last: this.last, canFinishPart: !heldUp }), at] }
    })
  }

  /** Whether everything else can still be done after it. Only acts that close a door, or that move settings, can take that away. */
  private leavesAWay({ operation, way }: Candidate): boolean {
    if (!this.moves.closesADoor(operation) && way.acts.length === 0) return true
    const [state, done] = doBlock(this.feasibility, operation, { ...this.state, settings: way.settings }, this.done)
    return canStillFinish(this.feasibility, done, state).ok
  }

  private take({ operation, way, tool, workS, setUpS }: Candidate): void {
    const spent = this.makeActs(way)
    const waitS = Math.max(waitLeftS(this.job.model, this.state, judged(this.job, operation), this.job.circumstances), this.restOfDelays(operation.key))
    if (waitS > 0) this.push({ operation: { key: `wait:${operation.key}`, phase: this.phase, act: 'wait', itemId: operation.itemId, partId: null, setting: null, nth: 1 }, station: this.standing.station, tool: 'hand', workS: Math.ceil(waitS), setUpS: 0 })
    this.push({ operation, station: way.station, tool, workS, setUpS: Math.max(0, setUpS - spent) })
    this.standing = { station: way.station, tool: tool === 'hand' ? this.standing.tool : tool }
    this.done.add(operation.key)
    this.doneAtS.set(operation.key, this.state.nowS)
    this.last = operation
    this.waiting.delete(operation.key)
    for (const key of this.then.get(operation.key) ?? []) this.waiting.set(key, this.waiting.get(key)! - 1)
    if (this.phase === 'out') this.setBackAtOnce()
  }

  /** A lever, a vent or the ignition goes back as soon as nothing needs it otherwise; battery and brake wait for the end. */
  private setBackAtOnce(): void {
    const loose = [...this.finish].filter(([id, value]) => {
      const { role } = this.job.model.settings.get(id)!
      const soon = role === 'gear lever' || role === 'other'
      const wanted = [...this.waiting.keys()].some((key) => this.leg.demands.get(key)?.some((demand) => demand.settingId === id && demand.value !== value))
      return soon && this.state.settings.get(id) !== value && !wanted
    })
    if (loose.length === 0) return
    const way = this.moves.wayTo(this.here(), this.state, (settings) => [...settings].every(([id, value]) => value === (loose.find(([other]) => other === id)?.[1] ?? this.state.settings.get(id))))
    if (way && canStillFinish(this.feasibility, this.done, { ...this.state, settings: way.settings }).ok) this.makeActs(way)
  }

  /** The setting acts of a way, each where it is done; answers the walking they took. */
  private makeActs(way: WayThere): number {
    let walked = 0
    for (const act of way.acts) {
      const from = this.state.settings.get(act.settingId)!
      const named = `set:${act.settingId}=${act.to} by ${act.methodId}`
      const nth = (this.setCount.get(`${act.settingId}=${act.to}`) ?? 0) + 1
      this.setCount.set(`${act.settingId}=${act.to}`, nth)
      const home = this.phase === 'out' && this.finish.get(act.settingId) === act.to
      const operation: Operation = { key: nth > 1 ? `${named}~${nth}` : named, phase: this.phase, act: home ? 'restore' : 'set', itemId: act.settingId, partId: null, setting: { settingId: act.settingId, from, to: act.to, methodId: act.methodId }, nth }
      const walk = moveS(this.job.circumstances.house, this.standing.station, act.station)
      walked += walk
      this.push({ operation, station: act.station, tool: 'hand', workS: act.durationS, setUpS: walk })
      this.standing = { station: act.station, tool: this.standing.tool }
    }
    return walked
  }

  private push(step: Step): void {
    this.steps.push(step)
    this.state = after(this.job.model, this.state, step.operation, step.workS + step.setUpS)
  }

  private restOfDelays(key: string): number {
    let left = 0
    for (const edge of this.before.get(key) ?? []) if (edge.delayS) left = Math.max(left, (this.doneAtS.get(edge.before) ?? 0) + edge.delayS - this.state.nowS)
    return left
  }

  private stuck(): NoSafeOrder['stuck'] {
    return [...this.waiting].filter(([, count]) => count === 0).map(([key]) => {
      const operation = this.leg.operations.get(key)!
      return { key, demands: this.leg.demands.get(key) ?? [], ruleIds: refusals(this.job.model, this.state, judged(this.job, operation), this.job.circumstances).map((breach) => breach.rule.id) }
    })
  }
}

type Candidate = { operation: Operation; way: WayThere; tool: string; workS: number; setUpS: number; rank: readonly number[] }

/** Per part, the operations on other parts that something of it waits for. */
function otherPartsBefore(leg: Leg): Map<string, string[]> {
  const found = new Map<string, string[]>()
  for (const { before, after: later } of leg.edges) {
    const [a, b] = [leg.operations.get(before)?.partId, leg.operations.get(later)?.partId]
    if (!b || a === b) continue
    const list = found.get(b)
    if (list) list.push(before)
    else found.set(b, [before])
  }
  return found
}

/** A part that may not rest, once released, is opened and lifted before anything else is touched. */
function insideBlock(job: DerivedJob, last: Operation | null, ready: Operation[], done: ReadonlySet<string>): Operation[] | null {
  if (!last?.partId || last.phase !== 'in' || (last.act !== 'release' && last.act !== 'open')) return null
  const host = job.model.hostOf(last.partId)
  const part = job.model.parts.get(host)
  if (!part || part.rests.some((rest) => rest.level === 'free')) return null
  if (!done.has(releaseKey(host))) return null
  const rest = ready.filter((operation) => (operation.act === 'lift' && operation.partId === host) || (operation.act === 'open' && operation.partId !== null && job.model.hostOf(operation.partId) === host))
  return rest.length > 0 ? rest : null
}

function compareRanks(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < Math.max(a.length, b.length); i++) if ((a[i] ?? 0) !== (b[i] ?? 0)) return (a[i] ?? 0) - (b[i] ?? 0)
  return 0
}
