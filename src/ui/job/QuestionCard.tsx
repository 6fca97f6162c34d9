'use client'
import { useState } from 'react'
import { CIRCUITS, type Circuit } from '@/core/procedure/circuits'
import { circuitEdits } from '@/core/procedure/likelyCircuits'
import { goalEdits, outOfHabit, reasonEdits, sameScrewEdits, settingEdits } from '@/core/strip/answers'
import { purposeSaid } from '@/core/strip/purpose'
import { REASONS, reasonsFor, type Question, type Reason } from '@/core/strip/questions'
import { reachedEdits } from '@/core/procedure/screwsUnderTraps'
import { newId } from '@/client/newId'
import { itemWords } from '@/words/items'
import { circuitWords, questionSentence, reasonWords } from '@/words/questionWords'
import type { Edit } from '@/core/procedure/edit'
import type { Happening } from '@/core/job/event'
import type { LiveJob } from './useJob'

/** Whose record it is about, and how an answer is stated. */
type Asked = {
  job: LiveJob
  state: (edits: readonly Edit[], said?: string) => void
  happen: (happenings: readonly Happening[]) => void
}

/** One question, its likeliest answers large, and the way past it. What is not answered stays as it was seen. */
export function QuestionCard({
  strip,
  question,
  compact = false,
}: {
  strip: Asked
  question: Question
  compact?: boolean
}) {
  const { document, state } = strip.job
  // What a part came off for is asked of every later part; once one is tapped, how it was in the way.
  const [forId, setForId] = useState<string | null>(null)
  const whatFor = question.kind === 'why first' && forId === null
  const nextId =
    question.kind === 'why first' ? (forId ?? question.nextId) : question.kind === 'had to be' ? question.nextId : ''
  const reasons =
    question.kind === 'why first'
      ? reasonsFor(document, nextId).filter((reason) => reason !== 'habit')
      : question.kind === 'had to be'
        ? question.reasons
        : []
  const sentence = questionSentence(document, question)
  const because = (reason: Reason) => {
    if (question.kind !== 'why first' && question.kind !== 'had to be') return
    strip.state(reasonEdits(document, state, question.partId, nextId, reason, newId), sentence)
  }
  const later = () => strip.happen([{ kind: 'question put off', question: question.id }])
  return (
    <section aria-label="Question" className="flex min-h-0 flex-col" data-question={question.id}>
      <h2 className={compact ? 'text-[25px]' : 'text-3xl'}>
        {question.kind === 'why first' && forId !== null
          ? `How was it in the way of the ${itemWords(document, forId).toLowerCase()}?`
          : sentence}
      </h2>
      <div className={`mt-3 grid min-h-0 gap-2 overflow-y-auto ${compact ? 'grid-cols-1' : 'grid-cols-2'}`}>
        {question.kind === 'circuit' &&
          question.likely.map((circuit, i) => (
            <Reply
              key={circuit}
              likeliest={i === 0}
              words={circuitWords(circuit)}
              onClick={() => strip.state(circuitEdits(document, question.tetherId, circuit), sentence)}
            />
          ))}
        {question.kind === 'circuit' && (
          <label className="ghost text-lg">
            <span className="sr-only">Another circuit</span>
            <select
              className="min-h-12 w-full bg-transparent text-center text-lg font-semibold"
              value=""
              onChange={(event) =>
                strip.state(circuitEdits(document, question.tetherId, event.target.value as Circuit), sentence)
              }
            >
              <option value="" className="bg-ground">
                something else …
              </option>
              {CIRCUITS.filter((circuit) => !question.likely.includes(circuit)).map((circuit) => (
                <option key={circuit} value={circuit} className="bg-ground">
                  {circuitWords(circuit)}
                </option>
              ))}
            </select>
          </label>
        )}
        {question.kind === 'why first' && forId === null && (
          <>
            {question.laterIds.map((id, i) => (
              <Reply
                key={id}
                likeliest={i === 0}
                words={`For the ${itemWords(document, id).toLowerCase()}`}
                onClick={() => setForId(id)}
              />
            ))}
            {question.laterIds.length === 0 && (
              <Reply
                likeliest
                words={`For the ${itemWords(document, question.nextId).toLowerCase()}`}
                onClick={() => setForId(question.nextId)}
              />
            )}
            <Reply
              words="It was the goal itself"
              onClick={() => strip.state(goalEdits(document, state, question.partId, newId), sentence)}
            />
            {/* It teaches no order at all: said of every later part, not of the next one only. */}
            <Reply words="For nothing: just so" onClick={() => strip.happen(outOfHabit(document, question.partId))} />
          </>
        )}
        {!whatFor &&
          REASONS.filter((reason) => reasons.includes(reason))
            .sort((a, b) => reasons.indexOf(a) - reasons.indexOf(b))
            .map((reason, i) => (
              <Reply
                key={reason}
                likeliest={i === 0}
                words={reasonWords(document, { nextId }, reason)}
                onClick={() => because(reason)}
              />
            ))}
        {question.kind === 'why first' && forId !== null && (
          <Reply words="Another part" onClick={() => setForId(null)} />
        )}
        {question.kind === 'purpose' &&
          question.likely.map((purpose) => (
            <Reply
              key={purpose}
              words={`A ${purpose}`.replace('A antenna', 'An antenna')}
              onClick={() => strip.happen(purposeSaid(purpose))}
            />
          ))}
        {question.kind === 'battery prepared' && (
          <Reply
            likeliest
            words="All of it is so"
            onClick={() => strip.happen([{ kind: 'caution read', cautionId: 'battery-preparations' }])}
          />
        )}
        {question.kind === 'reached' && (
          <>
            <Reply
              words="Yes, with it on"
              onClick={() => strip.state(reachedEdits(document, question.trap, 'yes', newId), sentence)}
            />
            <Reply
              words="No, it has to come off"
              onClick={() => strip.state(reachedEdits(document, question.trap, 'no', newId), sentence)}
            />
            {document.parts.find((part) => part.id === question.trap.coverId)?.ease && (
              <Reply
                words="Once it is eased"
                onClick={() => strip.state(reachedEdits(document, question.trap, 'eased', newId), sentence)}
              />
            )}
          </>
        )}
        {question.kind === 'same screw' &&
          (['same', 'not the same', 'longer', 'shorter'] as const).map((answer) => (
            <Reply
              key={answer}
              words={
                {
                  same: 'Yes, the same',
                  'not the same': 'No, another one',
                  longer: 'No, it is longer',
                  shorter: 'No, it is shorter',
                }[answer]
              }
              onClick={() =>
                strip.state(sameScrewEdits(document, question.holderId, question.otherId, answer), sentence)
              }
            />
          ))}
        {question.kind === 'what for' && (
          <>
            <Reply
              likeliest
              words={`For the ${itemWords(document, question.partId).toLowerCase()}`}
              onClick={() =>
                strip.state(settingEdits(question.settingId, question.value, question.partId, newId), sentence)
              }
            />
            <Reply words="My habit, it needs nothing" onClick={later} />
          </>
        )}
        <button type="button" className="ghost text-lg" onClick={later}>
          Not now
        </button>
      </div>
    </section>
  )
}

function Reply({ words, onClick, likeliest = false }: { words: string; onClick: () => void; likeliest?: boolean }) {
  return (
    <button type="button" className={`${likeliest ? 'slab' : 'ghost'} !min-h-16 !text-xl`} onClick={onClick}>
      {words}
    </button>
  )
}
