'use client'
import { CIRCUITS, type Circuit } from '@/core/procedure/circuits'
import { circuitEdits, outOfHabit, reasonEdits, REASONS, settingEdits, type Question, type Reason } from '@/core/strip/questions'
import { newId } from '../procedure/newItem'
import { itemWords } from '../words/items'
import { circuitWords, questionSentence, reasonWords } from '../words/questionWords'
import type { LiveStrip } from './useStrip'

/** One question, its likeliest answers large, and the way past it. What is not answered stays as it was seen. */
export function QuestionCard({ strip, question, compact = false }: { strip: Pick<LiveStrip, 'job' | 'state' | 'happen'>; question: Question; compact?: boolean }) {
  const { document, state } = strip.job
  const sentence = questionSentence(document, question)
  const because = (reason: Reason) => {
    if (question.kind !== 'why first' && question.kind !== 'had to be') return
    // A part that came off out of habit teaches no order at all; of two that have reasons of their own, only this pair is free.
    if (reason === 'habit' && question.kind === 'why first') return strip.happen(outOfHabit(document, question.partId))
    strip.state(reasonEdits(document, state, question.partId, question.nextId, reason, newId), sentence)
  }
  const later = () => strip.happen([{ kind: 'question put off', question: question.id }])
  return (
    <section aria-label="Question" className="flex min-h-0 flex-col" data-question={question.id}>
      <h2 className={compact ? 'text-[25px]' : 'text-3xl'}>{sentence}</h2>
      <div className={`mt-3 grid min-h-0 gap-2 overflow-y-auto ${compact ? 'grid-cols-1' : 'grid-cols-2'}`}>
        {question.kind === 'circuit' && question.likely.map((circuit, i) => <Reply key={circuit} likeliest={i === 0} words={circuitWords(circuit)} onClick={() => strip.state(circuitEdits(document, question.tetherId, circuit), sentence)} />)}
        {question.kind === 'circuit' && (
          <label className="ghost text-lg">
            <span className="sr-only">Another circuit</span>
            <select className="min-h-12 w-full bg-transparent text-center text-lg font-semibold" value="" onChange={(event) => strip.state(circuitEdits(document, question.tetherId, event.target.value as Circuit), sentence)}>
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
        {(question.kind === 'why first' || question.kind === 'had to be') && REASONS.filter((reason) => question.reasons.includes(reason)).sort((a, b) => question.reasons.indexOf(a) - question.reasons.indexOf(b)).map((reason, i) => <Reply key={reason} likeliest={i === 0} words={reasonWords(document, question, reason)} onClick={() => because(reason)} />)}
        {question.kind === 'what for' && (
          <>
            <Reply likeliest words={`For the ${itemWords(document, question.partId).toLowerCase()}`} onClick={() => strip.state(settingEdits(question.settingId, question.value, question.partId, newId), sentence)} />
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
