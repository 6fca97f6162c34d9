import type { Id } from '../../base/id'
import type { FunctionNeed } from '../../shop/addedFunction'
import { isWanted } from '../../shop/functionClosure'
import type { PlanOnCards } from './planOnCards'

/** A function that is wanted, and what it needs that this job will not bring. */
export type BlockedFirst = { functionId: Id; name: string; lacks: { need: FunctionNeed; is: Lack }[] }
type Lack = 'not on this build' | 'not wanted' | 'given up'

/**
 * Before anything is begun: functions that are wanted and can't be there, since what they need is not for this build,
 * or is a function that the customer does without. Cost: O(functions x needs).
 */
export function blockedAtFirst({ job, request }: Pick<PlanOnCards, 'job' | 'request'>): BlockedFirst[] {
  const wanted = job.goal.kits.flatMap(({ kit }) => kit.functions)
  const all = request.kits.flatMap(({ kit }) => kit.functions)
  const has = new Set(
    job.goal.kits.flatMap(({ kit }) => [kit.parts, kit.plugs, kit.settings].flat().map(({ id }) => id)),
  )
  const found = new Map<Id, BlockedFirst>()
  const lackOf = ({ of, id }: FunctionNeed): Lack | null => {
    if (of !== 'function') return has.has(id) ? null : 'not on this build'
    if (wanted.some((item) => item.id === id)) return found.has(id) ? 'given up' : null
    const other = all.find((item) => item.id === id)
    return other && !isWanted(other, job.model.build) ? 'not wanted' : 'not on this build'
  }
  // Until nothing more is blocked: one may rest on another that stands further down.
  for (let before = -1; before !== found.size;) {
    before = found.size
    for (const { id, name, needs } of wanted) {
      const lacks = needs.flatMap((need) => {
        const is = lackOf(need)
        return is ? [{ need, is }] : []
      })
      if (lacks.length > 0) found.set(id, { functionId: id, name, lacks })
    }
  }
  return [...found.values()]
}
