import type { Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { setKey, type Momentary, type SettingAct } from './operation'

export type SettingError =
  | { kind: 'no-method'; settingId: Id; value: string }
  | { kind: 'two-values'; settingId: Id; values: [string, string] }

/**
 * The act that brings a setting from as found to a value, or null when it stands there already. Another setting that
 * the method needs at a value it is not found at (the ignition on, to free the lever) is set for that moment only.
 */
export function settingAct(
  model: ProcedureForBuild,
  settingId: Id,
  value: string,
  preferred?: Id,
): Result<{ key: string; act: SettingAct } | null, SettingError> {
  const setting = model.settings.get(settingId)!
  return setting.asFound === value ? ok(null) : changeSetting(model, settingId, setting.asFound, value, preferred)
}

/** The act that brings a setting from one value to another by the preferred method, or the first that is available. */
export function changeSetting(
  model: ProcedureForBuild,
  settingId: Id,
  from: string,
  to: string,
  preferred?: Id,
): Result<{ key: string; act: SettingAct }, SettingError> {
  const methods = methodsTo(model, settingId, to)
  const method = methods.find((id) => id === preferred) ?? methods[0]
  if (!method) return fail({ kind: 'no-method', settingId, value: to })
  const momentary: Momentary[] = []
  for (const need of model.needsOf.get(`method:${method}`) ?? []) {
    if (need.needs.kind !== 'setting') continue
    const other = model.settings.get(need.needs.settingId)!
    if (other.asFound === need.needs.value) continue
    const there = methodsTo(model, other.id, need.needs.value)[0]
    const back = methodsTo(model, other.id, other.asFound)[0]
    if (!there || !back) return fail({ kind: 'no-method', settingId: other.id, value: there ? other.asFound : need.needs.value })
    momentary.push({ settingId: other.id, value: need.needs.value, methodId: there, back: other.asFound, backMethodId: back })
  }
  return ok({ key: setKey(settingId, to, method), act: { settingId, from, to, methodId: method, momentary } })
}

/** The available methods that bring a setting to a value, in the order they were recorded. */
export function methodsTo(model: ProcedureForBuild, settingId: Id, value: string): Id[] {
  const setting = model.settings.get(settingId)
  if (!setting) return []
  return setting.methods.filter((method) => method.to === value && model.methods.has(method.id)).map((method) => method.id)
}
