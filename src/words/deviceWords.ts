import { aboutWords, dateWords, type Zone } from './dates'

/** From this on a device's clock misleads whoever reads when something was done. */
const CLOCK_OFF_S = 60

/** How far a device's clock is off, in words; empty where it is right enough. */
export function clockWords(aheadMs: number): string {
  const seconds = Math.round(Math.abs(aheadMs) / 1000)
  if (seconds < CLOCK_OFF_S) return ''
  return `its clock is ${aboutWords(seconds)} ${aheadMs > 0 ? 'ahead' : 'behind'}: set it right`
}

/** What is not in the shop yet, as the device last said. */
export function waitingWords(waiting: number): string {
  return waiting === 0 ? 'nothing waits on it' : waiting === 1 ? '1 tap waits on it' : `${waiting} taps wait on it`
}

/** "seen just now", "seen 12 min ago", "seen Tue 24 Nov, 14:12". */
export function seenWords(lastSeenMs: number, nowMs: number, zone: Zone): string {
  const minutes = Math.floor((nowMs - lastSeenMs) / 60_000)
  // From a time that has not come: the clock it is measured by was set back.
  if (minutes < -1) return `seen ${dateWords(lastSeenMs, 'moment', zone)}`
  if (minutes < 2) return 'seen just now'
  return minutes < 60 ? `seen ${minutes} min ago` : `seen ${dateWords(lastSeenMs, 'moment', zone)}`
}
