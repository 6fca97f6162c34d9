import type { Id } from '../base/id'
import { mustComeFirst } from '../plan/lanes/lanePairs'
import { allCards, allSteps, type PlanOnCards } from '../plan/show/planOnCards'
import type { Step } from '../plan/find/step'
import { demandsOf } from '../plan/derive/demandsOf'
import type { Station } from '../procedure/station'
import type { JobState } from './jobState'
import { isDone, tapFrom, type NextTap } from './progress'
import { thingOf } from './thingOf'
import type { Card } from '../plan/show/cards'

/** Why somebody has nothing to do just now. `personId` null: nobody was given what comes first. */
export type Wait =
  | { kind: 'first'; key: string; personId: Id | null }
  | { kind: 'seat'; station: Station; personId: Id }
  | { kind: 'done' }

export type Turn = { tap: NextTap | null; wait: Wait | null }

type Placed = { card: Card; step: Step }

/** What is left of a job, and whose it is: the ground on which turns are given. */
type Left = {
  plan: PlanOnCards
  state: JobState
  /** Of one person, in the order of the lanes. */
  own: (personId: Id) => Placed[]
  /** The key of what has to be done before a step; null when it can be done now. */
  blockedBy: (step: Step) => string | null
  isTheirs: (key: string, personId: Id) => boolean
  isLeft: (key: string) => boolean
}

function leftOf(plan: PlanOnCards, state: JobState, left: ReadonlySet<string>): Left {
  const open = allCards(plan)
    .flatMap((card) => card.steps.map((step) => ({ card, step })))
    .filter(({ step }) => !left.has(step.operation.key) && !isDone(state, step.operation))
  const openKeys = new Set(open.map(({ step }) => step.operation.key))
  const first = mustComeFirst(plan)
  const wayInOpen = open.find(({ step }) => step.operation.phase === 'in')
  const prepared = new Set(plan.before.flatMap((card) => card.steps.map(({ operation }) => operation.key)))
  const rank = new Map([...state.givenTo.keys()].map((key, i) => [key, i]))
  const rankOf = ({ step }: Placed) => rank.get(step.operation.key) ?? Infinity
  const nobodys = state.people[0]?.personId
  return {
    plan,
    state,
    own: (personId) =>
      open
        .filter(({ step }) => (state.givenTo.get(step.operation.key) ?? nobodys) === personId)
        .sort((a, b) => rankOf(a) - rankOf(b) || 0),
    blockedBy: (step) => {
      for (const key of first.get(step.operation.key) ?? []) if (openKeys.has(key)) return key
      const isOfTheWayOut = step.operation.phase !== 'in' && !prepared.has(step.operation.key)
      return isOfTheWayOut && wayInOpen ? wayInOpen.step.operation.key : null
    },
    isTheirs: (key, personId) => (state.givenTo.get(key) ?? personId) === personId,
    isLeft: (key) => left.has(key),
  }
}

/**
 * What each person on a job does now. Everybody has the first of their steps, by their lane, whose predecessors are
 * done, and nobody is sent to a seat that somebody else works at: who sits there already stays. Steps given to nobody
 * (they came with a replan) are the first person's. The way out begins when the way in is done. Cost: O(steps +
 * relations).
 */
export function turnsOf(plan: PlanOnCards, state: JobState, left: ReadonlySet<string>): Map<Id, Turn> {
  const ground = leftOf(plan, state, left)
  const people = state.people.map((hand) => hand.personId)
  const ready = new Map(
    people.map((personId) => [personId, ground.own(personId).filter(({ step }) => ground.blockedBy(step) === null)]),
  )
  const sits = new Map(
    state.people.map((hand) => [hand.personId, lastStation(plan, state, hand.personId) ?? hand.station]),
  )
  const stays = (personId: Id) => (ready.get(personId)![0]?.step.station === sits.get(personId) ? 0 : 1)
  const seats = new Map<Station, Id[]>()
  const turns = new Map<Id, Turn>()
  for (const personId of [...people].sort((a, b) => stays(a) - stays(b))) {
    const mine = ready.get(personId)!
    const next = mine.find(({ step }) => (seats.get(step.station)?.length ?? 0) < roomAt(plan, step.station))
    if (next) seats.set(next.step.station, [...(seats.get(next.step.station) ?? []), personId])
    turns.set(
      personId,
      next
        ? { tap: tapOf(ground, personId, next), wait: null }
        : { tap: null, wait: waitOf(ground, personId, mine, seats) },
    )
  }
  return turns
}

function tapOf({ plan, state, isLeft, isTheirs, blockedBy }: Left, personId: Id, next: Placed): NextTap {
  return tapFrom(plan, state, next.card, next.step, (step) => {
    const { key } = step.operation
    return !isLeft(key) && isTheirs(key, personId) && blockedBy(step) === null
  })
}

/** Why somebody waits: for a seat, for what comes first and is another's, or for nothing any more. */
function waitOf(
  { state, own, blockedBy }: Left,
  personId: Id,
  mine: readonly Placed[],
  seats: ReadonlyMap<Station, readonly Id[]>,
): Wait {
  const seat = mine[0]?.step.station
  if (seat !== undefined) return { kind: 'seat', station: seat, personId: seats.get(seat)![0]! }
  const waiting = own(personId)[0]
  const key = waiting && blockedBy(waiting.step)
  return key ? { kind: 'first', key, personId: state.givenTo.get(key) ?? null } : { kind: 'done' }
}

function roomAt(plan: PlanOnCards, station: Station): number {
  return plan.job.circumstances.house.stations.find((own) => own.name === station)?.persons ?? 1
}

/** Where somebody worked last on this job. */
function lastStation(plan: PlanOnCards, state: JobState, personId: Id): Station | null {
  const steps = allSteps(plan)
  for (const event of [...state.history].reverse()) {
    if (event.personId !== personId) continue
    const id = thingOf(event.what)
    const step = id === null ? undefined : steps.find((item) => item.operation.itemId === id)
    if (step) return step.station
  }
  return null
}

/** What somebody has still in hand, card by card, to be handed to another. */
export function stillOf(
  plan: PlanOnCards,
  state: JobState,
  personId: Id,
): { cardId: string; keys: string[]; helpers: number }[] {
  return allCards(plan).flatMap((card) => {
    const keys = card.steps
      .filter((step) => !isDone(state, step.operation) && state.givenTo.get(step.operation.key) === personId)
      .map((step) => step.operation.key)
    return keys.length > 0
      ? [
          {
            cardId: card.id,
            keys,
            helpers: Math.max(...card.steps.map((step) => demandsOf(plan.job, step.operation).persons)),
          },
        ]
      : []
  })
}
