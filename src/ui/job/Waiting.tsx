'use client'
import { stillOf, type Wait } from '@/core/job/whoDoesWhat'
import { cardNameIn } from '@/words/modelNames'
import { nameOf } from './nameOf'
import { stepWords } from '@/words/operations'
import type { JobData, PlannedJob } from './useJob'
import { allCards } from '@/core/plan/show/planOnCards'

/** Somebody with nothing to do just now: what it waits for, and the cards that could be taken over. */
export function Waiting({ data, job, wait }: { data: JobData; job: PlannedJob; wait: Wait }) {
  const { plan, state, model } = job
  const isOnIt = state.people.some((hand) => hand.personId === data.acting.id)
  const cards = allCards(plan)
  const firstWords = (key: string) => {
    const card = cards.find((other) => other.steps.some((step) => step.operation.key === key))
    const step = card?.steps.find((other) => other.operation.key === key)
    return card && step
      ? `First: ${cardNameIn(model, card)}, ${stepWords(model, step.operation).title}.`
      : 'Something else comes first.'
  }
  const others = state.people
    .filter((hand) => hand.personId !== data.acting.id)
    .flatMap((hand) => stillOf(plan, state, hand.personId).map((card) => ({ ...card, of: hand.personId })))
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4">
      <div className="on-sign rounded-br px-6 py-5" role="status">
        <p className="text-2xl font-semibold">{data.acting.name}</p>
        <h1 className="text-[clamp(38px,5vw,64px)] font-extrabold leading-none">
          {!isOnIt
            ? 'Not on this job'
            : wait.kind === 'seat'
              ? `${nameOf(data, wait.personId)} sits there`
              : wait.kind === 'first'
                ? `Wait for ${nameOf(data, wait.personId)}`
                : 'Nothing left for you'}
        </h1>
        <p className="mt-2 text-2xl">
          {!isOnIt
            ? `${state.people.map((hand) => nameOf(data, hand.personId)).join(' and ')} ${state.people.length === 1 ? 'is' : 'are'} on it. Take a card over, or come in under More.`
            : wait.kind === 'seat'
              ? `Your next card is at the ${wait.station}.`
              : wait.kind === 'first'
                ? firstWords(wait.key)
                : 'The others finish.'}
        </p>
      </div>
      <ul aria-label="Cards of the others" className="min-h-0 flex-1 overflow-y-auto pl-6">
        {others.map((card) => (
          <li key={`${card.of} ${card.cardId}`} className="flex items-center gap-4 border-b border-hair py-2">
            <span className="min-w-0 flex-1 text-xl font-semibold">
              {cardNameIn(
                model,
                cards.find((other) => other.id === card.cardId)!,
              )}
              <span className="block text-[16px] font-normal text-second">
                {nameOf(data, card.of)}, {card.keys.length} {card.keys.length === 1 ? 'step' : 'steps'} left
                {card.helpers > 1 ? `, takes ${card.helpers} people` : ''}
              </span>
            </span>
            <button
              type="button"
              className="ghost text-lg"
              onClick={() => job.record([{ kind: 'card taken', keys: card.keys }])}
            >
              I take it over
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}
