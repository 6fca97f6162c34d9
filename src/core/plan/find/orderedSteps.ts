import { fail, ok, type Result } from '../../base/result'
import type { Id } from '../../base/id'
import type { Edge, Operation } from '../../order/operation'
import { refusals, waitLeftS } from '../../vehicle/judge'
import { after } from '../../vehicle/vehicleState'
import { demandsOf, judged, type Demands } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { Legs } from '../derive/leg'
import type { SearchStep } from '../../sequence/moves'
import type { JobStart } from '../derive/jobStart'
import type { SequencedJob } from './sequenceJob'
import { guardHolds, type SettingMove } from '../derive/settingMoves'
import type { Standing, Step } from './step'
import { actOf, keyOf } from '../../procedure/acts'

/** Sums of the same seconds in another order differ by this at most. */
export const ROUNDING_S = 1e-6

/** An operation, or a setting act at a station, in its place. */
type Item = { operation: Operation } | { move: SettingMove; station: string }

export type OrderedSteps = { steps: Step[]; waitingS: number }
/** An order that a rule refuses when it is run through: a fault of the search, never shown as a plan. */
export type RefusedOrder = { kind: 'refused order'; key: string; ruleIds: string[] }

/**
 * The steps of an order as a crew reads them: settings put back as soon as nothing needs them where that costs nothing,
 * what costs the same in the order a crew expects (a panel finished first, the way out mirroring the way in), walking,
 * tool changes and waits with their seconds. Every step is run through the vehicle's state and the rules.
 */
export function orderedSteps(
  job: DerivedJob,
  legs: Legs,
  start: JobStart,
  sequenced: SequencedJob,
  found: readonly SearchStep[],
): Result<OrderedSteps, RefusedOrder> {
  const items = found.map((step): Item =>
    step.kind === 'operation'
      ? { operation: sequenced.operations[step.operation]! }
      : { move: sequenced.acts[step.act]!, station: sequenced.actStations[step.act]! },
  )
  const context: Context = { job, legs, start, sequenced, asked: askedIn(job) }
  const settled = settingsBackSoon(context, items)
  const reading = inReadingOrder(context, settled)
  // Panel by panel, no order is read better that leaves more panels.
  const shown = runThrough(
    context,
    sequenced.panelByPanel && panelChanges(reading) > panelChanges(settled) ? settled : reading,
  )
  if (!shown.ok || shown.value.waitingS === 0) return shown
  // Nor is one read better that waits longer: what it does sooner or later no longer fills the wait.
  return [settled, items]
    .map((other) => runThrough(context, other))
    .reduce((best, other) => (other.ok && best.ok && other.value.waitingS < best.value.waitingS ? other : best), shown)
}

/** `asked`: what each operation asks for; the same order is gone through again and again. */
type Context = {
  job: DerivedJob
  legs: Legs
  start: JobStart
  sequenced: SequencedJob
  asked: (operation: Operation) => Demands
}

function askedIn(job: DerivedJob): Context['asked'] {
  const known = new Map<Operation, Demands>()
  return (operation) => {
    const demands = known.get(operation) ?? demandsOf(job, operation)
    known.set(operation, demands)
    return demands
  }
}

/**
 * Rule 3 and common sense: a lever, a vent, the ignition goes back as soon as nothing needs it otherwise. An act that
 * leaves a setting as it is to be left is moved forward to the first moment somebody stands at one of its stations
 * anyway.
 */
function settingsBackSoon(context: Context, items: readonly Item[]): Item[] {
  let best = [...items]
  let cost = setUpS(context, best)
  if (!isPossible(context, best)) return best
  for (let at = 0; at < best.length; at++) {
    const item = best[at]!
    if (!('move' in item) || context.legs.finish.get(item.move.settingId) !== item.move.to) continue
    const { settingId } = item.move
    // No further than the last act on the same setting.
    let from = at
    while (from > 0 && !isAct(best[from - 1]!, settingId)) from -= 1
    const savedS = detourS(context, best[at - 1], [item.station], best[at + 1])
    for (let to = from; to < at; to++) {
      if (isInOneGo(context, best[to - 1], best[to])) continue
      if (savedS !== null && (detourS(context, best[to - 1], item.move.stations, best[to]) ?? 0) > savedS + ROUNDING_S)
        continue
      const moved = [...best.slice(0, to), item, ...best.slice(to, at), ...best.slice(at + 1)]
      const trial = reResolved(context, moved)
      const now = trial === null ? Infinity : setUpS(context, trial)
      if (trial === null || now > cost || !isPossible(context, trial)) continue
      best = trial
      cost = now
      break
    }
  }
  return best
}

