import type { Id } from '../base/id'
import { checkFacts, type FactProblem } from '../procedure/checkFacts'
import type { ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import type { Build } from '../procedure/when'
import { deriveRefit } from './refit'
import { deriveRemoval, type Goal, type RemovalError } from './removal'

export type Problem = FactProblem | { kind: 'contradiction'; itemId: Id; build: Build; error: RemovalError } | { kind: 'goal out of reach'; itemId: Id; build: Build; error: RemovalError }

/** Beyond this many builds only those that differ from the first in one facet are tried. */
const MOST_BUILDS = 48

/**
 * The check of a whole record, what would hurt first: contradictions with the facts that make them (each once, with the
 * first build it appears on), goals no build can reach, then what is missing.
 * Cost: builds x goals x derivation.
 */
export function checkRecord(document: ProcedureDocument): Problem[] {
  const facts = checkFacts(document)
  // Dangling references would make a derivation meaningless: they are mended first.
  if (facts.some((problem) => problem.kind === 'reference')) return facts
  const found = new Map<string, Problem>()
  const reachable = new Set<Id>()
  const failed = new Map<Id, Problem>()
  for (const build of buildsOf(document)) {
    const model = forBuild(document, build)
    const goals: Goal[] = [...[...model.parts.keys()].map((partId): Goal => ({ kind: 'part', partId, level: 'off' })), ...[...model.cavities.values()].map((cavity): Goal => ({ kind: 'cavity', cavityId: cavity.id }))]
    for (const goal of goals) {
      const itemId = goal.kind === 'part' ? goal.partId : goal.cavityId
      const openings = goal.kind === 'cavity' ? model.cavities.get(goal.cavityId)!.openings.map((opening) => ({ [goal.cavityId]: opening.id })) : [{}]
      for (const opening of openings) {
        const removal = deriveRemoval(model, [goal], { openings: opening, methods: {}, resting: 'rest' })
        const error = removal.ok ? errorOf(deriveRefit(removal.value)) : removal.error
        if (!error) reachable.add(itemId)
        else if (error.kind === 'contradiction') {
          const name = error.loop.map((edge) => `${edge.before}>${edge.after}`).sort().join()
          if (!found.has(name)) found.set(name, { kind: 'contradiction', itemId: error.loop[0]!.after.split(/[:=]/)[1]!, build, error })
        } else if (goal.kind === 'cavity') failed.set(itemId, { kind: 'goal out of reach', itemId, build, error })
      }
    }
  }
  for (const id of reachable) failed.delete(id)
  return [...found.values(), ...failed.values(), ...facts]
}

function errorOf(result: { ok: true } | { ok: false; error: RemovalError }): RemovalError | null {
  return result.ok ? null : result.error
}

function buildsOf(document: ProcedureDocument): Build[] {
  const all = document.facets.reduce<Build[]>((builds, facet) => builds.flatMap((build) => facet.choices.map((choice) => ({ ...build, [facet.id]: choice.id }))), [{}])
  if (all.length <= MOST_BUILDS) return all
  const first = all[0]!
  return [first, ...document.facets.flatMap((facet) => facet.choices.slice(1).map((choice) => ({ ...first, [facet.id]: choice.id })))]
}
