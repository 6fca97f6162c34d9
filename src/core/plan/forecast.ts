import type { Act } from '../order/operation'
import type { FoundPlan } from './foundPlan'

/**
 * How long a plan takes in half of such jobs, and in four of five. From house estimates, as long as nothing was measured: each
 * act strays by itself, and the day (vehicle, hands, light) lets all of them stray together.
 */
export type Forecast = { p50S: number; p80S: number }

/** Standard deviation of an act's seconds, as a share of them. House estimate, no source. */
const STRAYS: Partial<Record<Act, number>> = { undo: 0.5, fasten: 0.4, start: 0.4, release: 0.6, seat: 0.5, ease: 0.5, open: 0.6, close: 0.5, work: 0.3, test: 0.3, wait: 0 }
const OTHERS_STRAY = 0.3
/** The same of the whole, for what all acts of a job have in common. House estimate, no source. */
const DAY_STRAYS = 0.15
/** 80th percentile of the standard normal distribution. */
const Z80 = 0.8416

/**
 * The acts' variances add up, since each strays by itself; a sum of many acts is near enough to a normal distribution (central
 * limit theorem), so its middle is the sum of the estimates. Cost: O(steps).
 */
export function forecastOf({ steps, proof }: Pick<FoundPlan, 'steps'> & { proof: Pick<FoundPlan['proof'], 'totalS'> }): Forecast {
  const p50S = proof.totalS
  const alone = steps.reduce((sum, step) => sum + ((STRAYS[step.operation.act] ?? OTHERS_STRAY) * step.workS) ** 2 + (OTHERS_STRAY * step.setUpS) ** 2, 0)
  // A wait by the clock is the same on any day.
  const waitingS = steps.reduce((sum, step) => sum + (step.operation.act === 'wait' ? step.workS : 0), 0)
  return { p50S, p80S: p50S + Z80 * Math.hypot(Math.sqrt(alone), DAY_STRAYS * (p50S - waitingS)) }
}
