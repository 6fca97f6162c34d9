import { z } from 'zod'
import type { Station } from '../procedure/station'

const Seconds = z.number().min(0).max(3600)

/** A shop's own estimates, used until there are measured times. Marked "house estimate" wherever they are shown. */
export const HouseValues = z.object({
  clipS: Seconds.default(3),
  screwS: Seconds.default(8),
  actS: Seconds.default(5),
  toolChangeS: Seconds.default(8),
  /** Walking between two stations of the cabin, and anywhere else. */
  nextSeatS: Seconds.default(15),
  acrossS: Seconds.default(22),
  outsideS: Seconds.default(30),
  coldBrittleC: z.number().min(-40).max(40).default(10),
  liftMassKg: z.number().positive().max(100).default(20),
  airbagWaitMin: z.number().min(1).max(120).default(10),
})
export type HouseValues = z.infer<typeof HouseValues>

export const DEFAULT_HOUSE_VALUES: HouseValues = HouseValues.parse({})

/** Seconds to walk from one station to another. Symmetric; zero for the same one. */
export function moveS(house: HouseValues, from: Station, to: Station): number {
  if (from === to) return 0
  const cabin: readonly Station[] = ['driver side', 'centre', 'passenger side']
  const a = cabin.indexOf(from)
  const b = cabin.indexOf(to)
  if (a >= 0 && b >= 0) return Math.abs(a - b) === 1 ? house.nextSeatS : house.acrossS
  return house.outsideS
}
