import { notWantedOf } from '../../shop/functionClosure'
import { functionsLacking, type FunctionLacking } from '../../shop/functionsLacking'
import type { PlanOnCards } from './planOnCards'

/**
 * Before anything is begun: functions that are wanted and can't be there, since what they need is not for this build,
 * or is a function that the customer does without. Cost: O(functions x needs).
 */
export function blockedAtFirst({ job, request }: Pick<PlanOnCards, 'job' | 'request'>): FunctionLacking[] {
  const kits = job.goal.kits.map(({ kit }) => kit)
  const has = new Set(kits.flatMap(({ parts, plugs, settings }) => [parts, plugs, settings].flat().map(({ id }) => id)))
  const wishes = {
    added: kits.flatMap(({ functions }) => functions),
    notWanted: notWantedOf(request, job.model.build),
  }
  return functionsLacking(wishes, ({ id }) => (has.has(id) ? 'there' : 'not on this build'))
}
