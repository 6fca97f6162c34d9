/** Where the installer must be: the list every shop has. A shop adds its own (a lift, a hoist) in its stations. */
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
export const BENCH = 'bench'

/** Where nobody sits: "toward you" is no way of the vehicle's there. */
export const FACED_FROM_NO_SEAT: ReadonlySet<string> = new Set<(typeof STATIONS)[number]>([
  'load space',
  'engine bay',
  'outside left',
  'outside right',
  'outside front',
  'outside rear',
  'under the vehicle',
])
