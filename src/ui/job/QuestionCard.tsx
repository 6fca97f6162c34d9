'use client'
import { useState, type ReactNode } from 'react'
import { byKind, type ByKind } from '@/core/base/byKind'
import { CIRCUITS, type Circuit } from '@/core/procedure/circuits'
import { circuitEdits } from '@/core/procedure/likelyCircuits'
import { goalEdits, outOfHabit, reasonEdits, sameScrewEdits, settingEdits } from '@/core/strip/answers'
import { purposeSaid } from '@/core/strip/purpose'
import { reasonsFor, type Question, type Reason } from '@/core/strip/questions'
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
  const { document } = strip.job
  // What a part came off for is asked of every later part; once one is tapped, how it was in the way.
  const [forId, setForId] = useState<string | null>(null)
  const sentence = questionSentence(document, question)
  const later = () => strip.happen([{ kind: 'question put off', question: question.id }])
  return (
    <section aria-label="Question" className="flex min-h-0 flex-col" data-question={question.id}>
      <h2 className={compact ? 'text-[25px]' : 'text-3xl'}>
        {question.kind === 'why first' && forId !== null
          ? `How was it in the way of the ${itemWords(document, forId).toLowerCase()}?`
          : sentence}
      </h2>
      <div className={`mt-3 grid min-h-0 gap-2 overflow-y-auto ${compact ? 'grid-cols-1' : 'grid-cols-2'}`}>
        {byKind(REPLIES, question, { strip, sentence, forId, setForId, later })}
        <button type="button" className="ghost text-lg" onClick={later}>
          Not now
        </button>
      </div>
    </section>
  )
}

/** What the replies to a question need: whose record it is, the sentence that is kept with the answer. */
type Asking = {
  strip: Asked
  sentence: string
  forId: string | null
  setForId: (id: string | null) => void
  later: () => void
}
type Replies<K extends Question['kind']> = { question: Extract<Question, { kind: K }>; asking: Asking }

const REPLIES: ByKind<Question, [Asking], ReactNode> = {
  circuit: (question, asking) => <Circuits question={question} asking={asking} />,
  'why first': (question, asking) => <WhyFirst question={question} asking={asking} />,
  'had to be': ({ partId, nextId, reasons }, asking) => (
    <Reasons partId={partId} nextId={nextId} reasons={reasons} asking={asking} />
  ),
  purpose: ({ likely }, { strip }) =>
    likely.map((purpose) => (
      <Reply
        key={purpose}
        words={`A ${purpose}`.replace('A antenna', 'An antenna')}
        onClick={() => strip.happen(purposeSaid(purpose))}
      />
    )),
  'battery prepared': (_, { strip }) => (
    <Reply
      likeliest
      words="All of it is so"
      onClick={() => strip.happen([{ kind: 'caution read', cautionId: 'battery-preparations' }])}
    />
  ),
  reached: ({ trap }, { strip, sentence }) => {
    const { document } = strip.job
    const say = (answer: 'yes' | 'no' | 'eased') => () =>
      strip.state(reachedEdits(document, trap, answer, newId), sentence)
    return (
      <>
        <Reply words="Yes, with it on" onClick={say('yes')} />
        <Reply words="No, it has to come off" onClick={say('no')} />
        {document.parts.find((part) => part.id === trap.coverId)?.ease && (
          <Reply words="Once it is eased" onClick={say('eased')} />
        )}
      </>
    )
  },
  'same screw': ({ holderId, otherId }, { strip, sentence }) =>
    (Object.keys(SAME_SCREW) as (keyof typeof SAME_SCREW)[]).map((answer) => (
      <Reply
        key={answer}
        words={SAME_SCREW[answer]}
        onClick={() => strip.state(sameScrewEdits(strip.job.document, holderId, otherId, answer), sentence)}
      />
    )),
  'what for': ({ settingId, value, partId }, { strip, sentence, later }) => (
    <>
      <Reply
        likeliest
        words={`For the ${itemWords(strip.job.document, partId).toLowerCase()}`}
        onClick={() => strip.state(settingEdits(settingId, value, partId, newId), sentence)}
      />
      <Reply words="My habit, it needs nothing" onClick={later} />
    </>
  ),
}

const SAME_SCREW = {
  same: 'Yes, the same',
  'not the same': 'No, another one',
  longer: 'No, it is longer',
  shorter: 'No, it is shorter',
} as const

function Circuits({ question, asking: { strip, sentence } }: Replies<'circuit'>) {
  const say = (circuit: Circuit) => strip.state(circuitEdits(strip.job.document, question.tetherId, circuit), sentence)
  return (
    <>
      {question.likely.map((circuit, i) => (
        <Reply key={circuit} likeliest={i === 0} words={circuitWords(circuit)} onClick={() => say(circuit)} />
      ))}
      <label className="ghost text-lg">
        <span className="sr-only">Another circuit</span>
        <select
          className="min-h-12 w-full bg-transparent text-center text-lg font-semibold"
          value=""
          onChange={(event) => say(event.target.value as Circuit)}
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
    </>
  )
}

/** What a part came off for; once that is tapped, how it was in the way. */
function WhyFirst({ question, asking }: Replies<'why first'>) {
  const { strip, sentence, forId, setForId } = asking
  const { document, state } = strip.job
  const { partId } = question
  if (forId !== null)
    return (
      <>
        <Reasons
          partId={partId}
          nextId={forId}
          reasons={reasonsFor(document, forId).filter((reason) => reason !== 'habit')}
          asking={asking}
        />
        <Reply words="Another part" onClick={() => setForId(null)} />
      </>
    )
  const laterIds = question.laterIds.length > 0 ? question.laterIds : [question.nextId]
  return (
    <>
      {laterIds.map((id, i) => (
        <Reply
          key={id}
          likeliest={i === 0}
          words={`For the ${itemWords(document, id).toLowerCase()}`}
          onClick={() => setForId(id)}
        />
      ))}
      <Reply
        words="It was the goal itself"
        onClick={() => strip.state(goalEdits(document, state, partId, newId), sentence)}
      />
      {/* It teaches no order at all: said of every later part, not of the next one only. */}
      <Reply words="For nothing: just so" onClick={() => strip.happen(outOfHabit(document, partId))} />
    </>
  )
}

function Reasons({
  partId,
  nextId,
  reasons,
  asking: { strip, sentence },
}: {
  partId: string
  nextId: string
  reasons: readonly Reason[]
  asking: Asking
}) {
  const { document, state } = strip.job
  return reasons.map((reason, i) => (
    <Reply
      key={reason}
      likeliest={i === 0}
      words={reasonWords(document, { nextId }, reason)}
      onClick={() => strip.state(reasonEdits(document, state, partId, nextId, reason, newId), sentence)}
    />
  ))
}

function Reply({ words, onClick, likeliest = false }: { words: string; onClick: () => void; likeliest?: boolean }) {
  return (
    <button type="button" className={`${likeliest ? 'slab' : 'ghost'} !min-h-16 !text-xl`} onClick={onClick}>
      {words}
    </button>
  )
}
