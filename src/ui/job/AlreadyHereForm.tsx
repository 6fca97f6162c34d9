'use client'
import { useState } from 'react'
import { alreadyHere, hereHappenings } from '@/core/job/alreadyHere'
import { cardNameIn } from '@/words/modelNames'
import { stepWords } from '@/words/operations'
import { TickBox } from './slabs'
import type { PlannedJob } from './useJob'
import { allCards } from '@/core/plan/show/planOnCards'

/**
 * "I'm already here": what lies before a card is taken as done, marked as assumed; what safety minds is looked at and
 * ticked.
 */
export function AlreadyHereForm({ job, close }: { job: PlannedJob; close: () => void }) {
  const { plan, state, model } = job
  const cards = allCards(plan).filter((card) => alreadyHere(plan, state, card.id) !== null && card.thing !== 'wait')
  const [cardId, setCardId] = useState('')
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const here = cardId === '' ? null : alreadyHere(plan, state, cardId)
  const save = () => {
    const { assumed, counted } = hereHappenings(job.plan.job, state, here!)
    job.record(counted, 'counted', assumed)
    close()
  }
  return (
    <div className="space-y-4">
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Where are you?</span>
        <select
          className="field !min-h-14 text-xl"
          value={cardId}
          onChange={(event) => (setCardId(event.target.value), setTicked(new Set()))}
        >
          <option value="">choose the card that comes next</option>
          {cards.map((card) => (
            <option key={card.id} value={card.id}>
              {`${{ in: 'way in', work: 'at the bottom', test: 'test', out: 'way out' }[card.phase]}: ${cardNameIn(model, card)}, ${stepWords(model, card.steps[0]!.operation).title}`}
            </option>
          ))}
        </select>
      </label>
      {here && (
        <>
          {here.looked.length > 0 && (
            <fieldset>
              <legend className="text-lg font-semibold">Look at each of these; they are never assumed</legend>
              {here.looked.map((step) => (
                <TickBox
                  key={step.operation.key}
                  words={`${stepWords(model, step.operation).title}: ${stepWords(model, step.operation).done}`}
                  checked={ticked.has(step.operation.key)}
                  onChange={(on) =>
                    setTicked(
                      new Set(
                        on ? [...ticked, step.operation.key] : [...ticked].filter((key) => key !== step.operation.key),
                      ),
                    )
                  }
                />
              ))}
            </fieldset>
          )}
          <p className="text-lg">
            <span className="num">{here.assumed.length}</span> {here.assumed.length === 1 ? 'step is' : 'steps are'}{' '}
            taken as done and marked as assumed: nobody counted them. The balance says so until somebody does.
          </p>
          <button
            type="button"
            className="slab w-full !min-h-[84px] text-2xl"
            disabled={ticked.size < here.looked.length}
            onClick={save}
          >
            I’m here
          </button>
        </>
      )}
    </div>
  )
}
