import { z } from 'zod'
import type { Station } from '../procedure/station'

const Seconds = z
  .number({ error: 'Give a number of seconds.' })
  .min(0, 'Seconds can’t be negative.')
  .max(3600, 'That is more than an hour.')

function isZone(name: string): boolean {
  try {
    return name === '' || new Intl.DateTimeFormat('en-GB', { timeZone: name }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** A move between two stations that takes another time than the house's usual one, either way. */
export const Move = z.object({ from: z.string().min(1).max(40), to: z.string().min(1).max(40), seconds: Seconds })
export type Move = z.infer<typeof Move>

/** A shop's own estimates, used until there are measured times. Marked "house estimate" wherever they are shown. */
export const HouseValues = z.object({
  clipS: Seconds.default(3),
  screwS: Seconds.default(8),
  actS: Seconds.default(5),
  /**
   * More than that: a latch with a lock, a collar or a screw; a threaded plug; what is hard or sticks; each fastener,
   * or a plug, by mirror or feel.
   */
  slowLatchMoreS: Seconds.default(5),
  threadedMoreS: Seconds.default(15),
  hardMoreS: Seconds.default(10),
  unseenMoreS: Seconds.default(4),
  toolChangeS: Seconds.default(8),
  /** Walking between two stations of the cabin, and anywhere else. */
  nextSeatS: Seconds.default(15),
  acrossS: Seconds.default(22),
  outsideS: Seconds.default(30),
  moves: z.array(Move).max(300).default([]),
  /** Stations a shop has besides the usual ones, and how many people find room there. */
  stations: z
    .array(
      z.object({
        name: z.string().trim().min(1, 'A station needs a name.').max(40),
        persons: z.number().int().min(1).max(6).default(1),
      }),
    )
    .max(20)
    .default([]),
  coldBrittleC: z.number().min(-40).max(40).default(10),
  liftMassKg: z.number().positive().max(100).default(20),
  airbagWaitMin: z.number().min(1).max(120).default(10),
  /** From which probability on the signs of a choice count as told. */
  tellThreshold: z
    .number({ error: 'Give a number such as 0.99.' })
    .min(0.9, 'Signs that are wrong more than once in ten times are no telling.')
    .max(0.9999, 'At most 0.9999: nothing is certain by signs.')
    .default(0.99),
  /** What money is counted in: ISO 4217. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'A currency has three letters, such as EUR.')
    .default('EUR'),
  /** What the shop asks for an hour of work. Null = nobody has said: then no price of work is shown. */
  labourMinorPerHour: z
    .number({ error: 'Give an amount for an hour of work.' })
    .int('An amount is in whole cents.')
    .min(0)
    .max(10_000_000)
    .nullable()
    .default(null),
  /** Where the shop stands ("Europe/Berlin"): its times on pages and paper. Empty = as the machine that shows them. */
  timeZone: z.string().refine(isZone, 'There is no such time zone. Choose one from the list.').default(''),
})
export type HouseValues = z.infer<typeof HouseValues>

export const DEFAULT_HOUSE_VALUES: HouseValues = HouseValues.parse({})

/** Seconds to walk from one station to another. Symmetric; zero for the same one. The shop's own moves go first. */
export function moveS(house: HouseValues, from: Station, to: Station): number {
  if (from === to) return 0
  const own = house.moves.find(
    (move) => (move.from === from && move.to === to) || (move.from === to && move.to === from),
  )
  if (own) return own.seconds
  const cabin: readonly Station[] = ['driver side', 'centre', 'passenger side']
  const a = cabin.indexOf(from)
  const b = cabin.indexOf(to)
  if (a >= 0 && b >= 0) return Math.abs(a - b) === 1 ? house.nextSeatS : house.acrossS
  return house.outsideS
}
