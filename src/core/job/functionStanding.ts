import type { Id } from '../base/id'
import { accessHolds } from '../plan/derive/workOrder'
import type { DerivedJob } from '../plan/derive/derivedJob'
import type { AddedFunction, FunctionNeed } from '../shop/addedFunction'
import type { KitSetting } from '../shop/kitThings'
import type { JobState } from './jobState'
import { agrees } from './kitRows'
import type { KitTerms } from './kitTerms'

/** How something that a function needs stands: there; still to be done; or why it will not be there. */
export type NeedStanding =
  'there' | 'to come' | 'not on this build' | 'not wanted' | 'left open' | 'set otherwise' | 'given up'

/** What of its needs a function lacks. */
export type Lacking = { need: FunctionNeed; is: Exclude<NeedStanding, 'there'> }
export type Blocked = { functionId: Id; name: string; lacks: Lacking[] }

type Known = Pick<JobState, 'ends' | 'tetherTimes' | 'tethersOpen' | 'holders' | 'adjusted'>
type Terms = { kits: readonly KitTerms[]; added: readonly AddedFunction[] }

/**
 * Functions that are wanted and will not be there, as it stands now: something they need is on no branch of this build,
 * was left open on purpose or stands otherwise. The function is blocked, never the job. Cost: O(functions x needs).
 */
export function blockedFunctions(terms: Terms, state: Known | null): Blocked[] {
  return lackingFunctions(terms, state).flatMap(({ lacks, ...item }) => {
    const blocking = lacks.filter(({ is }) => is !== 'to come')
    return blocking.length > 0 ? [{ ...item, lacks: blocking }] : []
  })
}

/** The same with what is only still to come. */
export function lackingFunctions(terms: Terms, state: Known | null): Blocked[] {
  const seen = new Map<Id, Lacking[]>()
  const lacksOf = (item: AddedFunction): Lacking[] => {
    const known = seen.get(item.id)
    if (known) return known
    // A ring of needs is refused with its kit; here it ends.
    seen.set(item.id, [])
    const lacks = item.needs.flatMap((need): Lacking[] => {
      const is = need.of === 'function' ? ofFunction(need.id) : ofThing(terms, state, need)
      return is === 'there' ? [] : [{ need, is }]
    })
    seen.set(item.id, lacks)
    return lacks
  }
  const ofFunction = (id: Id): NeedStanding => {
    const other = terms.added.find((item) => item.id === id)
    if (!other) return 'not wanted'
    const lacks = lacksOf(other)
    return lacks.length === 0 ? 'there' : lacks.every(({ is }) => is === 'to come') ? 'to come' : 'given up'
  }
  return terms.added.flatMap((item) => {
    const lacks = lacksOf(item)
    return lacks.length > 0 ? [{ functionId: item.id, name: item.name, lacks }] : []
  })
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
): Blocked[] {
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
