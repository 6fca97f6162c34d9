import type { Id } from '../../base/id'
import { reachedFrom, successors } from '../../order/graph'
import { deriveRemoval } from '../../order/deriveRemoval'
import type { Facet } from '../../procedure/facet'
import { forBuild } from '../../procedure/forBuild'
import type { WorkItem } from '../../shop/workItem'
import { askedByRules } from '../../vehicle/judge'
import type { Decision, DerivedJob } from './derivedJob'
import { allGoals, goalOnceTold, openInKits } from '../ask/jobGoal'
import { keyOf } from '../../procedure/acts'

/**
 * Adds a decision step for each facet that is not known, changes this job and can be told on its way: as early as it
 * can be told, and before whatever hangs on it, of the vehicle or of a kit. Until then the widest reading is planned,
 * so tools and parts for every branch are on the list. A facet that can't be told on this way stays open: everything it
 * might bring stays in.
 *
 * Cost: one derivation for each choice of each open facet.
 */
export function addDecisions(job: DerivedJob): Decision[] {
  const { model, removal } = job
  const asked = new Set([...model.openFacets, ...openInKits(job.goal)])
  const decisions: Decision[] = []
  for (const facet of model.document.facets) {
    if (!asked.has(facet.id)) continue
    const after = toldAfter(job, facet)
    if (after === 'not on this way') continue
    const conditional = hangingOn(job, facet)
    const [first] = conditional.keys()
    if (first === undefined) continue
    const key = keyOf('decide', facet.id)
    const because = { kind: 'told', facetId: facet.id } as const
    removal.operations.set(key, {
      ...{ key, phase: 'in', act: 'decide', itemId: facet.id },
      ...{ partId: null, setting: null, nth: 1 },
    })
    removal.broughtIn.set(key, { by: first, because })
    if (after !== null) removal.edges.push({ before: after, after: key, because })
    const then = successors(removal.edges)
    for (const hanging of conditional.keys()) {
      // Work lies behind the way in; what has to come off before the facet can be told is done as it is found.
      if (job.refit.operations.has(hanging)) job.refit.edges.push({ before: key, after: hanging, because })
      else if (!reachedFrom(then, hanging).has(key)) removal.edges.push({ before: key, after: hanging, because })
    }
    decisions.push({ facetId: facet.id, key, conditional })
  }
  return decisions
}

/** The act after which a facet can be told; null from the beginning. */
function toldAfter({ removal }: DerivedJob, { toldFrom }: Facet): string | null | 'not on this way' {
  if (toldFrom === null) return null
  const { level, partId } = toldFrom
  const brings = [level === 'off' ? keyOf('lift', partId) : keyOf('release', partId), keyOf('lift', partId)]
  return brings.find((key) => removal.operations.has(key)) ?? 'not on this way'
}

/**
 * Acts of the way in and work that exist, or are done in the same way, for some choices of a facet only; with the
 * choices they exist for.
 */
function hangingOn(job: DerivedJob, facet: Facet): Map<string, Id[]> {
  const { model, removal, circumstances } = job
  const { document, build } = model
  const branches = facet.choices.map((choice) => {
    const toldBuild = { ...build, [facet.id]: choice.id }
    const asTold = forBuild(document, toldBuild)
    const goal = goalOnceTold(job.goal, toldBuild)
    // A method the policy has ruled out is ruled out on every branch.
    const branch = { ...asTold, methods: new Map([...asTold.methods].filter(([id]) => model.methods.has(id))) }
    const derived = deriveRemoval(branch, allGoals(goal), removal.choices, askedByRules(branch, circumstances))
    const works = goal.kits.flatMap(({ kit }) =>
      kit.works.map((work) => [keyOf('work', work.id), asDone(work)] as const),
    )
    const opened = derived.ok ? [...derived.value.operations.keys()].map((key) => [key, ''] as const) : []
    return { choiceId: choice.id, how: new Map([...opened, ...works]) }
  })
  const conditional = new Map<string, Id[]>()
  for (const key of [...removal.operations.keys(), ...[...job.works.keys()].map((id) => keyOf('work', id))]) {
    const exists = branches.filter(({ how }) => how.has(key))
    const differs = new Set(exists.map(({ how }) => how.get(key))).size > 1
    if (exists.length > 0 && (differs || exists.length < branches.length))
      conditional.set(
        key,
        exists.map(({ choiceId }) => choiceId),
      )
  }
  return conditional
}

/** What a piece of work comes to on one branch: work whose steps differ waits for the answer as well. */
function asDone({ steps }: WorkItem): string {
  return steps.map(({ id }) => id).join()
}
