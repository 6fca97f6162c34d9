import type { Id } from '../base/id'
import { deriveRemoval } from '../order/deriveRemoval'
import {
  carriedOf,
  endingsOf,
  goalOf,
  goalOfRequest,
  replacedIn,
  type CarriedOver,
  type JobGoal,
  type Replaced,
} from '../plan/ask/jobGoal'
import type { PlanRequest } from '../plan/ask/planRequest'
import { goesBack } from '../procedure/endings'
import type { Ending } from '../procedure/end'
import { withDefaultTests } from '../procedure/defaultTests'
import type { ProcedureDocument } from '../procedure/document'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import type { VehicleFunction } from '../procedure/vehicleFunction'
import type { AddedFunction } from '../shop/addedFunction'
import { closureOf, notWantedOf } from '../shop/functionClosure'
import type { Adapted } from '../shop/kitFit'
import type { LastingChange } from '../shop/workItem'
import type { Happening, JobEvent } from './event'
import { blockedFunctions } from './functionStanding'
import { standingEvents } from './fold'
import type { JobState } from './jobState'
import { kitTermsOf, type KitTerms } from './kitTerms'

/**
 * What a job owes besides putting everything back: what ends elsewhere, and what its kits add to the vehicle, take from
 * it or change for good.
 */
export type JobTerms = {
  endings: ReadonlyMap<Id, Ending>
  added: readonly AddedFunction[]
  /** Functions of its kits that the customer does without. */
  notWanted: ReadonlySet<Id>
  /** By function of a kit: parts that can hardly be undone and go home over its work; after them it is tried again. */
  again: ReadonlyMap<Id, readonly Id[]>
  /** Parts of the vehicle that come back on a part of a kit, and adapters in its plugs. */
  carried: ReadonlyMap<Id, CarriedOver>
  adapted: readonly Adapted[]
  /** Parts of the vehicle in whose place a part of a kit stands at the end. */
  replaced: ReadonlyMap<Id, Replaced>
  taken: ReadonlySet<Id>
  changes: readonly LastingChange[]
  kits: readonly KitTerms[]
}

export type OwedTest = Pick<VehicleFunction, 'id' | 'name' | 'how' | 'power' | 'readingUnit' | 'least' | 'most'> &
  Partial<Pick<AddedFunction, 'testWith' | 'warmUpS'>>

const NOTHING_TOLD: Pick<JobState, 'facets'> = { facets: new Map() }

export const PLAIN_TERMS: JobTerms = {
  endings: new Map(),
  added: [],
  notWanted: new Set(),
  again: new Map(),
  carried: new Map(),
  adapted: [],
  replaced: new Map(),
  taken: new Set(),
  changes: [],
  kits: [],
}

/**
 * What was last agreed to be done on a job, and in which order; null when its plan is the one it was opened with, or
 * there is none yet.
 */
export function adoptedPlan(events: readonly JobEvent[]): Extract<Happening, { kind: 'plan adopted' }> | null {
  const adopted = standingEvents(events).findLast(({ what }) => what.kind === 'plan adopted')?.what
  return adopted?.kind === 'plan adopted' ? adopted : null
}

/**
 * `request` null: a strip whose vehicle does not go back together yet owes nothing but everything back. What was told
 * on the way counts.
 */
export function termsOf(
  document: ProcedureDocument,
  request: PlanRequest | null,
  { facets }: Pick<JobState, 'facets'> = NOTHING_TOLD,
): JobTerms {
  if (request === null) return PLAIN_TERMS
  const build = { ...request.build, ...Object.fromEntries(facets) }
  const goal = goalOfRequest(request, build)
  const model = forBuild(document, build)
  return {
    endings: endingsOf(model, goal),
    added: goal.kits.flatMap(({ kit }) => kit.functions),
    notWanted: notWantedOf(request, build),
    again: triedAgainAfter(model, goal),
    carried: carriedOf(goal),
    adapted: goal.kits.flatMap(({ fit }) => fit.adapted),
    replaced: replacedIn(goal),
    taken: new Set(goal.kits.flatMap(({ fit }) => fit.functionsTaken)),
    changes: goal.kits.flatMap(({ kit }) => kit.changes),
    kits: kitTermsOf(goal.kits, request.kits, build),
  }
}

/**
 * Parts whose last push can hardly be undone and that go home over the work of a kit's function, by function: what lies
 * behind them is pushed at once more. Cost: one derivation for each function, where the model has such a part.
 */
function triedAgainAfter(model: ProcedureForBuild, { kits }: JobGoal): Map<Id, Id[]> {
  const again = new Map<Id, Id[]>()
  if (![...model.parts.values()].some(({ refit }) => refit.hardToUndo)) return again
  for (const { kit, fit } of kits)
    for (const { id } of kit.functions) {
      const goals = [...closureOf(kit, [id]).works].flatMap((workId) => (fit.access[workId] ?? []).map(goalOf))
      const removal = deriveRemoval(model, goals, { openings: {}, methods: {}, resting: 'rest' })
      const parts = removal.ok ? [...removal.value.levels.keys()] : []
      const hard = parts.filter((partId) => model.parts.get(partId)?.refit.hardToUndo)
      if (hard.length > 0) again.set(id, hard)
    }
  return again
}

/** What becomes of a thing: what was recorded on the job, else what its terms say. Null = it goes back. */
export function endOf(state: JobState, terms: JobTerms, id: Id): string | null {
  const planned = terms.endings.get(id)
  return state.ends.get(id)?.end ?? (planned && planned !== 'replaced' && !goesBack(planned) ? planned : null)
}

/**
 * Functions of plugs that somebody left open on purpose at the vehicle; what the record or a kit ends so has its own
 * terms.
 */
export function functionsLeftOpen(document: ProcedureDocument, state: JobState, terms: JobTerms): Id[] {
  return withDefaultTests(document).tethers.flatMap((tether) =>
    state.ends.get(tether.id)?.end === 'left open and insulated' && !terms.endings.has(tether.id)
      ? tether.functions
      : [],
  )
}

/**
 * The functions of every tether that was opened, and those a kit adds, in the order of the record. What is taken away
 * is told, not tested.
 */
export function testsOwed(recorded: ProcedureDocument, state: JobState, terms: JobTerms): OwedTest[] {
  const document = withDefaultTests(recorded)
  const lost = new Set([...terms.taken, ...functionsLeftOpen(document, state, terms)])
  const wanted = new Set(
    document.tethers.flatMap((tether) => (state.tethersTouched.has(tether.id) ? tether.functions : [])),
  )
  const ofTheRecord = document.functions.filter((item) => wanted.has(item.id) && !lost.has(item.id))
  // What will not be there is told, and not tested.
  const blocked = new Set(blockedFunctions(terms, state).map(({ functionId }) => functionId))
  return [...ofTheRecord, ...(state.works.size > 0 ? terms.added.filter(({ id }) => !blocked.has(id)) : [])]
}
