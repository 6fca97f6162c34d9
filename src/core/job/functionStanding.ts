import type { Id } from '../base/id'
import { accessHolds } from '../plan/derive/workOrder'
import type { DerivedJob } from '../plan/derive/derivedJob'
import type { FunctionNeed } from '../shop/addedFunction'
import { functionsLacking, type FunctionLacking, type NeedStanding, type Wishes } from '../shop/functionsLacking'
import type { KitSetting } from '../shop/kitThings'
import type { JobState } from './jobState'
import { agrees } from './kitRows'
import type { KitTerms } from './kitTerms'

type Known = Pick<JobState, 'ends' | 'tetherTimes' | 'tethersOpen' | 'holders' | 'adjusted'>
type Terms = Wishes & { kits: readonly KitTerms[] }

/**
 * Functions that are wanted and will not be there, as it stands now: something they need is on no branch of this build,
 * was left open on purpose or stands otherwise. The function is blocked, never the job. Cost: O(functions x needs).
 */
export function blockedFunctions(terms: Terms, state: Known | null): FunctionLacking[] {
  return lackingFunctions(terms, state).flatMap(({ lacks, ...item }) => {
    const blocking = lacks.filter(({ is }) => is !== 'to come')
    return blocking.length > 0 ? [{ ...item, lacks: blocking }] : []
  })
}

/** The same with what is only still to come. */
export function lackingFunctions(terms: Terms, state: Known | null): FunctionLacking[] {
  return functionsLacking(terms, (need) => ofThing(terms, state, need))
}

function ofThing({ kits }: Terms, state: Known | null, { of, id }: FunctionNeed): NeedStanding {
  const setting = kits.flatMap(({ settings }) => settings).find((item) => item.id === id)
  const isHere = {
    function: true,
    part: kits.some(({ needs }) => needs.some((need) => need.itemId === id && need.isHere)),
    plug: kits.some(({ plugs }) => plugs.some((plug) => plug.id === id)),
    setting: setting !== undefined,
  }[of]
  if (!isHere) return 'not on this build'
  if (state === null) return 'to come'
  if (of === 'part') return isFitted(state, id) ? 'there' : 'to come'
  if (of === 'plug') return ofPlug(state, id)
  return setting ? ofSetting(state, setting) : 'to come'
}

function isFitted({ holders }: Known, partId: Id): boolean {
  const counts = holders.get(partId)
  return counts !== undefined && counts.fastenedOld + counts.fittedNew > counts.undone
}

function ofPlug({ ends, tetherTimes, tethersOpen }: Known, id: Id): NeedStanding {
  if (ends.get(id)?.end === 'left open and insulated') return 'left open'
  return (tetherTimes.get(id)?.closed ?? 0) > 0 && !tethersOpen.has(id) ? 'there' : 'to come'
}

function ofSetting({ adjusted }: Known, { id, expected }: KitSetting): NeedStanding {
  const value = adjusted.get(id)?.value
  if (value === undefined) return 'to come'
  const values = expected.map((item) => item.value)
  return agrees(value, values) ? 'there' : 'set otherwise'
}

/**
 * Functions that lose for good, shortly, what they need: these acts close over the work that would bring it, and it is
 * not there. Said before they are done. Cost: O(works x access).
 */
export function buriedBy(
  job: DerivedJob,
  keys: readonly string[],
  terms: Terms,
  state: Known & Pick<JobState, 'givenUp'>,
): FunctionLacking[] {
  if (terms.added.every(({ needs }) => needs.length === 0)) return []
  const closing = new Set(keys)
  const covered = new Set(
    [...job.works.values()]
      .filter(({ id }) => accessHolds(job, id).some((key) => closing.has(key)))
      .flatMap(({ steps }) => steps.flatMap(({ itemId }) => itemId ?? [])),
  )
  return lackingFunctions(terms, state)
    .filter(({ functionId }) => !state.givenUp.has(functionId))
    .flatMap(({ lacks, ...item }) => {
      const here = lacks.filter(({ need }) => covered.has(need.id))
      return here.length > 0 ? [{ ...item, lacks: here }] : []
    })
}
