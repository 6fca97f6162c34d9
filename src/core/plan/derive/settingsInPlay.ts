import { compareText } from '../../base/compareText'
import type { Id } from '../../base/id'
import type { Demand } from '../../order/operation'
import { methodsTo } from '../../order/settingAct'
import { keyOf } from '../../procedure/acts'
import type { VehicleState } from '../../vehicle/vehicleState'
import type { DerivedJob } from './derivedJob'

type Demands = ReadonlyMap<string, readonly Demand[]>
type Finish = ReadonlyMap<Id, string>

/**
 * Settings an order has to do with: those demanded or set back, what their methods need in turn, and what a rule wants
 * moved first.
 */
export function settingsInPlay(job: DerivedJob, demands: Demands, finish: Finish, state: VehicleState): Id[] {
  const { model } = job
  const found = new Set<Id>(
    [
      ...[...demands.values()].flat().map((demand) => demand.settingId),
      ...finish.keys(),
      ...wantedByRules(job, state).map(([id]) => id),
    ].filter((id) => model.settings.has(id)),
  )
  for (const id of found)
    for (const { needs } of needsOfMethods(job, id)) if (needs.kind === 'setting') found.add(needs.settingId)
  return [...found].sort(compareText)
}

/**
 * Values an order can need a setting at: as it stands, as it is to be left, and what is demanded. Others lead nowhere.
 */
export function valuesInPlay(
  job: DerivedJob,
  settings: readonly Id[],
  demands: Demands,
  finish: Finish,
  state: VehicleState,
): Map<Id, string[]> {
  const { model } = job
  const values = new Map(
    settings.map((id) => [id, new Set([state.settings.get(id) ?? model.settings.get(id)!.asFound])]),
  )
  for (const [id, value] of [...finish, ...wantedByRules(job, state)]) values.get(id)?.add(value)
  for (const { settingId, value } of [...demands.values()].flat()) values.get(settingId)?.add(value)
  while (growsBy(job, values));
  return new Map(
    [...values].map(([id, wanted]) => [id, model.settings.get(id)!.values.filter((value) => wanted.has(value))]),
  )
}

/** Adds what the methods to these values need of other settings; whether there was anything new. */
function growsBy({ model }: DerivedJob, values: ReadonlyMap<Id, Set<string>>): boolean {
  let grown = false
  for (const [id, wanted] of values)
    for (const methodId of [...wanted].flatMap((value) => methodsTo(model, id, value)))
      for (const { needs } of model.needsOf.get(keyOf('method', methodId)) ?? []) {
        if (needs.kind !== 'setting' || values.get(needs.settingId)?.has(needs.value) !== false) continue
        values.get(needs.settingId)!.add(needs.value)
        grown = true
      }
  return grown
}

/** Settings that stand where an invariant does not want them, and where it does. */
function wantedByRules({ model, circumstances }: DerivedJob, state: VehicleState): [Id, string][] {
  const conditions = circumstances.rules
    .filter((rule) => rule.at === null)
    .flatMap((rule) => rule.while)
    .filter((condition) => condition.kind === 'setting not')
  return conditions.flatMap(({ role, values }) =>
    [...model.settings.values()].flatMap((setting): [Id, string][] => {
      const value = values.find((wanted) => setting.values.includes(wanted))
      const stands = state.settings.get(setting.id) ?? setting.asFound
      return setting.role === role && value !== undefined && !values.includes(stands) ? [[setting.id, value]] : []
    }),
  )
}

/** What setting acts look at: plugs that rules or methods mind, and what methods need out of the way. */
export function guardsOf(
  job: DerivedJob,
  settings: readonly Id[],
): { tethers: Set<Id>; parts: Set<Id>; holders: Set<Id> } {
  const { model, circumstances } = job
  const [tethers, parts, holders] = [new Set<Id>(), new Set<Id>(), new Set<Id>()]
  const circuits = new Set(
    circumstances.rules
      .filter((rule) => rule.at === null || rule.at.acts.some((act) => act !== 'power'))
      .flatMap((rule) => rule.while.flatMap((c): string[] => (c.kind === 'open' ? c.circuits : []))),
  )
  for (const tether of model.tethers.values()) if (circuits.has(tether.circuit ?? '')) tethers.add(tether.id)
  for (const { needs } of settings.flatMap((id) => needsOfMethods(job, id))) {
    if (needs.kind === 'part') parts.add(needs.partId)
    if (needs.kind === 'tether') tethers.add(needs.tetherId)
    if (needs.kind === 'operation')
      (needs.act === 'undo' ? holders : needs.act === 'open' ? tethers : parts).add(needs.id)
  }
  return { tethers, parts, holders }
}

function needsOfMethods({ model }: DerivedJob, settingId: Id) {
  return model.settings.get(settingId)!.methods.flatMap((method) => model.needsOf.get(keyOf('method', method.id)) ?? [])
}
