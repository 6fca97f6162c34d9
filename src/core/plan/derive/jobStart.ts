import type { VehicleState } from '../../vehicle/vehicleState'
import type { Standing } from '../find/step'

/** Where a job stands when its order is asked for: the vehicle, the installer, and what is done already, by key. */
export type JobStart = {
  state: VehicleState
  standing: Standing
  done: ReadonlySet<string>
  /** How often each value was brought about already ("settingId=value"), so that a later act has a key of its own. */
  setCount: ReadonlyMap<string, number>
  /** By key, when what something else waits for was done, on the clock of `state`. */
  doneAtS?: ReadonlyMap<string, number>
}
