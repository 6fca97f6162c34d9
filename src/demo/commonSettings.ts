import { usualSettings } from '@/core/procedure/usualSettings'
import type { Station } from '@/core/procedure/station'
import type { Author } from './author'

/** Battery and ignition as found. The gear lever differs and is stated by its model. */
export function statePowerAndBrake(a: Author, ignitionStation: Station = 'driver side'): void {
  const { battery, ignition } = usualSettings(ignitionStation)
  a.document.settings.push(battery, ignition)
}

export function stateParkingBrakeAndWheels(a: Author): void {
  const { brake, wheels } = usualSettings()
  a.document.settings.push(brake, wheels)
}
