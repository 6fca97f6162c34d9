import { z } from 'zod'

/** Where the installer must be. The fixed list; a shop's own stations come with the shop's issue. */
export const STATIONS = [
  'driver side',
  'passenger side',
  'centre',
  'rear seats',
  'load space',
  'engine bay',
  'outside left',
  'outside right',
  'outside front',
  'outside rear',
  'under the vehicle',
  'bench',
] as const
export const Station = z.enum(STATIONS)
export type Station = z.infer<typeof Station>
