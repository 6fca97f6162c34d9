import type { Id } from '../base/id'
import { mustComeFirst } from '../plan/lanes/lanePairs'
import type { JobPlan } from '../plan/show/jobPlan'
import type { Step } from '../plan/find/step'
import { demandsOf } from '../plan/derive/demandsOf'
import type { Station } from '../procedure/station'
import type { JobState } from './jobState'
import { isDone, tapFrom, type NextTap } from './progress'

/** Why somebody has nothing to do just now. `personId` null: nobody was given what comes first. */
export type Wait =
  | { kind: 'first'; key: string; personId: Id | null }
  | { kind: 'seat'; station: Station; personId: Id }
  | { kind: 'done' }

export type Turn = { tap: NextTap | null; wait: Wait | null }

/**
 * What each person on a job does now. Everybody has the first of their steps, by their lane, whose predecessors are
 * done, and nobody is sent to a seat that somebody else works at: who sits there already stays. Steps given to nobody
 * (they came with a replan) are the first person's. The way out begins when the way in is done. Cost: O(steps +
 * relations).
 */
export function turnsOf(plan: JobPlan, state: JobState, left: ReadonlySet<string>): Map<Id, Turn> {
  const steps = [...plan.wayIn, ...plan.wayOut].flatMap((card) => card.steps.map((step) => ({ card, step })))
  const open = steps.filter(({ step }) => !left.has(step.operation.key) && !isDone(state, step.operation))
  const openKeys = new Map(open.map(({ step }) => [step.operation.key, step]))
  const first = mustComeFirst(plan)
  const wayInOpen = open.find(({ step }) => step.operation.phase === 'in')
  const blockedBy = (step: Step): string | null => {
    for (const key of first.get(step.operation.key) ?? []) if (openKeys.has(key)) return key
    return step.operation.phase !== 'in' && wayInOpen ? wayInOpen.step.operation.key : null
  }
  const owner = (key: string) => state.givenTo.get(key) ?? null
  const people = state.people.map((hand) => hand.personId)
  const rank = new Map([...state.givenTo.keys()].map((key, i) => [key, i]))
  const byLane = (a: { step: Step }, b: { step: Step }) =>
    (rank.get(a.step.operation.key) ?? Infinity) - (rank.get(b.step.operation.key) ?? Infinity) || 0
  const own = (personId: Id) =>
    open
      .filter(
        ({ step }) =>
          owner(step.operation.key) === personId || (owner(step.operation.key) === null && people[0] === personId),
      )
      .sort(byLane)
  const ready = new Map(
    people.map((personId) => [personId, own(personId).filter(({ step }) => blockedBy(step) === null)]),
  )
  const seats = new Map<Station, Id[]>()
  const turns = new Map<Id, Turn>()
  const sits = new Map(
    state.people.map((hand) => [hand.personId, lastStation(plan, state, hand.personId) ?? hand.station]),
  )
  const stays = (personId: Id) => (ready.get(personId)![0]?.step.station === sits.get(personId) ? 0 : 1)
  for (const personId of [...people].sort((a, b) => stays(a) - stays(b))) {
    const taken = (station: Station) => (seats.get(station)?.length ?? 0) >= roomAt(plan, station)
    const mine = ready.get(personId)!
    const next = mine.find(({ step }) => !taken(step.station))
    if (next) {
      seats.set(next.step.station, [...(seats.get(next.step.station) ?? []), personId])
      turns.set(personId, {
        tap: tapFrom(
          plan,
          state,
          next.card,
          next.step,
          (step) =>
            !left.has(step.operation.key) &&
            (owner(step.operation.key) ?? personId) === personId &&
            blockedBy(step) === null,
        ),
        wait: null,
      })
      continue
    }
    const seat = mine[0]?.step.station
    const waiting = own(personId)[0]
    const key = waiting && blockedBy(waiting.step)
    turns.set(personId, {
      tap: null,
      wait:
        seat !== undefined
          ? { kind: 'seat', station: seat, personId: seats.get(seat)![0]! }
          : key
            ? { kind: 'first', key, personId: owner(key) }
            : { kind: 'done' },
    })
  }
  return turns
}

function roomAt(plan: JobPlan, station: Station): number {
  return plan.job.circumstances.house.stations.find((own) => own.name === station)?.persons ?? 1
}

/** Where somebody worked last on this job. */
function lastStation(plan: JobPlan, state: JobState, personId: Id): Station | null {
  const steps = [...plan.wayIn, ...plan.wayOut].flatMap((card) => card.steps)
  for (const event of [...state.history].reverse()) {
    if (event.personId !== personId) continue
    const { what } = event
    const id =
      'holderId' in what ? what.holderId : 'partId' in what ? what.partId : 'tetherId' in what ? what.tetherId : null
    const step = id === null ? undefined : steps.find((item) => item.operation.itemId === id)
    if (step) return step.station
  }
  return null
}

/** What somebody has still in hand, card by card, to be handed to another. */
export function stillOf(
  plan: JobPlan,
  state: JobState,
  personId: Id,
): { cardId: string; keys: string[]; helpers: number }[] {
  return [...plan.wayIn, ...plan.wayOut].flatMap((card) => {
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
