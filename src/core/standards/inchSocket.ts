/** Millimetres of one inch, exactly. NIST SP 811. */
export const MM_PER_INCH = 25.4

/** Inch sockets as they are sold, in thirty-seconds of an inch. */
const INCH_SOCKETS_32NDS: readonly number[] = [5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 18, 20, 22, 24]

/**
 * How much a socket may be over or under the nominal width and still hold a head that is not worn. Common practice, no
 * source.
 */
const [UNDER_MM, OVER_MM] = [0.07, 0.16]

/** The inch socket that also fits a metric head ("5/16" for 8 mm), or null where none does. `widthMm`: across flats. */
export function inchSocketFor(widthMm: number): string | null {
  const found = INCH_SOCKETS_32NDS.map((over) => ({ over, spareMm: (over / 32) * MM_PER_INCH - widthMm }))
    .filter(({ spareMm }) => spareMm >= -UNDER_MM && spareMm <= OVER_MM)
    .sort((a, b) => Math.abs(a.spareMm) - Math.abs(b.spareMm))[0]
  return found ? inchFraction(found.over, 32) : null
}

/** "5/32" for 10 sixty-fourths. */
export function inchFraction(over: number, under: number): string {
  while (over % 2 === 0 && under > 1) [over, under] = [over / 2, under / 2]
  return under === 1 ? `${over}` : `${over}/${under}`
}
