import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { refusals } from '../../vehicle/judge'
import type { PutBack } from '../../vehicle/powerGate'
import type { Rule } from '../../vehicle/rule'
import type { VehicleState } from '../../vehicle/vehicleState'
import type { Happening } from '../event'
import { levelNow } from '../fold'
import type { JobState } from '../jobState'

/**
 * One act of the smallest set that lets the power come on: what its tap records, and the rule that refuses it now. A
 * part that is off is held near its place for its plug; it is not seated.
 */
export function putBackTap(
  item: PutBack,
  model: ProcedureForBuild,
  vehicle: VehicleState,
  state: JobState,
  circumstances: Circumstances,
): { happenings: Happening[]; refusedBy: Rule | null } {
  if (item.kind === 'set') {
    const from = vehicle.settings.get(item.settingId) ?? ''
    const setting = { settingId: item.settingId, from, to: item.value, methodId: '' }
    const refused = refusals(model, vehicle, { act: 'set', itemId: item.settingId, setting }, circumstances)[0]
    const set: Happening = { kind: 'set', settingId: item.settingId, value: item.value, methodId: null }
    return { happenings: [set], refusedBy: refused?.rule ?? null }
  }
  const refused = refusals(model, vehicle, { act: 'close', itemId: item.tetherId }, circumstances)[0]
  const held: Happening[] =
    item.bringPartId !== null && levelNow(state, item.bringPartId) === 'off'
      ? [{ kind: 'part at', partId: item.bringPartId, level: 'free' }]
      : []
  return { happenings: [...held, { kind: 'closed', tetherId: item.tetherId }], refusedBy: refused?.rule ?? null }
}
