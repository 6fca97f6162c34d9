import { fail, ok, type Result } from '../../base/result'
import { refusals } from '../../vehicle/judge'
import { after, type VehicleState } from '../../vehicle/vehicleState'
import { judged } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { Leg, Legs, NoSafeOrder } from '../derive/leg'
import { SettingMoves, type Settings } from '../derive/settingMoves'

/** Both legs of a job together, so that the way in is never taken in a way the way out can't follow. */
export type Feasibility = {
  job: DerivedJob
  wayIn: Leg
  wayOut: Leg
  moves: SettingMoves
  finish: ReadonlyMap<string, string>
  before: ReadonlyMap<string, readonly string[]>
  /** Remaining work and reachable settings from which nothing more can be finished. */
  dead: Set<string>
  visits: number
}

/** Beyond this many branches it says that it gave up instead of claiming anything. */
const MOST_VISITS = 4000

/**
 * `state`: where the job stands when it is asked; the settings found otherwise than they are to be left are among those
 * moved.
 */
export function feasibilityOf(
  job: DerivedJob,
  { wayIn, wayOut, demands, finish }: Legs,
  state: VehicleState,
): Feasibility {
  const moves = new SettingMoves(job, demands, finish, state)
  const before = new Map<string, string[]>()
  for (const leg of [wayIn, wayOut])
    for (const edge of leg.edges) {
      if (!leg.operations.has(edge.before) || !leg.operations.has(edge.after)) continue
      const list = before.get(edge.after)
      if (list) list.push(edge.before)
      else before.set(edge.after, [edge.before])
    }
  return { job, wayIn, wayOut, moves, finish, before, dead: new Set(), visits: 0 }
}

/**
 * Whether everything that is left can still be done, and the settings set back, without breaking a rule. Operations
 * that change nothing for setting acts are done at once, which can only loosen what comes later; only those that open
 * or close a door for a setting act, or that tie the settings down for good, are tried in every order. Sound and, up to
 * the stated number of branches, complete. Errors: what was stuck; `proven` false when it gave up.
 */
export function canStillFinish(
  f: Feasibility,
  done: ReadonlySet<string>,
  state: VehicleState,
): Result<true, NoSafeOrder> {
  f.visits = 0
  const start = f.moves.combinations(state.settings, state)
  const stuck = visit(f, new Set(done), state, start)
  return stuck === null
    ? ok(true)
    : fail({ kind: 'no safe order', stuck: stuck.stuck, proven: f.visits <= MOST_VISITS })
}

type Combinations = ReadonlyMap<string, Settings>
type Stuck = { left: number; stuck: NoSafeOrder['stuck'] }

function visit(f: Feasibility, done: Set<string>, state: VehicleState, combinations: Combinations): Stuck | null {
  f.visits += 1
  doWhatChangesNothing(f, done, state, combinations)
  const ready = readyOperations(f, done)
  if (ready.length === 0) return isHome(f, combinations) ? null : { left: 0, stuck: [] }
  const left = [...f.wayIn.operations.keys(), ...f.wayOut.operations.keys()].filter((key) => !done.has(key))
  const name = `${left.join()}|${[...combinations.keys()].join()}`
  if (f.dead.has(name)) return { left: Infinity, stuck: [] }
  let worst: Stuck = { left: left.length, stuck: whatIsStuck(f, ready, state, combinations) }
  for (const operation of ready) {
    const allowed = filter(combinations, (settings) => f.moves.allows(operation, settings, state))
    if (allowed.size === 0 || f.visits > MOST_VISITS) continue
    const [next, nextDone] = doBlock(f, operation, state, done)
    const answer = visit(f, nextDone, next, expand(f, allowed, next))
    if (answer === null) return null
    if (answer.stuck.length > 0 && answer.left < worst.left) worst = answer
  }
  // What was only given up on is not known to be dead.
  if (f.visits <= MOST_VISITS) f.dead.add(name)
  return worst
}

