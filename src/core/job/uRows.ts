import type { Id } from '../base/id'
import type { Card } from '../plan/show/cards'
import type { PlanOnCards } from '../plan/show/planOnCards'
import type { Level } from '../procedure/level'
import { levelNow } from './fold'
import type { JobState } from './jobState'
import { isDone, nextStep } from './progress'

/** 'planned': no job yet, the whole way is drawn as it will be. */
export type LaneState = 'planned' | 'to come' | 'current' | 'done'

/** One thing on its way out and on its way back: a part, or a setting that is changed and changed back. */
export type URow = {
  id: Id
  thing: 'part' | 'setting'
  level: Level
  wayIn: LaneState
  wayOut: LaneState
  /** Out, and not back yet: drawn as an open leader. */
  isOut: boolean
  inCards: Card[]
  outCards: Card[]
  secondsIn: number
  secondsOut: number
  /** The thing it comes back after, when the way out leaves the mirror of the way in. */
  backAfter: Id | null
}

/**
 * The job as a U: each thing once, in the order in which it comes forward, with both its lanes. `state` null = a plan
 * not begun.
 */
export function uRows(plan: PlanOnCards, state: JobState | null): URow[] {
  const ids = orderIn(plan)
  const current = state ? nextStep(plan, state) : null
  const outOrder = orderOut(plan).filter((id) => ids.includes(id))
  const isSetting = (id: Id) => plan.wayIn.some((card) => card.settingId === id)
  const mirror = [...ids].reverse().filter((id) => outOrder.includes(id))
  // A setting that goes back early or late moves only itself: the parts are compared among themselves.
  const parts = (list: readonly Id[]) => list.filter((id) => !isSetting(id))
  return ids.map((id) => {
    const inCards = plan.wayIn.filter((card) => (card.partId ?? card.settingId) === id)
    const outCards = plan.wayOut.filter((card) => (card.partId ?? card.settingId) === id)
    const lane = (cards: Card[], phase: Card['phase']): LaneState => {
      if (!state) return 'planned'
      if (current && current.card.phase === phase && (current.card.partId ?? current.card.settingId) === id)
        return 'current'
      return cards.length > 0 && cards.every((card) => card.steps.every((step) => isDone(state, step.operation)))
        ? 'done'
        : 'to come'
    }
    const wayIn = lane(inCards, 'in')
    const wayOut = lane(outCards, 'out')
    const isPart = inCards[0]!.partId !== null
    const level = isPart ? (state ? levelNow(state, id) : (plan.removal.levels.get(id) ?? 'off')) : 'in place'
    return {
      id,
      thing: isPart ? 'part' : 'setting',
      level,
      wayIn,
      wayOut,
      isOut: isPart
        ? level !== 'in place' && state !== null
        : wayIn === 'done' && wayOut !== 'done' && outCards.length > 0,
      inCards,
      outCards,
      secondsIn: secondsOf(inCards),
      secondsOut: secondsOf(outCards),
      backAfter: isSetting(id) ? leavesMirror(id, outOrder, mirror) : leavesMirror(id, parts(outOrder), parts(mirror)),
    }
  })
}

function secondsOf(cards: readonly Card[]): number {
  return cards.reduce((sum, card) => sum + card.steps.reduce((s, step) => s + step.workS + step.setUpS, 0), 0)
}

/**
 * Things in the order in which they come forward or, settings, are changed first: clips undone early, with the tool in
 * hand, do not move a panel up the U.
 */
function orderIn(plan: PlanOnCards): Id[] {
  const at = new Map<Id, number>()
  plan.wayIn
    .flatMap((card) => card.steps.map((step) => ({ id: card.partId ?? card.settingId, act: step.operation.act })))
    .forEach(({ id, act }, i) => {
      if (id !== null && (act === 'release' || act === 'ease' || !at.has(id))) at.set(id, i)
    })
  return [...at].sort(([, a], [, b]) => a - b).map(([id]) => id)
}

/** Things in the order in which their way back ends. */
function orderOut(plan: PlanOnCards): Id[] {
  const order: Id[] = []
  for (const card of plan.wayOut) {
    const id = card.partId ?? card.settingId
    if (id === null || card.phase === 'test') continue
    const at = order.indexOf(id)
    if (at >= 0) order.splice(at, 1)
    order.push(id)
  }
  return order
}

function leavesMirror(id: Id, order: readonly Id[], mirror: readonly Id[]): Id | null {
  const at = order.indexOf(id)
  const expected = mirror.indexOf(id)
  if (at < 0 || at === expected) return null
  const before = order[at - 1]
  return before && before !== mirror[expected - 1] ? before : null
}

/** How many things are out, and how many of those that were are back. */
export function outAndBack(rows: readonly URow[]): { out: number; back: number } {
  const parts = rows.filter((row) => row.thing === 'part')
  return { out: parts.filter((row) => row.isOut).length, back: parts.filter((row) => row.wayOut === 'done').length }
}

/** Something done at the bottom of the U: a piece of work, or a test before trim hides it again. */
export type BottomItem = { words: string; done: boolean }

/** What is done at the bottom, in its order. `state` null = a plan not begun. */
export function bottomOf(plan: PlanOnCards, state: JobState | null): { works: BottomItem[]; tests: BottomItem[] } {
  const of = (act: 'work' | 'test') =>
    [...plan.before, ...plan.wayOut]
      .flatMap((card) => card.steps)
      .filter(({ operation }) => operation.act === act)
      .map(({ operation }) => ({
        words: operation.name ?? plan.job.model.functions.get(operation.itemId)?.name ?? '',
        done: state !== null && isDone(state, operation),
      }))
  return { works: of('work'), tests: of('test') }
}
