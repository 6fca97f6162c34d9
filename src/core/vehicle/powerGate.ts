import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { isAirbagCircuit } from '../procedure/tether'
import type { VehicleState } from './vehicleState'

export const POWERS = ['accessory', 'ignition', 'engine'] as const
export type Power = (typeof POWERS)[number]

/** What forbids a power now, as things: the interface makes the sentence. */
export type Forbids = { tetherId: Id } | { settingId: Id; value: string }

/**
 * May accessory, ignition or engine come on now? Every open airbag-system plug forbids all three; the engine also waits
 * for the start control and for the lever. Answers with everything that forbids it: an empty list = may come on.
 * (The smallest set to put back, with the parts in the way, comes with the whole model.)
 */
export function powerGate(model: ProcedureForBuild, state: VehicleState): Record<Power, Forbids[]> {
  const airbags: Forbids[] = []
  const start: Forbids[] = []
  for (const tetherId of state.open) {
    const tether = model.tethers.get(tetherId)
    if (tether && (isAirbagCircuit(tether) || tether.circuit === 'high-voltage')) airbags.push({ tetherId })
    if (tether?.circuit === 'start' || tether?.circuit === 'brake-control') start.push({ tetherId })
  }
  const battery: Forbids[] = []
  for (const setting of model.settings.values()) {
    const value = state.settings.get(setting.id) ?? setting.asFound
    if (setting.role === 'battery' && value === 'off') battery.push({ settingId: setting.id, value: 'on' })
    if (setting.role === 'gear lever' && value !== 'park' && value !== 'neutral') start.push({ settingId: setting.id, value: 'park' })
    if (setting.role === 'parking brake' && value !== 'on') start.push({ settingId: setting.id, value: 'on' })
  }
  return { accessory: [...airbags, ...battery], ignition: [...airbags, ...battery], engine: [...airbags, ...battery, ...start] }
}
