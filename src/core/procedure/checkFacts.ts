import type { Id } from '../base/id'
import { danglingReferences, type DanglingReference } from './references'
import { COLLECTIONS, type Collection, type ProcedureDocument } from './document'
import { same } from './edit'
import { areLookalikes } from './lookalikes'
import { THREADED_KINDS } from './holderKinds'
import { hasKnownTest } from './defaultTests'
import { usualDrive } from './heads'
import type { Holder } from './holder'
import type { Need } from './need'
import type { Part } from './part'
import { mayRestFree } from './resting'
import type { Setting } from './setting'
import type { Tether } from './tether'
import { isElectrical } from './circuits'
import { wayProblems, type WayProblem } from './checkWays'
import { screwsUnderTraps } from './screwsUnderTraps'

/** What is missing or wrong in a record as it stands, as things: the interface makes the sentence and the jump. */
export type FactProblem =
  | { kind: 'reference'; itemId: Id; reference: DanglingReference }
  | { kind: 'carried in a circle'; itemId: Id }
  | { kind: 'nothing holds it'; itemId: Id }
  /** Undone or opened on a strip, and nobody has said what it holds or ties. */
  | { kind: 'loose end'; itemId: Id }
  | { kind: 'no latch' | 'no tab side' | 'no circuit' | 'no function'; itemId: Id }
  | { kind: 'no way to set'; itemId: Id; value: string }
  | { kind: 'lookalike without difference'; itemId: Id; otherId: Id }
  | { kind: 'mix-up without difference'; itemId: Id; otherId: Id }
  | { kind: 'mix-up one way'; itemId: Id; otherId: Id }
  | { kind: 'drive without size'; itemId: Id }
  /** Said to let go with the pull, and nothing threaded does: it is undone by itself all the same. */
  | { kind: 'thread lets go'; itemId: Id }
  | { kind: 'marks differ'; itemId: Id; marks: number; count: number }
  | { kind: 'may not rest'; itemId: Id; partId: Id }
  | { kind: 'other steering side'; itemId: Id; words: string; facetId: Id }
  | { kind: 'condition on every choice'; itemId: Id; collection: Collection; facetId: Id }
  | { kind: 'stated twice'; itemId: Id; otherId: Id }
  /** Two parts of one name: whoever says it means either. */
  | { kind: 'same name'; itemId: Id; otherId: Id }
  /** A trap, and nobody has said whether these can be reached with it on. `itemId`: the need. */
  | { kind: 'screws under a trap'; itemId: Id; coverId: Id; partId: Id; holderIds: Id[] }
  /** A choice nobody can tell from the others. */
  | { kind: 'facet not told apart'; itemId: Id; choice: string }
  | WayProblem
  | { kind: 'no cavity' }

/** Every fact that is missing or does not fit the others. Cost: O(items + pairs of screws with one head). */
export function checkFacts(document: ProcedureDocument): FactProblem[] {
  return [
    ...danglingReferences(document).map((reference): FactProblem => ({
      kind: 'reference',
      itemId: reference.itemId,
      reference,
    })),
    ...carriedInCircles(document),
    ...[
      ...document.holders.filter((holder) => holder.holds.length === 0),
      ...document.tethers.filter((tether) => tether.partId === null),
    ].map(({ id }): FactProblem => ({ kind: 'loose end', itemId: id })),
    ...tetherProblems(document),
    ...needProblems(document),
    ...partProblems(document),
    ...holderProblems(document),
    ...screwsUnderTraps(document).map(({ needId, ...trap }): FactProblem => ({
      kind: 'screws under a trap',
      itemId: needId,
      ...trap,
    })),
    ...conditionProblems(document),
    ...namingProblems(document),
    ...wayProblems(document),
    ...(document.cavities.length === 0 && document.parts.length > 0 ? [{ kind: 'no cavity' } as const] : []),
  ]
}

function carriedInCircles(document: ProcedureDocument): FactProblem[] {
  const carrier = new Map(document.parts.map((part) => [part.id, part.carriedBy]))
  return document.parts.flatMap((part): FactProblem[] => {
    let at = carrier.get(part.id) ?? null
    for (let steps = 0; at !== null && steps <= document.parts.length; steps++) {
      if (at === part.id) return [{ kind: 'carried in a circle', itemId: part.id }]
      at = carrier.get(at) ?? null
    }
    return []
  })
}