/** Whether two operations that follow one another are of one go: nothing is put between them. */
function isInOneGo(
  { sequenced: { wholes, number } }: Context,
  before: Item | undefined,
  then: Item | undefined,
): boolean {
  if (!before || !then || !('operation' in before) || !('operation' in then)) return false
  const [a, b] = [number.get(before.operation.key)!, number.get(then.operation.key)!]
  return wholes.some((whole) => whole.includes(a) && whole.includes(b))
}

/**
 * What it takes of walking to come by the nearest of some stations between two operations; null beside a setting act,
 * whose own station may change.
 */
function detourS(
  { start, sequenced, asked }: Context,
  before: Item | undefined,
  stations: readonly string[],
  then: Item | undefined,
): number | null {
  if ((before && 'move' in before) || (then && 'move' in then)) return null
  const { walkS } = sequenced
  const from = before ? asked(before.operation).stations[0]! : start.standing.station
  const to = then ? asked(then.operation).stations[0]! : null
  return Math.min(
    ...stations.map((station) => walkS(from, station) + (to === null ? 0 : walkS(station, to) - walkS(from, to))),
  )
}

function isAct(item: Item, settingId: Id): boolean {
  return 'move' in item && item.move.settingId === settingId
}

/**
 * The same acts from the combinations they now start at, each at the station where it costs least; null when one is not
 * possible.
 */
function reResolved({ start, sequenced, asked }: Context, items: readonly Item[]): Item[] | null {
  let settings = start.state.settings
  let station: string = start.standing.station
  const resolved: Item[] = []
  for (const item of items) {
    if ('operation' in item) {
      resolved.push(item)
      station = asked(item.operation).stations[0]!
      continue
    }
    const { settingId, to, methodId } = item.move
    const move = sequenced.moves
      .movesFrom(settings)
      .find((other) => other.settingId === settingId && other.to === to && other.methodId === methodId)
    if (!move) return null
    const nearest = move.stations.reduce((a, b) => (sequenced.walkS(station, b) < sequenced.walkS(station, a) ? b : a))
    resolved.push({ move, station: nearest })
    station = nearest
    settings = move.settings
  }
  return resolved
}

/** Walking, tool changes and acts of a row of items. */
function setUpS({ job, start, sequenced, asked }: Context, items: readonly Item[]): number {
  let { station, tool } = start.standing
  let sum = 0
  for (const item of items) {
    if ('move' in item) {
      sum += sequenced.walkS(station, item.station) + item.move.durationS
      station = item.station
      continue
    }
    const next = asked(item.operation)
    sum +=
      sequenced.walkS(station, next.stations[0]!) +
      (next.tool === 'hand' || next.tool === tool ? 0 : job.circumstances.house.toolChangeS)
    station = next.stations[0]!
    if (next.tool !== 'hand') tool = next.tool
  }
  return sum
}

/** Whether a row of items can be done as settings and doors then stand, and leaves the settings as they are to be. */
function isPossible({ job, legs, start, sequenced }: Context, items: readonly Item[]): boolean {
  let { state } = start
  for (const item of items) {
    if ('move' in item) {
      if (
        item.move.from !== state.settings.get(item.move.settingId) ||
        !item.move.guards.every((guard) => guardHolds(guard, state))
      )
        return false
      state = { ...state, settings: item.move.settings }
      continue
    }
    if (!sequenced.moves.allows(item.operation, state.settings, state)) return false
    if (sequenced.moves.closesADoor(item.operation)) state = after(job.model, state, item.operation)
  }
  return [...legs.finish].every(([id, value]) => state.settings.get(id) === value)
}

