import type { FoundOrder } from '../find/foundOrder'
import { actOf } from '../../procedure/acts'

/**
 * How long a plan takes in half of such jobs, and in four of five. From house estimates, as long as nothing was
 * measured: each act strays by itself, and the day (vehicle, hands, light) lets all of them stray together.
 */
export type Forecast = { p50S: number; p80S: number }

/** How far an act strays, as a share of its estimate. House estimate, no source. */
const OTHERS_STRAY = 0.3
/** The same of the whole, for what all acts of a job have in common. House estimate, no source. */
const DAY_STRAYS = 0.15
/** 80th percentile of the standard normal distribution. */
const Z80 = 0.8416

/**
 * An estimate is what an act usually takes, and nothing is ever as much quicker as it can be slower: the sum of
 * estimates is no middle. Each act is a three-point estimate (Malcolm et al. 1959, from memory): at best `1 - stray`,
 * usually 1, at worst `1 + 3 stray` of it, so that its mean is (a + 4m + b) / 6 and its variance ((b - a) / 6) squared.
 * The variances add up, since each strays by itself; a sum of many acts is near enough to a normal distribution
 * (central limit theorem), whose middle is the sum of the means. Cost: O(steps).
 */
export function forecastOf({
  steps,
  proof,
}: Pick<FoundOrder, 'steps'> & { proof: Pick<FoundOrder['proof'], 'totalS'> }): Forecast {
  const points = steps.flatMap((step) => [
    threePoints(step.workS, actOf(step.operation.act).strays ?? OTHERS_STRAY),
    threePoints(step.setUpS, OTHERS_STRAY),
  ])
  const laterS = points.reduce((sum, point) => sum + point.laterS, 0)
  const variance = points.reduce((sum, point) => sum + point.deviationS ** 2, 0)
  const p50S = proof.totalS + laterS
  // A wait by the clock is the same on any day.
  const waitingS = steps.reduce((sum, step) => sum + (step.operation.act === 'wait' ? step.workS : 0), 0)
  return { p50S, p80S: p50S + Z80 * Math.hypot(Math.sqrt(variance), DAY_STRAYS * (p50S - waitingS)) }
}

/** By how much the mean lies after the estimate, and the standard deviation. */
function threePoints(usualS: number, stray: number): { laterS: number; deviationS: number } {
  const [best, worst] = [usualS * (1 - stray), usualS * (1 + 3 * stray)]
  return { laterS: (best + 4 * usualS + worst) / 6 - usualS, deviationS: (worst - best) / 6 }
}