function tetherProblems(document: ProcedureDocument): FactProblem[] {
  const byId = new Map(document.tethers.map((tether) => [tether.id, tether]))
  return document.tethers.flatMap((tether) => [
    ...plugProblems(tether),
    ...tether.mixups.flatMap((otherId) => {
      const other = byId.get(otherId)
      return other ? mixupProblems(tether, other) : []
    }),
  ])
}

/** Latches that are worked from one side: which, a hand has to know. */
const TAB_LATCHES: readonly string[] = ['press tab', 'squeeze two tabs', 'lever']

function plugProblems(tether: Tether): FactProblem[] {
  const problems: FactProblem[] = []
  const electrical = isElectrical(tether)
  if (electrical && tether.circuit === null) problems.push({ kind: 'no circuit', itemId: tether.id })
  if (electrical && tether.latch === null) problems.push({ kind: 'no latch', itemId: tether.id })
  else if (tether.latch !== null && TAB_LATCHES.includes(tether.latch) && tether.tabSide === null)
    problems.push({ kind: 'no tab side', itemId: tether.id })
  if (electrical && !hasKnownTest(tether)) problems.push({ kind: 'no function', itemId: tether.id })
  return problems
}

function mixupProblems(tether: Tether, other: Tether): FactProblem[] {
  const problems: FactProblem[] = []
  if (!other.mixups.includes(tether.id)) problems.push({ kind: 'mix-up one way', itemId: tether.id, otherId: other.id })
  if (tether.tell === '' && other.tell === '' && tether.id < other.id)
    problems.push({ kind: 'mix-up without difference', itemId: tether.id, otherId: other.id })
  return problems
}

function needProblems(document: ProcedureDocument): FactProblem[] {
  const parts = new Map(document.parts.map((part) => [part.id, part]))
  const settings = new Map(document.settings.map((setting) => [setting.id, setting]))
  return [
    ...document.needs.flatMap((need) => [...restProblems(parts, need), ...valueProblems(settings, need)]),
    ...statedTwice(document),
    ...document.settings.flatMap(endProblems),
  ]
}

/** A part is wanted free, and may not rest there. */
function restProblems(parts: ReadonlyMap<Id, Part>, { id, needs }: Need): FactProblem[] {
  const part = needs.kind === 'part' && needs.level === 'free' ? parts.get(needs.partId) : undefined
  return part && !mayRestFree(part) ? [{ kind: 'may not rest', itemId: id, partId: part.id }] : []
}

/** A setting is wanted at a value that no method brings it to. */
function valueProblems(settings: ReadonlyMap<Id, Setting>, { needs }: Need): FactProblem[] {
  const setting = needs.kind === 'setting' ? settings.get(needs.settingId) : undefined
  return setting && needs.kind === 'setting' && !canReach(setting, needs.value)
    ? [{ kind: 'no way to set', itemId: setting.id, value: needs.value }]
    : []
}

function endProblems(setting: Setting): FactProblem[] {
  const { atEnd, values } = setting
  return atEnd !== 'as found' && values.includes(atEnd) && !canReach(setting, atEnd)
    ? [{ kind: 'no way to set', itemId: setting.id, value: atEnd }]
    : []
}

function canReach({ asFound, methods }: Setting, value: string): boolean {
  return asFound === value || methods.some((method) => method.to === value)
}

function statedTwice(document: ProcedureDocument): FactProblem[] {
  const stated = new Map<string, Need>()
  return document.needs.flatMap((need): FactProblem[] => {
    const key = JSON.stringify([need.dependent, need.needs])
    const first = stated.get(key)
    if (!first) stated.set(key, need)
    return first && first.reason === need.reason && same(first.when, need.when)
      ? [{ kind: 'stated twice', itemId: need.id, otherId: first.id }]
      : []
  })
}

