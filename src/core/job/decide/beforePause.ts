import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Setting } from '../../procedure/setting'
import type { Circumstances } from '../../vehicle/circumstances'
import { refusals } from '../../vehicle/judge'
import type { VehicleState } from '../../vehicle/vehicleState'

/** What keeps a vehicle where it stands while nobody is with it. */
const KEEPS_IT_STANDING: readonly Setting['role'][] = ['gear lever', 'parking brake']

/**
 * What goes back before everybody leaves for a while: lever and parking brake that stand otherwise than they were
 * found, where the record does not let them stay and no rule refuses it. Whoever goes on is asked again and is led by a
 * plan from there.
 */
export function backBeforePause(
  model: ProcedureForBuild,
  vehicle: VehicleState,
  circumstances: Circumstances,
): Setting[] {
  return [...model.settings.values()].filter((setting) => {
    const now = vehicle.settings.get(setting.id) ?? setting.asFound
    if (!KEEPS_IT_STANDING.includes(setting.role) || setting.meanwhile === 'may stay' || now === setting.asFound)
      return false
    // A brake that was found off is on for a reason: it stays on.
    if (setting.role === 'parking brake' && now === 'on') return false
    const act = { settingId: setting.id, from: now, to: setting.asFound, methodId: '' }
    return refusals(model, vehicle, { act: 'set', itemId: setting.id, setting: act }, circumstances).length === 0
  })
}
