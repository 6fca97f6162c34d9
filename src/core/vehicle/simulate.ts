import { fail, ok, type Result } from '../base/result'
import type { Operation } from '../order/operation'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Circumstances } from './circumstances'
import { breaches, refusals, type Breach, type JudgedAct } from './judge'
import { after, type VehicleState } from './vehicleState'

/** One act of an order, whoever proposes it, and how long it takes with the way to it. */
export type Acted = { operation: Operation; judged?: JudgedAct; tookS: number }

export type Refused = { kind: 'refused'; at: number; operation: Operation; breaches: Breach[]; state: VehicleState }

/**
 * Runs acts one after another through settings, open tethers, levels and the clock. Answers the end state, or the first
 * act that a rule refuses and the state it was refused in. The waits are judged by the clock: an act that comes too
 * soon after battery off is refused. Cost: O(acts x rules).
 */
export function simulate(
  model: ProcedureForBuild,
  begin: VehicleState,
  acts: readonly Acted[],
  circumstances: Circumstances,
): Result<VehicleState, Refused> {
  let state = begin
  for (const [at, { operation, judged, tookS }] of acts.entries()) {
    const refused = operation.act === 'wait' ? [] : refusals(model, state, judged ?? operation, circumstances)
    if (refused.length > 0) return fail({ kind: 'refused', at, operation, breaches: refused, state })
    state = after(model, state, operation, tookS)
  }
  const left = breaches(model, state, circumstances)
  const last = acts.at(-1)
  return left.length > 0 && last
    ? fail({ kind: 'refused', at: acts.length - 1, operation: last.operation, breaches: left, state })
    : ok(state)
}