/** Does at once whatever changes nothing that a setting act looks at: the state need not follow. */
function doWhatChangesNothing(f: Feasibility, done: Set<string>, state: VehicleState, combinations: Combinations) {
  for (let progress = true; progress;) {
    progress = false
    for (const operation of readyOperations(f, done)) {
      if (f.moves.closesADoor(operation)) continue
      const allowed = filter(combinations, (settings) => f.moves.allows(operation, settings, state))
      if (allowed.size === 0 || expand(f, allowed, state).size < combinations.size) continue
      done.add(operation.key)
      progress = true
    }
  }
}

/** Whether the settings can be left as they are to be. */
function isHome(f: Feasibility, combinations: Combinations): boolean {
  return [...combinations.values()].some((settings) => [...f.finish].every(([id, value]) => settings.get(id) === value))
}

/** A part that may not rest is released, opened and lifted in one go, and placed, plugged and pushed home in one. */
export function doBlock(
  f: Feasibility,
  operation: Parameters<SettingMoves['closesADoor']>[0],
  state: VehicleState,
  done: ReadonlySet<string>,
): [VehicleState, Set<string>] {
  const nextDone = new Set(done).add(operation.key)
  let next = after(f.job.model, state, operation)
  const back = operation.act === 'place' ? f.job.backInOneGo.get(operation.itemId) : undefined
  if (back) {
    for (let more = true; more;) {
      more = false
      for (const other of readyOperations(f, nextDone).filter(({ key }) => back.includes(key))) {
        nextDone.add(other.key)
        next = after(f.job.model, next, other)
        more = true
      }
    }
    return [next, nextDone]
  }
  const part = operation.act === 'release' ? f.job.model.parts.get(operation.itemId) : undefined
  if (!part || part.rests.some((rest) => rest.level === 'free')) return [next, nextDone]
  for (let more = true; more;) {
    more = false
    for (const other of readyOperations(f, nextDone)) {
      const inBlock =
        (other.act === 'open' || other.act === 'lift') &&
        other.partId !== null &&
        f.job.model.hostOf(other.partId) === part.id
      if (!inBlock) continue
      nextDone.add(other.key)
      next = after(f.job.model, next, other)
      more = true
    }
  }
  return [next, nextDone]
}

/** What nothing holds back now; nothing of the way out before the way in is done. */
function readyOperations(f: Feasibility, done: ReadonlySet<string>) {
  const ready = (leg: Leg) =>
    [...leg.operations.values()].filter(
      (operation) => !done.has(operation.key) && (f.before.get(operation.key) ?? []).every((key) => done.has(key)),
    )
  const first = ready(f.wayIn)
  return first.length > 0 || [...f.wayIn.operations.keys()].some((key) => !done.has(key)) ? first : ready(f.wayOut)
}

function expand(f: Feasibility, from: Combinations, state: VehicleState): Combinations {
  const all = new Map<string, Settings>()
  for (const settings of from.values())
    for (const [name, reached] of f.moves.combinations(settings, state)) all.set(name, reached)
  return all
}

function filter(combinations: Combinations, keep: (settings: Settings) => boolean): Combinations {
  return new Map([...combinations].filter(([, settings]) => keep(settings)))
}

function whatIsStuck(
  f: Feasibility,
  ready: ReturnType<typeof readyOperations>,
  state: VehicleState,
  combinations: Combinations,
): NoSafeOrder['stuck'] {
  return ready
    .filter((operation) => ![...combinations.values()].some((settings) => f.moves.allows(operation, settings, state)))
    .map((operation) => ({
      key: operation.key,
      demands: [...(f.wayIn.demands.get(operation.key) ?? []), ...(f.wayOut.demands.get(operation.key) ?? [])],
      ruleIds: refusals(f.job.model, state, judged(f.job, operation), f.job.circumstances).map(
        (breach) => breach.rule.id,
      ),
    }))
}
