import type { Id } from '../../base/id'
import { deriveRemoval } from '../../order/deriveRemoval'
import type { Goal } from '../../order/wish'
import type { ProcedureDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import type { Build } from '../../procedure/when'

/** Beyond this many builds each facet is judged with the others left open. */
const MOST_BUILDS = 128

/**
 * The facets whose answer would change what has to be done for these goals, among those not told in `known`.
 * Two builds that differ in one facet only and give other operations make that facet matter.
 * Cost: builds x derivation.
 */
export function facetsThatMatter(document: ProcedureDocument, goals: readonly Goal[], known: Build): Id[] {
  if (goals.length === 0) return []
  const open = document.facets.filter((facet) => known[facet.id] === undefined)
  const signature = (build: Build) => {
    const removal = deriveRemoval(forBuild(document, build), goals, { openings: {}, methods: {}, resting: 'rest' })
    if (!removal.ok) return removal.error.kind
    const { operations, settings, demands } = removal.value
    return [
      ...operations.keys(),
      ...settings.keys(),
      ...[...demands].map(
        ([key, list]) => `${key} ${list.map((demand) => `${demand.settingId}=${demand.value}`).join()}`,
      ),
    ]
      .sort()
      .join(' ')
  }
  const total = open.reduce((product, facet) => product * facet.choices.length, 1)
  let builds: Build[] = [known]
  if (total <= MOST_BUILDS)
    for (const facet of open)
      builds = builds.flatMap((build) => facet.choices.map((choice) => ({ ...build, [facet.id]: choice.id })))
  const memo = new Map<string, string>()
  const signatureOf = (build: Build) => {
    const key = open.map((facet) => build[facet.id] ?? '').join('|')
    const found = memo.get(key) ?? signature(build)
    memo.set(key, found)
    return found
  }
  return open
    .filter((facet) =>
      builds.some(
        (build) => new Set(facet.choices.map((choice) => signatureOf({ ...build, [facet.id]: choice.id }))).size > 1,
      ),
    )
    .map((facet) => facet.id)
}
