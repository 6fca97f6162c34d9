import type { Id } from '../../base/id'
import { loopGroups, reachedFrom, successors } from '../../order/graph'
import { shortestLoop } from '../../order/loop'
import type { Edge } from '../../order/operation'
import { deriveRefit, type RefitError } from '../../order/refit'
import { deriveAsFarAsPossible } from '../../order/deriveRemoval'
import type { Removal, RemovalError } from '../../order/removal'
import type { Choices, Goal } from '../../order/wish'
import { checkFacts } from '../../procedure/checkFacts'
import type { ProcedureDocument } from '../../procedure/document'
import { forBuild, type ProcedureForBuild } from '../../procedure/forBuild'
import type { Build } from '../../procedure/when'
import type { Circumstances } from '../../vehicle/circumstances'
import { askedByRules } from '../../vehicle/judge'
import { noSafeOrderFor } from '../find/noSafeOrder'
import { byHurt, type Problem } from './problem'
import { keyOf, splitKey } from '../../procedure/acts'

/** How many strips, by different jobs, have shown each item as the record has it. */
export type Confirmations = ReadonlyMap<Id, number>

/** Beyond this many builds only those that differ from the first in one facet are tried. */
const MOST_BUILDS = 48

/**
 * The check of a whole record, what would hurt first. Contradictions come with the facts that make them, each once,
 * with the first build it appears on. Everything that can come off is derived at once for each build that differs in
 * its facts; a goal is out of reach where nothing of it can be brought that far on any build.
 *
 * Cost: distinct builds x derivation of the whole record.
 */
export function checkRecord(
  document: ProcedureDocument,
  circumstances: Circumstances,
  confirmations: Confirmations | null = null,
): Problem[] {
  const facts = checkFacts(document)
  // Dangling references would make a derivation meaningless: they are mended first.
  if (facts.some((problem) => problem.kind === 'reference' || problem.kind === 'carried in a circle'))
    return byHurt(facts)
  const check = new BuildCheck(document, circumstances)
  check.look({})
  // Every build's facts are among those of the widest reading: where that is sound and no setting hangs on a facet, so
  // is each build.
  const problems =
    check.isSound() && !settingsDiffer(document) ? check.problems() : checkEachBuild(document, circumstances)
  return byHurt([...problems, ...facts, ...seenOnce(document, confirmations)])
}

function checkEachBuild(document: ProcedureDocument, circumstances: Circumstances): Problem[] {
  const check = new BuildCheck(document, circumstances)
  for (const build of distinctBuilds(document)) check.look(build)
  return check.problems()
}

/**
 * Whether a setting, or what its methods need, exists on some builds only: then the way there can be missing on one of
 * them.
 */
function settingsDiffer(document: ProcedureDocument): boolean {
  const conditional = new Set<Id>()
  for (const list of [document.parts, document.holders, document.tethers, document.settings])
    for (const item of list) if (Object.keys(item.when).length > 0) conditional.add(item.id)
  if (document.settings.some((setting) => conditional.has(setting.id))) return true
  return document.needs.some(
    ({ dependent, needs, when }) =>
      dependent.act === 'method' &&
      (Object.keys(when).length > 0 ||
        conditional.has(
          needs.kind === 'part'
            ? needs.partId
            : needs.kind === 'tether'
              ? needs.tetherId
              : needs.kind === 'operation'
                ? needs.id
                : '',
        )),
  )
}

class BuildCheck {
  private readonly found = new Map<string, Problem>()
  private readonly reachable = new Set<Id>()
  private readonly failed = new Map<Id, Problem>()

  constructor(
    private readonly document: ProcedureDocument,
    private readonly circumstances: Circumstances,
  ) {}

  problems(): Problem[] {
    return [
      ...this.found.values(),
      ...[...this.failed].filter(([id]) => !this.reachable.has(id)).map(([, problem]) => problem),
    ]
  }

  /** Nothing found that a narrower build could make sense of, or make worse. */
  isSound(): boolean {
    return this.found.size === 0 && this.failed.size === 0
  }

  look(build: Build): void {
    const model = forBuild(this.document, build)
    const choices: Choices = { openings: {}, methods: {}, resting: 'rest' }
    const { removal, errors, sound } = deriveAsFarAsPossible(
      model,
      everyGoal(model),
      choices,
      askedByRules(model, this.circumstances),
    )
    const loops = sound ? [] : loopsOf(removal)
    for (const loop of loops) this.noteLoop(loopName(loop), build, loop)
    const blockedBy = new Map<string, RemovalError | RefitError>()
    for (const { key, error } of errors) if (key) blockedBy.set(key, error)
    for (const loop of loops) for (const edge of loop) blockedBy.set(edge.before, { kind: 'contradiction', loop })
    const blocked = spread(removal, blockedBy)
    this.cavities(model, build, removal, blocked)
    this.covers(model, build, removal, blocked)
    for (const needId of removal.droppedNeeds)
      this.note('dropped orders', { kind: 'orders in a circle', itemId: needId, needIds: removal.droppedNeeds })
    if (loops.length === 0 && errors.length === 0) this.wayBack(model, build, removal)
  }

  private wayBack(model: ProcedureForBuild, build: Build, removal: Removal): void {
    const refit = deriveRefit(removal)
    if (!refit.ok) {
      if (refit.error.kind === 'contradiction') this.noteLoop('loop on the way back', build, refit.error.loop)
      return
    }
    for (const [cavityId, error] of noSafeOrderFor(model, removal, this.circumstances))
      this.note(`unsafe ${cavityId}`, { kind: 'no safe order', itemId: cavityId, build, error })
  }

