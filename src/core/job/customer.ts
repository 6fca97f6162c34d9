import type { Id } from '../base/id'
import type { JobDocument } from '../procedure/jobDocument'
import type { FunctionLacking } from '../shop/functionsLacking'
import { blockedFunctions } from './functionStanding'
import { functionName, lossesOf } from './handover'
import type { JobState } from './jobState'
import { resultOfTest } from './resultOfTest'
import { testsOwed, type JobTerms } from './terms'

/** How a function stands that the customer is shown. */
export type ShownFunction = { id: Id; name: string; show: string; is: 'works' | 'failed' | 'not tested' }

/** What is gone through with the customer at the end. */
export type ForCustomer = {
  /** What the kits add: shown one by one. */
  gained: ShownFunction[]
  /** Of the vehicle's own: what was touched, and how its test came out. */
  kept: ShownFunction[]
  lost: { id: Id; name: string }[]
  /** Wanted, and not there. */
  blocked: FunctionLacking[]
  /** How modules were left set. */
  asLeft: { name: string; value: string }[]
  later: { eventId: string; text: string }[]
}

/** Cost: O(functions + plugs). */
export function forCustomer(document: JobDocument, state: JobState, terms: JobTerms): ForCustomer {
  const owed = testsOwed(document, state, terms)
  const added = new Map(terms.added.map((item) => [item.id, item]))
  const shown = owed.map((item): ShownFunction => {
    const test = state.tests.get(item.id)
    const is = !test ? 'not tested' : resultOfTest(item, test) === 'failed' ? 'failed' : 'works'
    return { id: item.id, name: item.name, show: added.get(item.id)?.show || item.how, is }
  })
  const blocked = blockedFunctions(terms, state)
  const isBlocked = new Set(blocked.map(({ functionId }) => functionId))
  return {
    gained: shown.filter(({ id }) => added.has(id)),
    kept: shown.filter(({ id }) => !added.has(id)),
    lost: lossesOf(document, state, terms)
      .filter((id) => !isBlocked.has(id))
      .map((id) => ({ id, name: functionName(document, terms, id) })),
    blocked,
    asLeft: terms.kits
      .flatMap(({ settings }) => settings)
      .flatMap(({ id, name }) => {
        const value = state.adjusted.get(id)?.value
        return value === undefined ? [] : [{ name, value }]
      }),
    later: state.leftForLater,
  }
}
