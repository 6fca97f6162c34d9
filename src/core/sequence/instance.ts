import { z } from 'zod'
import { withoutDetours, type SearchProblem } from './problem'

const Costs = z.array(z.array(z.number().nonnegative()))

/**
 * A bare sequencing instance as it stands in a file: operations with tool (0 the bare hand) and station, precedence
 * pairs, costs in seconds, and where it starts. Other fields are kept aside.
 */
export const SequencingInstance = z.object({
  name: z.string().min(1),
  ops: z
    .array(
      z.object({
        id: z.number().int().nonnegative(),
        dur: z.number().nonnegative(),
        tool: z.number().int().nonnegative(),
        station: z.number().int().nonnegative(),
      }),
    )
    .min(1),
  prec: z.array(z.tuple([z.number().int(), z.number().int()])),
  toolCost: Costs,
  stationCost: Costs,
  start: z.object({ tool: z.number().int().nonnegative(), station: z.number().int().nonnegative() }),
})
export type SequencingInstance = z.infer<typeof SequencingInstance>

/** The instance as a problem without settings; operations keep their place in `ops`. */
export function problemOf(instance: SequencingInstance): SearchProblem {
  const at = new Map(instance.ops.map((op, i) => [op.id, i]))
  const inMs = (costs: readonly (readonly number[])[]) =>
    withoutDetours(costs.map((row) => row.map((seconds) => Math.round(seconds * 1000))))
  return {
    operations: instance.ops.map(({ tool, station }) => ({ tool, station, allowed: [true], guards: [] })),
    pairs: instance.prec.map(([before, after]) => [at.get(before)!, at.get(after)!]),
    toolMs: inMs(instance.toolCost),
    walkMs: inMs(instance.stationCost),
    combinations: 1,
    acts: [],
    start: { ...instance.start, combination: 0 },
    finish: [true],
  }
}
