import type { Id } from '../base/id'
import type { Happening } from '../job/event'
import type { JobState } from '../job/jobState'
import { Cavity } from '../procedure/cavity'
import type { ProcedureDocument } from '../procedure/document'
import { fieldEdits, type Edit } from '../procedure/edit'
import { coversNeed, Need, trapsNeed } from '../procedure/need'
import { mayRestFree } from '../procedure/resting'
import { firstTimes } from './looseEnds'
import { purposeOf } from './purpose'
import type { Reason } from './questions'

/** Getting it off was the goal itself: what it opens. */
export function goalEdits(
  document: ProcedureDocument,
  state: Pick<JobState, 'notes'>,
  partId: Id,
  newId: (prefix: string) => Id,
): Edit[] {
  const purpose = purposeOf(state)
  const purposeName =
    purpose && document.cavities.length === 0 ? `${purpose[0]!.toUpperCase()}${purpose.slice(1)} cavity` : null
  const part = document.parts.find((item) => item.id === partId)
  if (!part) return []
  const item = Cavity.parse({
    id: newId('cavity'),
    name: (purposeName ?? `Behind the ${part.name.toLowerCase()}`).slice(0, 60),
    openings: [{ id: newId('opening'), parts: [{ partId, level: mayRestFree(part) ? 'free' : 'off' }] }],
  })
  return [{ kind: 'add', collection: 'cavities', item, after: null }]
}

/**
 * What an answer to "why was this first?" adds to the record. `holders`: of the later part, those that were undone
 * after.
 */
export function reasonEdits(
  document: ProcedureDocument,
  state: JobState,
  partId: Id,
  nextId: Id,
  reason: Reason,
  newId: (prefix: string) => Id,
): Edit[] {
  const part = document.parts.find((item) => item.id === partId)
  if (!part) return []
  const level = mayRestFree(part) ? 'free' : 'off'
  const isPart = document.parts.some((item) => item.id === nextId)
  const isPlug = document.tethers.some((item) => item.id === nextId)
  const act = isPart ? 'release' : isPlug ? 'open' : 'undo'
  const needed = { kind: 'part', partId, level } as const
  const stated = (reasonOf: Need['reason'], note = '') =>
    Need.parse({ id: newId('need'), dependent: { act, id: nextId }, needs: needed, reason: reasonOf, note })
  const order = firstTimes(state)
  const under = document.holders.filter(
    (holder) => holder.holds.includes(nextId) && (order.get(holder.id) ?? -1) > (order.get(partId) ?? Infinity),
  )
  const covering = (holderId: Id) => coversNeed(newId('need'), holderId, partId, level)
  const trapping = () => trapsNeed(newId('need'), nextId, partId, level)
  const needs: Readonly<Record<Reason, () => Need[]>> = {
    covers: () => {
      if (isPlug) return [stated('covers')]
      if (!isPart) return [covering(nextId)]
      return under.length > 0 ? under.map((holder) => covering(holder.id)) : [trapping()]
    },
    traps: () => [isPart ? trapping() : stated('reaches')],
    holds: () => [stated('traps', 'it holds it')],
    threads: () => [stated('threads')],
    reaches: () => [stated('reaches')],
    habit: () =>
      habitPairs(document, state, partId, nextId).map(([before, after]) =>
        Need.parse({ id: newId('need'), dependent: after, needs: { kind: 'operation', ...before }, reason: 'habit' }),
      ),
  }
  return needs[reason]().map((item): Edit => ({ kind: 'add', collection: 'needs', item, after: null }))
}

/** A part, its fasteners and its plugs came off when they did for no reason. */
export function outOfHabit(document: ProcedureDocument, partId: Id): Happening[] {
  const ids = [
    partId,
    ...document.holders.filter((holder) => holder.holds.includes(partId)).map((holder) => holder.id),
    ...document.tethers.filter((tether) => tether.partId === partId).map((tether) => tether.id),
  ]
  return ids.map((itemId) => ({ kind: 'order means nothing', itemId }))
}

type Act = { act: 'undo' | 'release' | 'open' | 'lift'; id: Id }

/**
 * A habit frees everything of the one from everything of the other: one pair alone would still hold through its
 * neighbours.
 */
function habitPairs(document: ProcedureDocument, state: JobState, partId: Id, nextId: Id): [Act, Act][] {
  const owner = document.parts.some((part) => part.id === nextId)
    ? nextId
    : (document.holders.find((holder) => holder.id === nextId)?.holds[0] ??
      document.tethers.find((tether) => tether.id === nextId)?.partId ??
      null)
  const [before, after] = [actsOf(document, state, partId), owner === null ? [] : actsOf(document, state, owner)]
  const pairs = before.flatMap((first) => after.map((second): [Act, Act] => [first, second]))
  return pairs.length > 0 ? pairs.slice(0, 40) : []
}

function actsOf(document: ProcedureDocument, state: JobState, partId: Id): Act[] {
  const times = firstTimes(state)
  return [
    ...document.holders
      .filter((holder) => holder.holds.includes(partId) && times.has(holder.id))
      .map((holder): Act => ({ act: 'undo', id: holder.id })),
    ...(times.has(partId) ? ([{ act: 'release', id: partId }] as Act[]) : []),
    ...document.tethers
      .filter((tether) => tether.partId === partId && times.has(tether.id))
      .map((tether): Act => ({ act: 'open', id: tether.id })),
    ...(state.setAside.has(partId) ? ([{ act: 'lift', id: partId }] as Act[]) : []),
  ]
}

/**
 * Whether two groups are the same screw: so they are one pool; or how they are told apart, so that they never share a
 * tray.
 */
export function sameScrewEdits(
  document: ProcedureDocument,
  holderId: Id,
  otherId: Id,
  answer: 'same' | 'not the same' | 'longer' | 'shorter',
): Edit[] {
  const [holder, other] = [holderId, otherId].map((id) => document.holders.find((item) => item.id === id))
  if (!holder || !other) return []
  if (answer === 'same')
    return fieldEdits('holders', holder, {
      ...holder,
      sameAs: [...new Set([...holder.sameAs, other.id])],
    } as typeof holder)
  const owner = (item: typeof holder) =>
    document.parts.find((part) => part.id === item.holds[0])?.name.toLowerCase() ?? 'other one'
  const turned = { 'not the same': 'not the same', longer: 'shorter', shorter: 'longer' }[answer]
  const tell = (than: typeof holder, word: string) =>
    word === 'not the same' ? `not the one of the ${owner(than)}` : `${word} than that of the ${owner(than)}`
  return [
    ...fieldEdits('holders', holder, { ...holder, tell: tell(other, answer) } as typeof holder),
    ...(other.tell === ''
      ? fieldEdits('holders', other, { ...other, tell: tell(holder, turned) } as typeof other)
      : []),
  ]
}

/** What a setting was moved for: a need of the part it was moved for. */
export function settingEdits(settingId: Id, value: string, partId: Id, newId: (prefix: string) => Id): Edit[] {
  const item = Need.parse({
    id: newId('need'),
    dependent: { act: 'release', id: partId },
    needs: { kind: 'setting', settingId, value },
    reason: 'setting',
  })
  return [{ kind: 'add', collection: 'needs', item, after: null }]
}
