import { wallMsOf } from '../base/clock'
import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { HouseValues } from '../shop/houseValues'
import type { Circumstances } from '../vehicle/circumstances'
import type { Rule } from '../vehicle/rule'
import type { VehicleState } from '../vehicle/vehicleState'
import type { JobState } from './jobState'
import { temperatureOf } from './intake'
import { isOut } from './unresolved'

/** Who acts, as the rules ask: the person and what they are authorised for. */
export type ActingPerson = { id: Id; authorised: readonly string[] }

/** The vehicle of a live job as the rules of safety see it, on the clock of its events. */
export function liveVehicle(model: ProcedureForBuild, state: JobState, nowMs: number): VehicleState {
  const first = state.history[0]
  return {
    settings: new Map(
      [...model.settings.values()].map((setting) => [setting.id, state.settings.get(setting.id) ?? setting.asFound]),
    ),
    // A plug that the record does not have is open all the same: the rules take it for what it may be at worst.
    open: new Set([...state.tethersOpen, ...plugsNobodyKnows(state)]),
    levels: state.parts,
    undone: new Set([...state.holders].filter(([, c]) => c.undone > c.fastenedOld + c.fittedNew).map(([id]) => id)),
    nowS: nowMs / 1000,
    startedS: (first ? wallMsOf(first.at) : nowMs) / 1000,
    changedAtS: new Map([...state.settingChangedAt].map(([id, at]) => [id, wallMsOf(at) / 1000])),
  }
}

function plugsNobodyKnows(state: JobState): Id[] {
  return [...state.unresolved.values()].flatMap((item) => (item.of === 'tether' && isOut(item) ? [item.id] : []))
}

/**
 * What the rules are judged by on a live job. Preparations count once somebody on this job has confirmed them since the
 * battery was last on: whoever switches it on again has to look again.
 */
export function liveCircumstances(
  model: ProcedureForBuild,
  state: JobState,
  house: HouseValues,
  rules: readonly Rule[],
  person: ActingPerson,
): Circumstances {
  const battery = [...model.settings.values()].find((setting) => setting.role === 'battery')
  const onSince = battery ? (state.settingChangedAt.get(battery.id) ?? '') : ''
  const confirmed = new Set(
    rules
      .filter(
        (rule) =>
          rule.confirm.length > 0 &&
          [...state.cautionsReadAt].some(([key, at]) => key.endsWith(`:${rule.id}`) && at >= onSince),
      )
      .map((rule) => rule.id),
  )
  return { rules, house, authorised: new Set(person.authorised), confirmed, temperatureC: temperatureOf(state) }
}
