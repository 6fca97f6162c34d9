import { atLeast } from '../../procedure/levels'
import type { Needed } from '../../procedure/need'
import type { VehicleState } from '../../vehicle/vehicleState'

/** What must be so on the vehicle for a setting act, besides the other settings. */
export type GuardFact = Exclude<Needed, { kind: 'setting' } | { kind: 'station' }>

/** Whether what a guard asks for is so. */
export function guardHolds(needed: GuardFact, state: VehicleState): boolean {
  switch (needed.kind) {
    case 'part':
      return atLeast(state.levels.get(needed.partId) ?? 'in place', needed.level)
    case 'tether':
      return state.open.has(needed.tetherId) === (needed.state === 'open')
    case 'operation':
      if (needed.act === 'undo') return state.undone.has(needed.id)
      if (needed.act === 'open') return state.open.has(needed.id)
      return atLeast(
        state.levels.get(needed.id) ?? 'in place',
        needed.act === 'lift' ? 'off' : needed.act === 'release' ? 'free' : 'eased',
      )
  }
}
