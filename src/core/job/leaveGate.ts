import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { isWarningCircuit } from '../procedure/circuits'
import { goesBack } from '../procedure/endings'
import type { Circumstances } from '../vehicle/circumstances'
import type { Breach } from '../vehicle/judge'
import { powerGate, settingSet } from '../vehicle/powerGate'
import { smallestSet, type Obligation } from '../vehicle/smallestSet'
import type { VehicleState } from '../vehicle/vehicleState'
import { leadTaskOf } from '../shop/leadTask'
import { settleAccount } from './account'
import { levelNow } from './fold'
import { isOut, type UnresolvedOf } from './unresolved'
import type { JobState } from './jobState'
import { PLAIN_TERMS, type JobTerms } from './terms'

/** What forbids using the vehicle although the work is not finished. */
export type LeaveForbids =
  | { kind: 'trim loose'; partId: Id }
  | { kind: 'fasteners out'; partId: Id; holderIds: Id[] }
  | { kind: 'lead loose'; tetherId: Id }
  | { kind: 'warning circuit'; tetherId: Id }
  | { kind: 'power'; breach: Breach }
  /** Something is out that the record does not have: nothing on a list would answer for it, somebody looks. */
  | { kind: 'unresolved'; of: UnresolvedOf; id: Id }

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
  driverMustKnow: {
    functionsOut: Id[]
    partsOff: Id[]
    notTested: Id[]
    leadsParked: Id[]
    /** Leads of kits that are begun and not done, by name: their ends lie open somewhere. */
    leadsHalfway: string[]
  }
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
  terms: Pick<JobTerms, 'endings' | 'kits'> = PLAIN_TERMS,
): LeaveAnswer {
  const owed: Owed[] = [
    ...looseParts(model, state, terms.endings),
    ...looseLeads(model, state, vehicle, terms),
    ...powerOwed(model, vehicle, circumstances),
    ...[...state.unresolved.values()].filter(isOut).map(({ of, id }) => owe({ kind: 'unresolved', of, id }, [])),
  ]
  const forbids = owed.flatMap((item) => item.forbids)
  // Ignition and engine may want one setting at two values: then nothing does.
  const acts = { excludes: settingSet, isFree: () => false }
  const smallest = smallestSet(
    owed.flatMap((item) => item.obligations),
    acts,
  )
  return {
    allowed: forbids.length === 0,
    forbids: onceEach(forbids),
    smallest: smallest && smallest.map(actOf),
    driverMustKnow: { ...mustKnow(model, state, vehicle), leadsHalfway: leadsHalfway(state, terms.kits) },
  }
}

/** What forbids it, and what would answer for it. */
type Owed = { forbids: LeaveForbids[]; obligations: Obligation[] }

function owe(reason: LeaveForbids, options: string[][]): Owed {
  return { forbids: [reason], obligations: [options] }
}

/** Trim that is neither home and held nor out of the vehicle. What a kit leaves behind holds nothing any more. */
function looseParts(model: ProcedureForBuild, state: JobState, endings: JobTerms['endings']): Owed[] {
  return [...model.parts.keys()].flatMap((partId) => {
    const level = levelNow(state, partId)
    const stow = stowing(model, state, partId)
    if (level === 'eased' || level === 'free')
      return [owe({ kind: 'trim loose', partId }, [[`seat:${partId}`], ...stow])]
    if (level !== 'in place' || !state.moved.has(partId)) return []
    const holderIds = (model.holdersOf.get(partId) ?? [])
      .filter(({ id }) => goesBack(endings.get(id)) && settleAccount(state.holders.get(id)!).standing === 0)
      .map((holder) => holder.id)
    if (holderIds.length === 0) return []
    return [owe({ kind: 'fasteners out', partId, holderIds }, [[`fasten:${partId}`], ...stow])]
  })
}

function looseLeads(
  model: ProcedureForBuild,
  state: JobState,
  vehicle: VehicleState,
  { endings, kits }: Pick<JobTerms, 'endings' | 'kits'>,
): Owed[] {
  const isFitted = kits.every(({ works }) => works.every(({ id }) => state.works.has(id)))
  return [...vehicle.open].flatMap((tetherId) => {
    const tether = model.tethers.get(tetherId)
    if (!tether) return []
    if (isWarningCircuit(tether)) return [owe({ kind: 'warning circuit', tetherId }, [[`plug:${tetherId}`]])]
    // Cut off by a kit's work, once that is done: no plug hangs there any more.
    if (endings.get(tetherId) === 'scrapped' && isFitted) return []
    if (state.parked.has(tetherId) || state.ends.get(tetherId)?.end === 'left open and insulated') return []
    return [owe({ kind: 'lead loose', tetherId }, [[`plug:${tetherId}`], [`park:${tetherId}`]])]
  })
}

function powerOwed(model: ProcedureForBuild, vehicle: VehicleState, circumstances: Circumstances): Owed[] {
  const gate = powerGate(model, vehicle, circumstances)
  return (['ignition', 'engine'] as const).flatMap((power) => {
    const { forbiddenBy, putBack } = gate[power]
    if (forbiddenBy.length === 0) return []
    const forbids = forbiddenBy.map((breach): LeaveForbids => ({ kind: 'power', breach }))
    if (putBack === null) return [{ forbids, obligations: [[]] }]
    const obligations = putBack.map((item) => [
      [item.kind === 'plug' ? `plug:${item.tetherId}` : `set:${item.settingId}=${item.value}`],
    ])
    return [{ forbids, obligations }]
  })
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

/** Work of leads that was begun and is not done: a leg of it lies, or work of the same lead does. */
function leadsHalfway(state: JobState, kits: JobTerms['kits']): string[] {
  const works = kits.flatMap((kit) => kit.works.filter(({ id }) => LAID.has(leadTaskOf(id) ?? '')))
  const leadOf = (id: Id) => id.split('.')[1]
  const isBegun = ({ id, steps }: (typeof works)[number]) =>
    state.works.has(id) || steps.some((step) => state.stepsDone.has(`${id}/${step.id}`))
  const begun = new Set(works.filter(isBegun).map(({ id }) => leadOf(id)))
  return works.filter(({ id }) => begun.has(leadOf(id)) && !state.works.has(id)).map(({ name }) => name)
}
const LAID: ReadonlySet<string> = new Set(['lay', 'sight', 'fuse'])

function mustKnow(
  model: ProcedureForBuild,
  state: JobState,
  vehicle: VehicleState,
): Omit<LeaveAnswer['driverMustKnow'], 'leadsHalfway'> {
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