  private noteLoop(name: string, build: Build, loop: Edge[]): void {
    this.note(name, {
      kind: 'contradiction',
      itemId: splitKey(loop[0]!.after)[1],
      build,
      error: { kind: 'contradiction', loop },
    })
  }

  private cavities(
    model: ProcedureForBuild,
    build: Build,
    removal: Removal,
    blocked: ReadonlyMap<string, RemovalError | RefitError>,
  ): void {
    for (const cavity of model.cavities.values()) {
      const reasons = cavity.openings.map((opening) =>
        opening.parts
          .map((part) => blocked.get(targetKey(removal, part.partId, part.level)))
          .find((error) => error !== undefined),
      )
      if (reasons.some((reason) => reason === undefined)) this.reachable.add(cavity.id)
      else if (reasons[0]!.kind !== 'contradiction' && !this.failed.has(cavity.id))
        this.failed.set(cavity.id, { kind: 'goal out of reach', itemId: cavity.id, build, error: reasons[0]! })
    }
  }

  /** A holder whose cover can't be moved away, for another reason than the holder itself. */
  private covers(
    model: ProcedureForBuild,
    build: Build,
    removal: Removal,
    blocked: ReadonlyMap<string, RemovalError | RefitError>,
  ): void {
    for (const need of model.needs) {
      if (need.reason !== 'covers' || need.dependent.act !== 'undo' || need.needs.kind !== 'part') continue
      const error = blocked.get(targetKey(removal, need.needs.partId, need.needs.level))
      if (error && error.kind !== 'contradiction')
        this.note(`covered ${need.id}`, {
          kind: 'covered for good',
          itemId: need.dependent.id,
          coverId: need.needs.partId,
          build,
        })
    }
  }

  private note(key: string, problem: Problem): void {
    if (!this.found.has(key)) this.found.set(key, problem)
  }
}

/** Every part off, and every opening of every cavity as far as it asks. */
function everyGoal(model: ProcedureForBuild): Goal[] {
  const parts = [...model.parts.keys()].map((partId): Goal => ({ kind: 'part', partId, level: 'off' }))
  const openings = [...model.cavities.values()]
    .flatMap((cavity) => cavity.openings)
    .flatMap((opening) => opening.parts.map((part): Goal => ({ kind: 'part', ...part })))
  return [...parts, ...openings]
}

function loopName(loop: readonly Edge[]): string {
  return `loop ${loop
    .map((edge) => `${edge.before}>${edge.after}`)
    .sort()
    .join()}`
}

function targetKey(removal: Removal, partId: Id, level: string): string {
  return level === 'off' || !removal.operations.has(keyOf('release', partId))
    ? keyOf('lift', partId)
    : keyOf('release', partId)
}

/** One shortest loop of each group of operations that wait for each other. */
function loopsOf(removal: Removal): Edge[][] {
  const keys = [...removal.operations.keys()]
  const group = loopGroups(keys, removal.edges)
  const members = new Map<number, string[]>()
  for (const key of keys) members.set(group.get(key)!, [...(members.get(group.get(key)!) ?? []), key])
  return [...members.values()]
    .filter((list) => list.length > 1)
    .flatMap((list) => {
      const inside = new Set(list)
      const loop = shortestLoop(
        list,
        removal.edges.filter((edge) => inside.has(edge.before) && inside.has(edge.after)),
      )
      return loop ? [loop] : []
    })
}

/** What can't be done, and everything that waits for it, with the reason. */
function spread(
  removal: Removal,
  blockedBy: ReadonlyMap<string, RemovalError | RefitError>,
): Map<string, RemovalError | RefitError> {
  const all = new Map(blockedBy)
  if (blockedBy.size === 0) return all
  const then = successors(removal.edges)
  for (const [key, error] of blockedBy)
    for (const later of reachedFrom(then, key)) if (!all.has(later)) all.set(later, error)
  return all
}

/** One problem a part: facts that only one strip has shown. Nothing is said before a first strip. */
function seenOnce(document: ProcedureDocument, confirmations: Confirmations | null): Problem[] {
  if (!confirmations) return []
  return document.parts.flatMap((part): Problem[] => {
    const items = [
      part.id,
      ...document.holders.filter((holder) => holder.holds[0] === part.id).map((holder) => holder.id),
      ...document.tethers.filter((tether) => tether.partId === part.id).map((tether) => tether.id),
    ]
    const facts = items.filter((id) => (confirmations.get(id) ?? 0) < 2)
    return facts.length > 0 ? [{ kind: 'seen once', itemId: part.id, count: facts.length, facts }] : []
  })
}

/** Builds that differ in what exists on them; a facet no condition asks about makes no difference. */
function distinctBuilds(document: ProcedureDocument): Build[] {
  const asked = new Set<Id>()
  for (const list of [
    document.parts,
    document.holders,
    document.tethers,
    document.needs,
    document.settings,
    document.cavities,
    document.functions,
    document.cautions,
    document.waypoints,
    document.ways,
  ])
    for (const item of list) for (const facetId of Object.keys(item.when)) asked.add(facetId)
  const facets = document.facets.filter((facet) => asked.has(facet.id))
  const first = Object.fromEntries(document.facets.map((facet) => [facet.id, facet.choices[0]!.id]))
  const total = facets.reduce((product, facet) => product * facet.choices.length, 1)
  if (total <= MOST_BUILDS)
    return facets.reduce<Build[]>(
      (builds, facet) =>
        builds.flatMap((build) => facet.choices.map((choice) => ({ ...build, [facet.id]: choice.id }))),
      [first],
    )
  return [
    first,
    ...facets.flatMap((facet) => facet.choices.slice(1).map((choice) => ({ ...first, [facet.id]: choice.id }))),
  ]
}