function partProblems(document: ProcedureDocument): FactProblem[] {
  const problems: FactProblem[] = []
  const held = new Set(document.holders.flatMap((holder) => holder.holds))
  const steering = document.facets.find((facet) => facet.kind === 'steering side')
  for (const part of document.parts) {
    if (part.fixing === 'fastened' && !held.has(part.id)) problems.push({ kind: 'nothing holds it', itemId: part.id })
    if (!steering || part.when[steering.id] || (part.station !== 'driver side' && part.station !== 'passenger side'))
      continue
    // Left and right are the vehicle's: on the other steering side the same part lies on the other side.
    const axes = part.release.motions
      .flatMap((motion) => motion.directions)
      .filter((axis) => axis === 'left' || axis === 'right')
    const words = [part.release.start, part.refit.first, part.refit.last].join(' ').match(/\b(left|right)\b/)?.[1]
    const found = axes[0] ?? words
    if (found) problems.push({ kind: 'other steering side', itemId: part.id, words: found, facetId: steering.id })
  }
  return problems
}

function holderProblems(document: ProcedureDocument): FactProblem[] {
  return [...document.holders.flatMap(oneHolderProblems), ...untoldLookalikes(document.holders)]
}

function oneHolderProblems(holder: Holder): FactProblem[] {
  const problems: FactProblem[] = []
  const drive = usualDrive(holder)
  const threaded = THREADED_KINDS.includes(holder.kind)
  const marks = holder.positions.length
  if (threaded && (drive === null || drive.size === ''))
    problems.push({ kind: 'drive without size', itemId: holder.id })
  if (threaded && holder.letsGo === 'with the pull') problems.push({ kind: 'thread lets go', itemId: holder.id })
  if (marks > 0 && marks !== holder.count)
    problems.push({ kind: 'marks differ', itemId: holder.id, marks, count: holder.count })
  return problems
}

/** Groups with one head that look alike, and nothing says how they differ. */
function untoldLookalikes(holders: readonly Holder[]): FactProblem[] {
  const problems: FactProblem[] = []
  const byHead = new Map<string, Holder[]>()
  for (const holder of holders) {
    const drive = usualDrive(holder)
    if (!THREADED_KINDS.includes(holder.kind) || drive === null) continue
    const head = `${drive.drive} ${drive.size}`
    const alike = byHead.get(head) ?? []
    for (const other of alike)
      if (isUntold(other, holder) && areLookalikes(other, holder)) {
        const [itemId, otherId] = other.thread === null ? [other.id, holder.id] : [holder.id, other.id]
        problems.push({ kind: 'lookalike without difference', itemId, otherId })
      }
    byHead.set(head, [...alike, holder])
  }
  return problems
}

/** Whether nothing says how two groups with one head differ: no threads to compare, and no words. */
function isUntold(a: Holder, b: Holder): boolean {
  return (a.thread === null || b.thread === null) && a.tell === '' && b.tell === ''
}

function conditionProblems(document: ProcedureDocument): FactProblem[] {
  const problems: FactProblem[] = []
  const facets = new Map(document.facets.map((facet) => [facet.id, facet]))
  for (const collection of COLLECTIONS)
    for (const item of document[collection])
      if ('when' in item)
        for (const [facetId, choices] of Object.entries(item.when))
          if (facets.has(facetId) && facets.get(facetId)!.choices.every((choice) => choices.includes(choice.id)))
            problems.push({ kind: 'condition on every choice', itemId: item.id, collection, facetId })
  return problems
}

function namingProblems(document: ProcedureDocument): FactProblem[] {
  const byName = new Map<string, Id>()
  const twice = document.parts.flatMap((part): FactProblem[] => {
    const name = part.name.toLowerCase()
    const otherId = byName.get(name)
    if (otherId === undefined) byName.set(name, part.id)
    return otherId === undefined ? [] : [{ kind: 'same name', itemId: part.id, otherId }]
  })
  const untold = document.facets.flatMap((facet): FactProblem[] => {
    const silent = facet.choices.filter((choice) => choice.tell === '')
    return silent.length > 1 ? [{ kind: 'facet not told apart', itemId: facet.id, choice: silent[0]!.name }] : []
  })
  return [...twice, ...untold]
}