/** What follows without set-up, by what a crew expects next: the panel in hand, then the mirror of the way in. */
function inReadingOrder(context: Context, items: readonly Item[]): Item[] {
  const { start } = context
  const result: Item[] = []
  const turned = new Map<string, number>()
  let run: Operation[] = []
  let { station, tool } = start.standing
  const flush = (next: Operation | null = null) => {
    const before = result.at(-1)
    const panelBefore = before && 'operation' in before ? before.operation.partId : null
    const sorted = sortedRun(context, run, panelBefore, turned)
    // Panel by panel, what is expected next must not make somebody come back to a panel for its screws: the order stays
    // as it was found.
    const changes = (order: readonly Operation[]) =>
      panelChanges([
        ...(before ? [before] : []),
        ...[...order, ...(next ? [next] : [])].map((operation) => ({ operation })),
      ])
    for (const operation of context.sequenced.panelByPanel && changes(sorted) > changes(run) ? run : sorted) {
      turned.set(mirrorName(operation), turned.size)
      result.push({ operation })
    }
    run = []
  }
  for (const item of items) {
    if ('move' in item) {
      flush()
      result.push(item)
      station = item.station
      continue
    }
    const asked = context.asked(item.operation)
    const free = asked.stations[0] === station && (asked.tool === 'hand' || asked.tool === tool)
    const phaseChanges = run.length > 0 && (run[0]!.phase === 'in') !== (item.operation.phase === 'in')
    if (!free || phaseChanges) flush(item.operation)
    run.push(item.operation)
    station = asked.stations[0]!
    if (asked.tool !== 'hand') tool = asked.tool
  }
  flush()
  return result
}

/** How often somebody turns to another panel. What belongs to none is a place of its own; settings are no panel. */
function panelChanges(items: readonly Item[]): number {
  const panels = items.flatMap((item) => ('operation' in item ? [item.operation.partId ?? item.operation.key] : []))
  return panels.filter((panel, i) => i > 0 && panel !== panels[i - 1]).length
}

function sortedRun(
  { legs, sequenced }: Context,
  run: readonly Operation[],
  panelBefore: Id | null,
  turned: ReadonlyMap<string, number>,
): Operation[] {
  const { number } = sequenced
  const inRun = new Set(run.map((operation) => operation.key))
  const waits = new Map<string, string[]>()
  for (const edge of [...legs.wayIn.edges, ...legs.wayOut.edges])
    if (inRun.has(edge.before) && inRun.has(edge.after))
      waits.set(edge.after, [...(waits.get(edge.after) ?? []), edge.before])
  const wholeOf = new Map(sequenced.wholes.flatMap((whole) => whole.map((i) => [i, whole] as const)))
  const sorted: Operation[] = []
  const done = new Set<string>()
  let panel = panelBefore
  const rank = (operation: Operation, at: number) => [
    operation.partId !== null && operation.partId === panel ? 0 : 1,
    operation.phase === 'in' ? 0 : -(turned.get(mirrorName(operation)) ?? -1),
    at,
  ]
  const take = (operation: Operation) => {
    sorted.push(operation)
    done.add(operation.key)
    panel = operation.partId
  }
  while (sorted.length < run.length) {
    const ready = run.filter(
      (operation) => !done.has(operation.key) && (waits.get(operation.key) ?? []).every((key) => done.has(key)),
    )
    const next = ready
      .map((operation) => ({ operation, rank: rank(operation, run.indexOf(operation)) }))
      .sort((a, b) => compareRanks(a.rank, b.rank))[0]!.operation
    // What is done in one go stays together.
    const whole = wholeOf.get(number.get(next.key)!)
    const members = whole ? run.filter((operation) => whole.includes(number.get(operation.key)!)) : [next]
    for (const member of members) if (!done.has(member.key)) take(member)
  }
  return sorted
}

