import type { Choices } from '../../order/wish'
import type { Operation } from '../../order/operation'
import type { Access } from '../../procedure/access'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { goalOf, type JobGoal } from '../ask/jobGoal'
import { demandsOf } from '../derive/demandsOf'
import { deriveJob } from '../derive/deriveJob'
import type { DeriveError, DerivedJob } from '../derive/derivedJob'
import { ok, type Result } from '../../base/result'

/** What opening for leads costs beyond what the goals open anyway. */
export type OpeningUnits = {
  /** What is opened and closed once, whoever asks for it: whole milliseconds of whole seconds. */
  unitMs: number[]
  /** The units an access asks for; null where the record has no way to open it beside the goals. */
  unitsOf: (access: Access) => readonly number[] | null
}

/**
 * The units of opening: acts of the way in and of the way out that always come together, whichever of these accesses
 * ask for them, in the planner's own seconds. What the goals and the kits' work open anyway is in none.
 *
 * Errors: the goals' own, where they can't be derived. Cost: a derivation for each access.
 */
export function openingUnits(
  model: ProcedureForBuild,
  goal: JobGoal,
  choices: Choices,
  circumstances: Circumstances,
  asked: readonly Access[],
): Result<OpeningUnits, DeriveError> {
  const base = deriveJob(model, goal, choices, circumstances)
  if (!base.ok) return base
  const there = new Set(opening(base.value).map(({ key }) => key))
  const more = new Map<string, ReadonlyMap<string, number> | null>()
  for (const access of asked) {
    const key = keyOf(access)
    if (more.has(key)) continue
    const job = deriveJob(model, { ...goal, goals: [...goal.goals, goalOf(access)] }, choices, circumstances)
    const added = job.ok ? opening(job.value).filter((operation) => !there.has(operation.key)) : null
    more.set(
      key,
      added && job.ok
        ? new Map(added.map((operation) => [operation.key, demandsOf(job.value, operation).workS]))
        : null,
    )
  }
  return ok(grouped(more))
}

function keyOf(access: Access): string {
  return JSON.stringify(goalOf(access))
}

/** Acts that open and close. What is done, tested, told or waited for is no opening; settings the order finds. */
function opening({ removal, refit }: DerivedJob): Operation[] {
  return [...removal.operations.values(), ...refit.operations.values()].filter(({ act }) => !NO_OPENING.has(act))
}
const NO_OPENING: ReadonlySet<Operation['act']> = new Set(['work', 'test', 'decide', 'wait', 'set', 'restore'])

/** Acts that the same accesses ask for are one unit. */
function grouped(more: ReadonlyMap<string, ReadonlyMap<string, number> | null>): OpeningUnits {
  const askers = new Map<string, string[]>()
  const seconds = new Map<string, number>()
  for (const [access, added] of more)
    for (const [key, workS] of added ?? []) {
      askers.set(key, [...(askers.get(key) ?? []), access])
      seconds.set(key, workS)
    }
  const units = new Map<string, { number: number; workS: number }>()
  const of = new Map<string, Set<number>>()
  for (const [key, accesses] of askers) {
    const signature = accesses.join('|')
    const unit = units.get(signature) ?? { number: units.size, workS: 0 }
    unit.workS += seconds.get(key)!
    units.set(signature, unit)
    for (const access of accesses) of.set(access, (of.get(access) ?? new Set()).add(unit.number))
  }
  return {
    unitMs: [...units.values()].map(({ workS }) => Math.round(workS) * 1000),
    unitsOf: (access) => (more.get(keyOf(access)) === null ? null : [...(of.get(keyOf(access)) ?? [])]),
  }
}
