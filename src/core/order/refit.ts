import type { Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import { goesBack } from '../procedure/endings'
import type { Ending } from '../procedure/end'
import { PHYSICAL } from '../procedure/needReasons'
import { isAirbagCircuit } from '../procedure/circuits'
import { shortestLoop } from './loop'
import { addDemand, startLikeFastening, tightenInStages, type Order } from './refitStages'
import { keyDoing, type Because, type Demand, type Edge, type Operation } from './operation'
import type { Removal } from './removal'
import { endValue } from './settingAct'
import { NOTHING_ASKED, type AskedByRules } from './wish'
import { type Act, type InAct, keyOf, type OutAct, turnedRound } from '../procedure/acts'

export type Refit = {
  operations: Map<string, Operation>
  edges: Edge[]
  demands: Map<string, Demand[]>
  /** The way back of an act of the way in, by key; nothing for what ends elsewhere. */
  outKeyOf: Map<string, string>
}

export type RefitError =
  | { kind: 'contradiction'; loop: Edge[] }
  /** A part does not come back, and nobody has said what becomes of its plug. */
  | { kind: 'tether without end'; tetherId: Id; partId: Id }
  | { kind: 'airbag left open'; tetherId: Id }

/**
 * The way out of what came off: undo and fasten, release and seat, open and close, lift and place, and every physical
 * before-relation turned round. It is a partial order, not the log read backwards: what only ordered the way in (a
 * habit, the recorder's own order, a rule) is not carried over, and what ends elsewhere (`endings`) drops out.
 *
 * Errors: returned, with the loop. Cost: O(operations + edges).
 */
export function deriveRefit(
  removal: Removal,
  endings: ReadonlyMap<Id, Ending> = new Map(),
  asked: AskedByRules = NOTHING_ASKED,
): Result<Refit, RefitError> {
  const refit = turnRound(removal, endings, asked)
  const loop = refit.ok ? shortestLoop([...refit.value.operations.keys()], refit.value.edges) : null
  return loop ? fail({ kind: 'contradiction', loop }) : refit
}

/**
 * What does not come back as it came off. `elsewhere`: parts that come back at another place, where nothing of the old
 * one is in their way. `stoodInFor`: parts in whose place something of a kit is fitted; their plugs come back, and of
 * their fasteners those whose own ending says so.
 */
export type NewPlaces = { elsewhere: ReadonlySet<Id>; stoodInFor: ReadonlySet<Id> }

/** The same, not yet looked at for a loop: for whoever adds to it first. */
export function turnRound(
  removal: Removal,
  endings: ReadonlyMap<Id, Ending>,
  asked: AskedByRules,
  { elsewhere, stoodInFor }: NewPlaces = AS_BEFORE,
): Result<Refit, RefitError> {
  const operations = new Map<string, Operation>()
  const edges: Edge[] = []
  const outKeyOf = new Map<string, string>()
  const order: Order = (before, after, because) => {
    if (before && after && before !== after) edges.push({ before, after, because })
  }
  for (const operation of removal.operations.values()) {
    if (OF_A_PART.includes(operation.act) && stoodInFor.has(operation.itemId)) continue
    const back = comesBack(removal, operation, endings)
    if (!back.ok) return back
    if (!back.value) continue
    const act = turnedRound(operation.act as InAct)
    const key = `${act}:${operation.itemId}`
    operations.set(key, {
      key,
      phase: 'out',
      act,
      itemId: operation.itemId,
      partId: operation.partId,
      setting: null,
      nth: 1,
    })
    outKeyOf.set(operation.key, key)
  }
  pressHome(removal, operations, endings)
  for (const edge of removal.edges)
    if (isPhysical(removal, edge) && isOfOnePlace(removal, edge, elsewhere))
      order(outKeyOf.get(edge.after), outKeyOf.get(edge.before), edge.because)
  for (const operation of operations.values())
    if (operation.act === 'fasten')
      for (const partId of removal.model.holders.get(operation.itemId)!.holds)
        // One that was only eased: where it came free, the relation turned round says it already.
        if (removal.levels.get(partId) === 'eased' && operations.has(keyOf('seat', partId)))
          order(keyOf('seat', partId), operation.key, { kind: 'holds', holderId: operation.itemId, partId })
  leadThroughApertures(removal, operations, order, elsewhere)
  tightenInStages(removal, operations, order)
  const demands = demandsOnTheWayBack(removal, operations, outKeyOf, asked)
  statedForTheWayBack(removal, operations, order, demands)
  startLikeFastening(operations, edges, demands)
  return ok({ operations, edges, demands, outKeyOf })
}

const AS_BEFORE: NewPlaces = { elsewhere: new Set(), stoodInFor: new Set() }
const OF_A_PART: readonly Act[] = ['ease', 'release', 'lift']

/**
 * Whether both acts are at the part's old place, or both are of a part that comes back at another; its plugs are
 * plugged where its carrier goes in.
 */
function isOfOnePlace({ operations }: Removal, { before, after }: Edge, elsewhere: ReadonlySet<Id>): boolean {
  if (elsewhere.size === 0) return true
  const [a, b] = [operations.get(before), operations.get(after)]
  const goes = [a, b].some((operation) => operation?.partId && elsewhere.has(operation.partId))
  return !goes || (a?.partId === b?.partId && a?.act !== 'open' && b?.act !== 'open')
}

/**
 * What let go with a pull is pressed home with the seat of the same part or, where that stays away, of another it
 * holds.
 */
function pressHome(removal: Removal, operations: Map<string, Operation>, endings: ReadonlyMap<Id, Ending>): void {
  for (const pull of removal.operations.values())
    for (const holderId of pull.pulled ?? []) {
      if (!goesBack(endings.get(holderId))) continue
      const seat = [pull.itemId, ...removal.model.holders.get(holderId)!.holds]
        .map((id) => operations.get(keyOf('seat', id)))
        .find((found) => found !== undefined)
      if (seat) operations.set(seat.key, { ...seat, pulled: [...(seat.pulled ?? []), holderId] })
    }
}

/** Whether an act of the way in is taken back, given what becomes of the things. */
function comesBack(
  removal: Removal,
  operation: Operation,
  endings: ReadonlyMap<Id, Ending>,
): Result<boolean, RefitError> {
  const { model } = removal
  const { act, itemId } = operation
  if (act === 'undo')
    return ok(
      model.holders.get(itemId)!.holds.some((partId) => goesBack(endings.get(partId))) && goesBack(endings.get(itemId)),
    )
  if (act === 'ease') return ok(!removal.operations.has(keyOf('release', itemId)))
  if (act !== 'open') return ok(goesBack(endings.get(itemId)))
  const tether = model.tethers.get(itemId)!
  const ending = endings.get(itemId)
  if (ending === 'left open and insulated')
    return isAirbagCircuit(tether) ? fail({ kind: 'airbag left open', tetherId: itemId }) : ok(false)
  // Its part is gone: whoever decided that has to say what becomes of the plug.
  const gone = !goesBack(endings.get(tether.partId))
  if (gone && ending === undefined) return fail({ kind: 'tether without end', tetherId: itemId, partId: tether.partId })
  return ok(goesBack(ending))
}

/** What a hand would meet again on the way back. A rule or the recorder's order is not a relation between things. */
export function isPhysical(removal: Removal, { because }: Edge): boolean {
  if (
    because.kind === 'in one go' ||
    because.kind === 'eased first' ||
    because.kind === 'seen' ||
    because.kind === 'bears'
  )
    return false
  if (because.kind !== 'need') return true
  const { reason } = removal.model.needOf.get(because.needId)!
  return reason === 'setting' || PHYSICAL.includes(reason)
}

function leadThroughApertures(
  removal: Removal,
  operations: Map<string, Operation>,
  order: Order,
  elsewhere: ReadonlySet<Id>,
): void {
  for (const operation of [...operations.values()]) {
    if (operation.act !== 'close') continue
    const tether = removal.model.tethers.get(operation.itemId)!
    if (tether.leadThrough === '' && tether.throughPartId === null) continue
    if (elsewhere.has(tether.partId)) continue
    const key = keyOf('feed', tether.id)
    const because: Because = { kind: 'lead through', tetherId: tether.id }
    operations.set(key, { ...operation, key, act: 'feed' })
    const through = tether.throughPartId ?? removal.model.hostOf(tether.partId)
    const has = (other: string) => (operations.has(other) ? other : undefined)
    order(has(keyOf('place', through)), key, because)
    order(key, has(keyOf('seat', through)), because)
    order(key, operation.key, because)
  }
}

function demandsOnTheWayBack(
  removal: Removal,
  operations: ReadonlyMap<string, Operation>,
  outKeyOf: ReadonlyMap<string, string>,
  asked: AskedByRules,
): Map<string, Demand[]> {
  const { model } = removal
  const demands = new Map<string, Demand[]>()
  for (const [key, operation] of operations) for (const demand of asked(operation)) addDemand(demands, key, demand)
  for (const [inKey, list] of removal.demands)
    for (const demand of list) {
      const need = demand.because.kind === 'need' ? model.needOf.get(demand.because.needId)! : null
      const outKey = outKeyOf.get(inKey)
      // A vent that hides the screws hides them on the way back as well.
      if (need && outKey && PHYSICAL.includes(need.reason)) addDemand(demands, outKey, demand)
    }
  for (const wish of removal.settings.values())
    for (const need of model.needsOf.get(keyOf('method', wish.methodId)) ?? []) {
      if (need.needs.kind !== 'part') continue
      // What a method moved out of the way goes back once the setting stands as it is to be: until then it may be
      // needed again.
      const end = endValue(model, wish.settingId)
      if (wish.value === end) continue
      const key = ['place', 'seat']
        .map((act) => `${act}:${need.needs.kind === 'part' ? need.needs.partId : ''}`)
        .find((k) => operations.has(k))
      if (key)
        addDemand(demands, key, {
          settingId: wish.settingId,
          value: end,
          because: { kind: 'set back', settingId: wish.settingId },
        })
    }
  return demands
}

/** Needs stated on the acts of the way back: a setting at a value, or another operation first. */
function statedForTheWayBack(
  removal: Removal,
  operations: ReadonlyMap<string, Operation>,
  order: Order,
  demands: Map<string, Demand[]>,
): void {
  const here = (act: Act | 'method', id: Id) => keyDoing(operations, act, id)
  const BACK: readonly OutAct[] = ['place', 'seat', 'close', 'fasten']
  for (const need of removal.model.needs) {
    const { act, id } = need.dependent
    if (!(BACK as readonly string[]).includes(act) || need.reason === 'habit') continue
    const dependent = here(act, id)
    if (!dependent) continue
    const because: Because = { kind: 'need', needId: need.id }
    const needed = need.needs
    if (needed.kind === 'operation') order(here(needed.act, needed.id), dependent, because)
    if (needed.kind === 'part')
      order(dependent, here(needed.level === 'off' ? 'place' : 'seat', needed.partId), because)
    if (needed.kind === 'tether') {
      if (needed.state === 'closed') order(here('close', needed.tetherId), dependent, because)
      else order(dependent, here('close', needed.tetherId), because)
    }
    if (needed.kind === 'setting')
      addDemand(demands, dependent, { settingId: needed.settingId, value: needed.value, because })
  }
}
