import type { Id } from '../base/id'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { headOf } from '../procedure/heads'
import { isUntoldApart } from '../procedure/lookalikes'
import { screwsUnderTraps, type TrapOverScrews } from '../procedure/screwsUnderTraps'
import { isElectrical, type Circuit } from '../procedure/circuits'
import { likelyCircuits } from '../procedure/likelyCircuits'
import { firstTimes, looseEndsOf } from './looseEnds'
import { purposeOf, PURPOSES } from './purpose'

/** Why one thing came before another: the physical reasons, and the one that is none. */
export const REASONS = ['covers', 'holds', 'traps', 'threads', 'reaches', 'habit'] as const
export type Reason = (typeof REASONS)[number]

/** What only the recorder knows and what would change a plan. `reasons`: likeliest first. */
export type Question =
  | { id: string; kind: 'circuit'; tetherId: Id; likely: Circuit[] }
  /**
   * What a part came off for: `nextId` is what came off right after it, `laterIds` every part that came forward later.
   */
  | { id: string; kind: 'why first'; partId: Id; nextId: Id; laterIds: Id[]; reasons: Reason[] }
  | { id: string; kind: 'what for'; settingId: Id; value: string; partId: Id }
  /** What the whole strip is for: asked first, and names what the way opens. */
  | { id: string; kind: 'purpose'; likely: readonly string[] }
  /** The battery is off, and nobody has said that what it asks for was seen to. */
  | { id: string; kind: 'battery prepared'; settingId: Id }
  | { id: string; kind: 'reached'; trap: TrapOverScrews }
  | { id: string; kind: 'same screw'; holderId: Id; otherId: Id }
  | { id: string; kind: 'had to be'; partId: Id; nextId: Id; savesS: number; reasons: Reason[] }

export const MOST_QUESTIONS = 5

/**
 * The questions whose answer would change a plan, the gravest first: which circuit a plug is (safety), what a part came
 * off for that nothing waits for (no plan would take it off), what a setting was moved for, and orders that cost time
 * and that nobody has explained (`dear`, worked out by the planner). What was put off is not asked again.
 */
export function questionsOf(document: ProcedureDocument, state: JobState, dear: readonly Question[] = []): Question[] {
  const asked = [
    ...circuits(document, state),
    ...purpose(document, state),
    ...batteryPrepared(document, state),
    ...sameScrews(document, state),
    ...trapped(document, state),
    ...covers(document, state),
    ...settings(document, state),
    ...dear.filter(
      (question) => question.kind !== 'had to be' || !isExplained(document, question.partId, question.nextId),
    ),
  ]
  return asked.filter((question) => !state.questionsPutOff.has(question.id))
}

function circuits(document: ProcedureDocument, state: JobState): Question[] {
  return document.tethers
    .filter((tether) => isElectrical(tether) && tether.circuit === null && state.tethersTouched.has(tether.id))
    .map((tether): Question => ({
      id: `circuit:${tether.id}`,
      kind: 'circuit',
      tetherId: tether.id,
      likely: likelyCircuits(tether.name),
    }))
}

function purpose(document: ProcedureDocument, state: JobState): Question[] {
  return document.cavities.length === 0 && purposeOf(state) === null
    ? [{ id: 'purpose', kind: 'purpose', likely: PURPOSES }]
    : []
}

/** A battery goes off only with the codes known, media out, keys outside: asked at a strip as a planned job asks it. */
function batteryPrepared(document: ProcedureDocument, state: JobState): Question[] {
  return document.settings.flatMap((setting): Question[] => {
    if (
      setting.role !== 'battery' ||
      (state.settings.get(setting.id) ?? setting.asFound) !== 'off' ||
      setting.asFound === 'off'
    )
      return []
    const since = state.settingChangedAt.get(setting.id) ?? ''
    const seenTo = [...state.cautionsReadAt].some(([key, at]) => key.endsWith(':battery-preparations') && at >= since)
    return seenTo ? [] : [{ id: `battery:${setting.id}`, kind: 'battery prepared', settingId: setting.id }]
  })
}

/** Traps stated of parts that came forward on this strip. */
function trapped(document: ProcedureDocument, state: JobState): Question[] {
  return screwsUnderTraps(document).flatMap((trap): Question[] =>
    state.moved.has(trap.coverId) ? [{ id: `reached:${trap.needId}`, kind: 'reached', trap }] : [],
  )
}

