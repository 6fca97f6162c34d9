import type { Id } from '../../base/id'
import { deriveRemoval } from '../../order/deriveRemoval'
import { forBuild } from '../../procedure/forBuild'
import type { JobDocument } from '../../procedure/jobDocument'
import type { Build } from '../../procedure/when'
import { suppliesNeeded } from '../../shop/supplies'
import { withKits } from '../../shop/withKits'
import { allGoals, goalOfRequest, type JobGoal } from '../ask/jobGoal'
import type { PlanRequest } from '../ask/planRequest'

/** Beyond this many builds each facet is judged with the others left open. */
const MOST_BUILDS = 128

/** What is to be done, before anybody knows on which build. */
export type AskedFor = Pick<PlanRequest, 'goals' | 'kits' | 'endings'>

/**
 * The facets whose answer would change anything of a job, among those not told in `known`: what is taken off, what the
 * kits do, what must be bought for it, what is tested or changed for good. Two builds that differ in one facet only and
 * give another job make that facet matter. Cost: builds x derivation.
 */
export function facetsThatMatter(record: JobDocument, asked: AskedFor, known: Build): Id[] {
  if (asked.goals.length + asked.kits.length === 0) return []
  const document = withKits(record, asked.kits)
  const open = document.facets.filter((facet) => known[facet.id] === undefined)
  const signature = (build: Build) => {
    const goal = goalOfRequest(asked, build)
    return `${removalSignature(document, goal, build)} | ${kitSignature(goal, build)}`
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

/** What is taken off, and what settings it asks for. */
function removalSignature(document: JobDocument, goal: JobGoal, build: Build): string {
  const none = { openings: {}, methods: {}, resting: 'rest' } as const
  const removal = deriveRemoval(forBuild(document, build), allGoals(goal), none)
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

/** What the kits do, bring, set, test and change. */
function kitSignature({ kits }: JobGoal, build: Build): string {
  const ids = (items: readonly { id: Id }[]) => items.map(({ id }) => id)
  const supplies = suppliesNeeded(kits, build).map(({ itemId, needed }) => `${itemId}=${needed}`)
  return kits
    .flatMap(({ kit, fit }) => [
      ...kit.works.flatMap(({ id, steps }) => [id, ...ids(steps)]),
      ...[kit.plugs, kit.functions, kit.changes].flatMap(ids),
      ...kit.settings.flatMap(({ id, expected }) => [id, ...ids(expected)]),
      ...fit.endings.map(({ itemId, ending, by }) => `${itemId}=${ending} ${by}`),
    ])
    .concat(supplies)
    .join(' ')
}
