import type { Id } from '../../base/id'
import { after } from '../../vehicle/vehicleState'
import { guardHolds } from '../derive/settingGuard'
import { ROUNDING_S, type Context, type Item } from './orderContext'

/**
 * Rule 3 and common sense: a lever, a vent, the ignition goes back as soon as nothing needs it otherwise. An act that
 * leaves a setting as it is to be left is moved forward to the first moment somebody stands at one of its stations
 * anyway.
 */
export function settingsBackSoon(context: Context, items: readonly Item[]): Item[] {
  let best = [...items]
  if (!isPossible(context, best)) return best
  for (let at = 0; at < best.length; at++) best = sooner(context, best, at) ?? best
  return best
}

/** The same order with the act at a place moved to the first moment that costs no more; null where there is none. */
function sooner(context: Context, items: readonly Item[], at: number): Item[] | null {
  const item = items[at]!
  if (!('move' in item) || context.legs.finish.get(item.move.settingId) !== item.move.to) return null
  const cost = setUpS(context, items)
  // No further than the last act on the same setting.
  let from = at
  while (from > 0 && !isAct(items[from - 1]!, item.move.settingId)) from -= 1
  const savedS = detourS(context, items[at - 1], [item.station], items[at + 1]) ?? Infinity
  for (let to = from; to < at; to++) {
    if (isInOneGo(context, items[to - 1], items[to])) continue
    if ((detourS(context, items[to - 1], item.move.stations, items[to]) ?? 0) > savedS + ROUNDING_S) continue
    const moved = [...items.slice(0, to), item, ...items.slice(to, at), ...items.slice(at + 1)]
    const trial = reResolved(context, moved)
    if (trial !== null && setUpS(context, trial) <= cost && isPossible(context, trial)) return trial
  }
  return null
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
