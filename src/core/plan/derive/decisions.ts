import type { Id } from '../../base/id'
import { reachedFrom, successors } from '../../order/graph'
import { deriveRemoval } from '../../order/deriveRemoval'
import { forBuild } from '../../procedure/forBuild'
import { askedByRules } from '../../vehicle/judge'
import type { Decision, DerivedJob } from './derivedJob'
import { allGoals } from '../ask/jobGoal'
import { keyOf } from '../../procedure/acts'

/**
 * Adds a decision step for each facet that is not known, changes this job and can be told on its way: as early as it
 * can be told, and before whatever hangs on it. Until then the widest reading is planned, so tools and parts for every
 * branch are on the list. A facet that can't be told on this way stays open: everything it might bring stays in.
 *
 * Cost: one derivation for each choice of each open facet.
 */
export function addDecisions(job: DerivedJob): Decision[] {
  const { model, removal, circumstances } = job
  const { document, build } = model
  const decisions: Decision[] = []
  for (const facet of document.facets) {
    if (!model.openFacets.has(facet.id)) continue
    const told = facet.toldFrom
    const after =
      told === null
        ? null
        : [
            told.level === 'off' ? keyOf('lift', told.partId) : keyOf('release', told.partId),
            keyOf('lift', told.partId),
          ].find((key) => removal.operations.has(key))
    if (after === undefined) continue
    const branches = facet.choices.map((choice) => {
      const asTold = forBuild(document, { ...build, [facet.id]: choice.id })
      // A method the policy has ruled out is ruled out on every branch.
      const branch = { ...asTold, methods: new Map([...asTold.methods].filter(([id]) => model.methods.has(id))) }
      const derived = deriveRemoval(branch, allGoals(job.goal), removal.choices, askedByRules(branch, circumstances))
      return { choiceId: choice.id, keys: new Set(derived.ok ? derived.value.operations.keys() : []) }
    })
    const conditional = new Map<string, Id[]>()
    for (const key of removal.operations.keys()) {
      const exists = branches.filter((branch) => branch.keys.has(key)).map((branch) => branch.choiceId)
      if (exists.length > 0 && exists.length < branches.length) conditional.set(key, exists)
    }
    if (conditional.size === 0) continue
    const key = keyOf('decide', facet.id)
    removal.operations.set(key, {
      key,
      phase: 'in',
      act: 'decide',
      itemId: facet.id,
      partId: null,
      setting: null,
      nth: 1,
    })
    removal.broughtIn.set(key, { by: [...conditional.keys()][0]!, because: { kind: 'told', facetId: facet.id } })
    if (after !== null) removal.edges.push({ before: after, after: key, because: { kind: 'told', facetId: facet.id } })
    const then = successors(removal.edges)
    // What has to come off before the facet can be told is done as it is found.
    for (const hanging of conditional.keys())
      if (!reachedFrom(then, hanging).has(key))
        removal.edges.push({ before: key, after: hanging, because: { kind: 'told', facetId: facet.id } })
    decisions.push({ facetId: facet.id, key, conditional })
  }
  return decisions
}
