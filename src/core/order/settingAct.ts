import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { keyOf } from '../procedure/acts'

/** The available methods that bring a setting to a value, in the order they were recorded. */
export function methodsTo(model: ProcedureForBuild, settingId: Id, value: string): Id[] {
  const setting = model.settings.get(settingId)
  if (!setting) return []
  return setting.methods
    .filter((method) => method.to === value && model.methods.has(method.id))
    .map((method) => method.id)
}

/**
 * The method used for a value: the chosen one, else the first that moves no part, else the first recorded. Null when
 * nothing brings the setting there.
 */
export function methodFor(
  model: ProcedureForBuild,
  settingId: Id,
  value: string,
  chosen: Record<string, Id>,
): Id | null {
  const methods = methodsTo(model, settingId, value)
  const preferred = chosen[`${settingId}=${value}`]
  if (preferred && methods.includes(preferred)) return preferred
  return methods.find((id) => !movesSomething(model, id)) ?? methods[0] ?? null
}

/** The value a setting is to have at the end. */
export function endValue(model: ProcedureForBuild, settingId: Id): string {
  const setting = model.settings.get(settingId)!
  return setting.atEnd === 'as found' ? setting.asFound : setting.atEnd
}

/** Whether a method needs something off, open or undone first (the cover over the lever's release). */
export function movesSomething(model: ProcedureForBuild, methodId: Id): boolean {
  return (model.needsOf.get(keyOf('method', methodId)) ?? []).some(
    (need) =>
      need.needs.kind === 'part' ||
      need.needs.kind === 'operation' ||
      (need.needs.kind === 'tether' && need.needs.state === 'open'),
  )
}
