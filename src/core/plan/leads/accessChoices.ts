import type { Id } from '../../base/id'
import type { Access } from '../../procedure/access'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { LEVELS } from '../../procedure/levels'

/** A part at a level: what access comes down to. */
export type PartAccess = Extract<Access, { kind: 'part' }>
type Level = PartAccess['level']

/** So many ways to meet one access at most: a record with more keeps the first. */
const MOST_CHOICES = 12

/** Levels that anything asks a part for. */
export type AskedLevels = ReadonlyMap<Id, ReadonlySet<Level>>

/**
 * The ways to meet an access: a cavity by any of its openings, a part at the level asked for or at a further one that
 * something else asks for (what is off is eased as well). Without the further ones two leads that share a panel at
 * different levels would pay it twice.
 */
export function accessChoices(model: ProcedureForBuild, access: readonly Access[], asked: AskedLevels): PartAccess[][] {
  let choices: PartAccess[][] = [[]]
  for (const item of access) {
    const ways = item.kind === 'part' ? levelsFor(item, asked) : openingsOf(model, item.cavityId)
    choices = choices.flatMap((before) => ways.map((way) => joined(before, way))).slice(0, MOST_CHOICES)
  }
  return choices
}

function levelsFor(item: PartAccess, asked: AskedLevels): PartAccess[][] {
  const further = [...(asked.get(item.partId) ?? [])].filter((level) => rank(level) > rank(item.level))
  return [item.level, ...further.sort((a, b) => rank(a) - rank(b))].map((level) => [{ ...item, level }])
}

function openingsOf(model: ProcedureForBuild, cavityId: Id): PartAccess[][] {
  const openings = model.cavities.get(cavityId)?.openings ?? []
  return openings.map(({ parts }) => parts.map(({ partId, level }) => ({ kind: 'part', partId, level })))
}

/** Both, each part once, at the further of its levels. */
function joined(a: readonly PartAccess[], b: readonly PartAccess[]): PartAccess[] {
  const furthest = new Map<Id, PartAccess>()
  for (const item of [...a, ...b]) {
    const known = furthest.get(item.partId)
    if (!known || rank(item.level) > rank(known.level)) furthest.set(item.partId, item)
  }
  return [...furthest.values()]
}

function rank(level: Level): number {
  return LEVELS.indexOf(level)
}

/** The levels that these accesses ask each part for; a cavity asks for those of all its openings. */
export function askedLevels(model: ProcedureForBuild, accesses: readonly Access[]): AskedLevels {
  const levels = new Map<Id, Set<Level>>()
  const parts = accesses.flatMap((item) => (item.kind === 'part' ? [item] : openingsOf(model, item.cavityId).flat()))
  for (const { partId, level } of parts) levels.set(partId, (levels.get(partId) ?? new Set()).add(level))
  return levels
}