/** Runs the order through state, rules and clock, with the waits it takes. */
function runThrough(context: Context, items: readonly Item[]): Result<OrderedSteps, RefusedOrder> {
  const { job, legs, start, sequenced } = context
  const steps: Step[] = []
  let { state } = start
  let standing: Standing = start.standing
  let waitingS = 0
  const doneAtS = new Map(start.doneAtS)
  const setCount = new Map<string, number>()
  const delays = new Map<string, Edge[]>()
  for (const edge of legs.wayOut.edges)
    if (edge.delayS) delays.set(edge.after, [...(delays.get(edge.after) ?? []), edge])
  const push = (step: Step) => {
    steps.push(step)
    state = after(job.model, state, step.operation, step.workS + step.setUpS)
  }
  const delayLeftS = (operation: Operation) =>
    (delays.get(operation.key) ?? []).reduce(
      (most, edge) => Math.max(most, (doneAtS.get(edge.before) ?? -Infinity) + edge.delayS! - state.nowS),
      0,
    )
  let phase: 'in' | 'out' = items.some((item) => 'operation' in item && item.operation.phase === 'in') ? 'in' : 'out'
  let leftIn = items.filter((item) => 'operation' in item && item.operation.phase === 'in').length
  for (const [at, item] of items.entries()) {
    if ('move' in item) {
      const { move, station } = item
      const value = `${move.settingId}=${move.to}`
      const nth = (setCount.get(value) ?? start.setCount.get(value) ?? 0) + 1
      setCount.set(value, nth)
      const named = `set:${value} by ${move.methodId}`
      const home = phase === 'out' && legs.finish.get(move.settingId) === move.to
      const operation: Operation = {
        key: nth > 1 ? `${named}~${nth}` : named,
        phase,
        act: home ? 'restore' : 'set',
        itemId: move.settingId,
        partId: null,
        setting: { settingId: move.settingId, from: move.from, to: move.to, methodId: move.methodId },
        nth,
      }
      const refused = refusals(job.model, state, judged(job, operation), job.circumstances)
      if (refused.length > 0)
        return fail({ kind: 'refused order', key: operation.key, ruleIds: refused.map((breach) => breach.rule.id) })
      push({
        operation,
        station,
        tool: 'hand',
        workS: move.durationS,
        setUpS: sequenced.walkS(standing.station, station),
      })
      standing = { station, tool: standing.tool }
      continue
    }
    const { operation } = item
    const { stations, tool, workS } = context.asked(operation)
    const station = stations[0]!
    const setUpS =
      sequenced.walkS(standing.station, station) +
      (tool === 'hand' || tool === standing.tool ? 0 : job.circumstances.house.toolChangeS)
    // One goes where it has to be waited, the tool in hand: that takes part of the time. What is done in one go is
    // waited for before it begins.
    const waitS = Math.max(
      0,
      ...inOneGoFrom(context, items, at).map(
        ({ operation: next, afterS }) =>
          Math.max(delayLeftS(next), waitLeftS(job.model, state, judged(job, next), job.circumstances)) - afterS,
      ),
    )
    if (waitS > 0) {
      // Whoever waits takes up what is needed next.
      const next = waitS > setUpS ? nextTool(context, items, at) : tool
      const takeUpS =
        next === 'hand' || next === tool || (tool === 'hand' && next === standing.tool)
          ? 0
          : job.circumstances.house.toolChangeS
      const left = Math.max(0, Math.ceil(waitS - setUpS - takeUpS))
      waitingS += left
      push({
        operation: {
          key: keyOf('wait', operation.key),
          phase,
          act: 'wait',
          itemId: operation.itemId,
          partId: null,
          setting: null,
          nth: 1,
        },
        station,
        tool: next,
        workS: left,
        setUpS: setUpS + takeUpS,
      })
      standing = { station, tool: next === 'hand' ? standing.tool : next }
    }
    const refused = refusals(job.model, state, judged(job, operation), job.circumstances)
    if (refused.length > 0 || !sequenced.moves.allows(operation, state.settings, state))
      return fail({ kind: 'refused order', key: operation.key, ruleIds: refused.map((breach) => breach.rule.id) })
    push({ operation, station, tool, workS, setUpS: waitS > 0 ? 0 : setUpS })
    standing = { station, tool: tool === 'hand' ? standing.tool : tool }
    doneAtS.set(operation.key, state.nowS)
    if (operation.phase === 'in' && --leftIn === 0 && legs.wayOut.operations.size > 0) phase = 'out'
  }
  return ok({ steps, waitingS })
}

/**
 * The operation at a place in the order, with those done in one go with it from there on: each with the seconds of what
 * comes before it in that go.
 */
function inOneGoFrom(
  { sequenced, asked }: Context,
  items: readonly Item[],
  at: number,
): { operation: Operation; afterS: number }[] {
  const first = (items[at] as { operation: Operation }).operation
  const whole = sequenced.wholes.find((members) => members.includes(sequenced.number.get(first.key)!)) ?? []
  const found = [{ operation: first, afterS: 0 }]
  let afterS = asked(first).workS
  for (let next = at + 1; next < items.length; next++) {
    const item = items[next]!
    if (!('operation' in item) || !whole.includes(sequenced.number.get(item.operation.key)!)) break
    found.push({ operation: item.operation, afterS })
    afterS += asked(item.operation).workS
  }
  return found
}

/** The tool in hand for an operation or, where that is done by bare hands, the first one needed after it. */
function nextTool({ asked }: Context, items: readonly Item[], at: number): string {
  const tools = items.slice(at).map((item) => ('operation' in item ? asked(item.operation).tool : 'hand'))
  return tools.find((tool) => tool !== 'hand') ?? 'hand'
}

/** The same name for an act and the act that takes it back; a lead goes through its aperture with its plug. */
function mirrorName(operation: Operation): string {
  return `${actOf(operation.act).pair}:${operation.itemId}`
}

function compareRanks(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}
