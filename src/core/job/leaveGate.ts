import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { isWarningCircuit } from '../procedure/circuits'
import type { Circumstances } from '../vehicle/circumstances'
import type { Breach } from '../vehicle/judge'
import { powerGate } from '../vehicle/powerGate'
import { smallestSet, type Obligation } from '../vehicle/smallestSet'
import type { VehicleState } from '../vehicle/vehicleState'
import { settleAccount } from './account'
import { levelNow } from './fold'
import type { JobState } from './jobState'

/** What forbids using the vehicle although the work is not finished. */
export type LeaveForbids =
  | { kind: 'trim loose'; partId: Id }
  | { kind: 'fasteners out'; partId: Id; holderIds: Id[] }
  | { kind: 'lead loose'; tetherId: Id }
  | { kind: 'warning circuit'; tetherId: Id }
  | { kind: 'power'; breach: Breach }

/** One act that would make it safe. `stow`: off altogether, its plugs open and parked, and out of the way. */
export type LeaveAct =
  | { kind: 'seat' | 'fasten' | 'stow'; partId: Id }
  | { kind: 'plug' | 'park'; tetherId: Id }
  | { kind: 'set'; settingId: Id; value: string }

export type LeaveAnswer = {
  allowed: boolean
  forbids: LeaveForbids[]
  /** The fewest acts that would allow it; null when nothing on this list does. */
  smallest: LeaveAct[] | null
  driverMustKnow: { functionsOut: Id[]; partsOff: Id[]; notTested: Id[]; leadsParked: Id[] }
}

/**
 * May the vehicle be used although the work is unfinished? Trim is home and held, or out of the vehicle; open leads are
 * parked and covered; circuits that warn or light are closed; ignition and engine may come on. Answers also what the
 * driver must be told. It judges what the record knows: the person who hands the key over looks for themselves.
 */
export function leaveGate(
  model: ProcedureForBuild,
  state: JobState,
  vehicle: VehicleState,
  circumstances: Circumstances,
): LeaveAnswer {
  const forbids: LeaveForbids[] = []
  const obligations: Obligation[] = []
  const owe = (reason: LeaveForbids, options: string[][]) => {
    forbids.push(reason)
    obligations.push(options)
  }
  for (const part of model.parts.values()) {
    const level = levelNow(state, part.id)
    const stow = stowing(model, state, part.id)
    if (level === 'eased' || level === 'free')
      owe({ kind: 'trim loose', partId: part.id }, [[`seat:${part.id}`], ...stow])
    else if (level === 'in place' && state.moved.has(part.id)) {
      const out = (model.holdersOf.get(part.id) ?? [])
        .filter((holder) => settleAccount(state.holders.get(holder.id)!).standing === 0)
        .map((holder) => holder.id)
      if (out.length > 0)
        owe({ kind: 'fasteners out', partId: part.id, holderIds: out }, [[`fasten:${part.id}`], ...stow])
    }
  }
  for (const id of vehicle.open) {
    const tether = model.tethers.get(id)
    if (!tether) continue
    const warns = isWarningCircuit(tether)
    const leftOpen = state.ends.get(id)?.end === 'left open and insulated'
    if (warns) owe({ kind: 'warning circuit', tetherId: id }, [[`plug:${id}`]])
    else if (!state.parked.has(id) && !leftOpen)
      owe({ kind: 'lead loose', tetherId: id }, [[`plug:${id}`], [`park:${id}`]])
  }
  const gate = powerGate(model, vehicle, circumstances)
  for (const power of ['ignition', 'engine'] as const) {
    const { forbiddenBy, putBack } = gate[power]
    if (forbiddenBy.length === 0) continue
    for (const breach of forbiddenBy) forbids.push({ kind: 'power', breach })
    if (putBack === null) obligations.push([])
    else
      for (const item of putBack)
        obligations.push([[item.kind === 'plug' ? `plug:${item.tetherId}` : `set:${item.settingId}=${item.value}`]])
  }
  const smallest = smallestSet(obligations)
  return {
    allowed: forbids.length === 0,
    forbids: onceEach(forbids),
    smallest: smallest && smallest.map(actOf),
    driverMustKnow: mustKnow(model, state, vehicle),
  }
}

/** Taking a loose part off altogether: only where none of its plugs is one the vehicle is not driven without. */
function stowing(model: ProcedureForBuild, state: JobState, partId: Id): string[][] {
  const tying = model.tyingOf.get(partId) ?? []
  if (tying.some(isWarningCircuit)) return []
  return [
    [`stow:${partId}`, ...tying.filter((tether) => !state.parked.has(tether.id)).map((tether) => `park:${tether.id}`)],
  ]
}

function actOf(key: string): LeaveAct {
  const [kind, rest] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)]
  if (kind === 'set') return { kind, settingId: rest.split('=')[0]!, value: rest.slice(rest.indexOf('=') + 1) }
  return kind === 'plug' || kind === 'park'
    ? { kind, tetherId: rest }
    : { kind: kind as 'seat' | 'fasten' | 'stow', partId: rest }
}

function onceEach(forbids: LeaveForbids[]): LeaveForbids[] {
  return [
    ...new Map(
      forbids.map((item) => [item.kind === 'power' ? `power ${item.breach.rule.id}` : JSON.stringify(item), item]),
    ).values(),
  ]
}

function mustKnow(model: ProcedureForBuild, state: JobState, vehicle: VehicleState): LeaveAnswer['driverMustKnow'] {
  const openTethers = [...vehicle.open].flatMap((id) => model.tethers.get(id) ?? [])
  const functionsOut = new Set(openTethers.flatMap((tether) => tether.functions))
  const touched = [...state.tethersTouched].flatMap((id) => model.tethers.get(id)?.functions ?? [])
  return {
    functionsOut: [...functionsOut],
    partsOff: [...model.parts.keys()].filter((id) => levelNow(state, id) === 'off'),
    notTested: [...new Set(touched)].filter((id) => !functionsOut.has(id) && state.tests.get(id)?.result !== 'passed'),
    leadsParked: openTethers.filter((tether) => state.parked.has(tether.id)).map((tether) => tether.id),
  }
}
