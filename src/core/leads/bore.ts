import type { Bore } from '../procedure/bore'

/** A connector's face: what has to get through first. */
export type Face = { widthMm: number; heightMm: number }

/** How much of an opening leads fill, and how much of its smaller side one lead takes: house values. */
const [FILLED_SHARE, THICK_SHARE] = [0.4, 0.9]
/** How many times its diameter a lead bends at least, fixed and where it moves: house values. */
const [BEND_TIMES, MOVING_TIMES] = [5, 10]

/**
 * Whether a connector gets through. A round opening takes its diagonal; a slot its two sides, one way or the other
 * (turning it about in the way is not counted on).
 */
export function passesBore({ widthMm, heightMm }: Face, bore: Bore): boolean {
  if (bore.shape === 'round') return Math.hypot(widthMm, heightMm) <= bore.diameterMm
  const fits = (width: number, height: number) => width <= bore.widthMm && height <= bore.heightMm
  return fits(widthMm, heightMm) || fits(heightMm, widthMm)
}

/**
 * What two and more leads may take of an opening, as the sum of their diameters squared: two fifths. (NFPA 70 has 53,
 * 31 and 40 % for one, two and more cables in conduit, from memory: another trade.)
 */
export function roomOf(bore: Bore): number {
  return FILLED_SHARE * (bore.shape === 'round' ? bore.diameterMm ** 2 : (bore.widthMm * bore.heightMm * 4) / Math.PI)
}

/** What one lead takes of a room. */
export function areaOf(diameterMm: number): number {
  return diameterMm ** 2
}

/** Too thick for an opening even alone. */
export function isTooThick(diameterMm: number, bore: Bore): boolean {
  const side = bore.shape === 'round' ? bore.diameterMm : Math.min(bore.widthMm, bore.heightMm)
  return diameterMm > THICK_SHARE * side
}

/** The tightest turn a lead takes, a radius in mm: its own where that is said to be more. */
export function leastBendMm(diameterMm: number, ownMm: number | null, moves: boolean): number {
  return Math.max(ownMm ?? 0, diameterMm * (moves ? MOVING_TIMES : BEND_TIMES))
}
