/** What the second person has to save at least: less is lost in getting in each other's way. A house estimate, no source. */
const LEAST_SHARE = 0.05
const LEAST_S = 5

/**
 * Whether several people are done noticeably sooner than one alone. Where they are not they would only take turns at one place, and no
 * lanes are offered. `sharedS`, `aloneS`: seconds of the same way; `waitS`: those in which everybody waits, which nobody can share.
 */
export function isWorthSharing(sharedS: number, aloneS: number, waitS = 0): boolean {
  return aloneS - sharedS >= Math.max(LEAST_S, LEAST_SHARE * (aloneS - waitS))
}