/** The second group of one head that came out: nobody has said whether it is the same screw. */
function sameScrews(document: ProcedureDocument, state: JobState): Question[] {
  const order = firstTimes(state)
  const out = document.holders
    .filter((holder) => order.has(holder.id) && headOf(holder) !== null)
    .sort((a, b) => order.get(a.id)! - order.get(b.id)!)
  return out.flatMap((holder, i): Question[] => {
    const other = out.slice(0, i).find((first) => isUntoldApart(first, holder))
    return other
      ? [
          {
            id: `same:${[other.id, holder.id].sort().join('+')}`.slice(0, 200),
            kind: 'same screw',
            holderId: holder.id,
            otherId: other.id,
          },
        ]
      : []
  })
}

/** A part that came off and that nothing waits for: no plan would take it off. Asked about what came off next. */
function covers(document: ProcedureDocument, state: JobState): Question[] {
  const order = firstTimes(state)
  return looseEndsOf(document, state).flatMap((loose): Question[] => {
    if (loose.kind !== 'cover') return []
    const nextId = nextAfter(document, state, order, loose.id)
    return nextId === null
      ? []
      : [
          {
            id: `why:${loose.id}`,
            kind: 'why first',
            partId: loose.id,
            nextId,
            laterIds: laterParts(document, state, order, loose.id),
            reasons: reasonsFor(document, nextId),
          },
        ]
  })
}

/** The first thing of another part that came forward after this one. */
function nextAfter(
  document: ProcedureDocument,
  state: JobState,
  order: ReadonlyMap<Id, number>,
  partId: Id,
): Id | null {
  const own = new Set([
    partId,
    ...document.holders.filter((holder) => holder.holds.includes(partId)).map(({ id }) => id),
    ...document.tethers.filter((tether) => tether.partId === partId).map(({ id }) => id),
  ])
  const at = order.get(partId) ?? Infinity
  const later = [...order]
    .filter(([id, time]) => time > at && !own.has(id) && !state.alreadyOff.has(id))
    .sort(([, a], [, b]) => a - b)
  return later[0]?.[0] ?? null
}

/** Every other part that came forward after it, first to last: any of them may be what it came off for. */
function laterParts(document: ProcedureDocument, state: JobState, order: ReadonlyMap<Id, number>, partId: Id): Id[] {
  const at = order.get(partId) ?? Infinity
  const later = document.parts.filter(
    (part) =>
      part.id !== partId &&
      part.carriedBy === null &&
      !state.alreadyOff.has(part.id) &&
      (order.get(part.id) ?? -1) > at,
  )
  return later.sort((a, b) => order.get(a.id)! - order.get(b.id)!).map(({ id }) => id)
}

export function reasonsFor(document: ProcedureDocument, nextId: Id): Reason[] {
  const isPart = document.parts.some((part) => part.id === nextId)
  const isPlug = document.tethers.some((tether) => tether.id === nextId)
  return isPart
    ? ['traps', 'covers', 'holds', 'threads', 'reaches', 'habit']
    : isPlug
      ? ['covers', 'reaches', 'threads', 'habit']
      : ['covers', 'reaches', 'holds', 'habit']
}

/** A setting moved for a reason: power and what holds the vehicle are moved for safety's sake and not asked about. */
function settings(document: ProcedureDocument, state: JobState): Question[] {
  const asked = document.settings.filter(
    (setting) =>
      (setting.role === 'gear lever' || setting.role === 'other') &&
      !document.needs.some((need) => need.needs.kind === 'setting' && need.needs.settingId === setting.id),
  )
  return asked.flatMap((setting): Question[] => {
    const at = state.history.findIndex(
      ({ what }) => what.kind === 'set' && what.settingId === setting.id && what.value !== setting.asFound,
    )
    if (at < 0) return []
    const moved = state.history.slice(at).find(({ what }) => what.kind === 'part at' && what.level !== 'in place')
    const value = state.history[at]!.what
    return moved?.what.kind === 'part at' && value.kind === 'set'
      ? [
          {
            id: `setting:${setting.id}`,
            kind: 'what for',
            settingId: setting.id,
            value: value.value,
            partId: moved.what.partId,
          },
        ]
      : []
  })
}

function isExplained(document: ProcedureDocument, partId: Id, nextId: Id): boolean {
  const holdersOf = (id: Id) =>
    document.holders.filter((holder) => holder.holds.includes(id)).map((holder) => holder.id)
  const about = new Set([
    nextId,
    ...holdersOf(nextId),
    ...document.tethers.filter((tether) => tether.partId === nextId).map((tether) => tether.id),
  ])
  return document.needs.some(
    (need) =>
      about.has(need.dependent.id) &&
      ((need.needs.kind === 'part' && need.needs.partId === partId) ||
        (need.needs.kind === 'operation' &&
          need.reason === 'habit' &&
          [partId, ...holdersOf(partId)].includes(need.needs.id))),
  )
}
