import type { Operation } from '../../order/operation'
import type { Station } from '../../procedure/station'

/** An operation in its place in an order: where, with what, how long, and the changes it took to get there. */
export type Step = {
  operation: Operation
  station: Station
  tool: string
  workS: number
  /** Walking and taking up a tool before this step. */
  setUpS: number
}

/** Where the installer stands and which tool is in hand. Bare hands never put the carried tool away. */
export type Standing = { station: Station; tool: string | null }

/** What a row of steps takes, with the ways to them. */
export function secondsOf(steps: readonly Step[]): number {
  return steps.reduce((sum, step) => sum + step.workS + step.setUpS, 0)
}
