'use client'
import { useState } from 'react'
import type { Id } from '@/core/base/id'
import { fieldEdits, type Edit } from '@/core/procedure/edit'
import type { Part } from '@/core/procedure/part'
import type { Tether } from '@/core/procedure/tether'
import type { HouseWord } from '@/core/shop/houseWord'
import { questionsOf } from '@/core/strip/questions'
import type { LiveJob } from './useJob'
import { newId } from '@/client/newId'
import { lineQuestions } from '@/core/shorthand/lineQuestions'
import { LINE_FIELD } from '../say/lineField'
import { isClear, useShorthand } from '../say/useShorthand'
import { QuestionCard } from './QuestionCard'
import { factWords, lineQuestionSentence } from '@/words/shorthandWords'

const EDGES = [
  'top edge',
  'bottom edge',
  'driver side edge',
  'passenger side edge',
  'front edge',
  'rear edge',
  'hooks',
  'tongues',
]
const HEARD = ['a click at each clip', 'flush all round', 'one loud snap']

/**
 * What differs from plain reversal on the way back, stated on the card as the part goes home: by taps, or in a line.
 */
export function RefitSheet({
  job,
  partId,
  words,
  close,
}: {
  job: LiveJob
  partId: Id
  words: readonly HouseWord[]
  close: () => void
}) {
  const [line, setLine] = useState('')
  const part = job.document.parts.find((item) => item.id === partId)!
  const { shorthand, understood } = useShorthand(line, job.document, words, part.name)
  const [trouble, setTrouble] = useState('')
  const leads = job.document.tethers.filter((tether) => tether.partId === partId && tether.leadThrough === '')
  const state = (edits: Edit[], said: string) => {
    if (edits.length > 0) job.record([{ kind: 'stated', said, edits }])
    close()
  }
  const refit = (change: Partial<Part['refit']>, said: string) =>
    state(fieldEdits('parts', part, { ...part, refit: { ...part.refit, ...change } } as Part), said)
  // As the part goes home its recorder sees again what it was off for.
  const why = questionsOf(job.document, job.state).find(
    (question) => question.kind === 'why first' && question.partId === partId,
  )
  const asked = {
    job,
    state: (edits: readonly Edit[], said = '') =>
      edits.length > 0 && job.record([{ kind: 'stated', said, edits: [...edits] }]),
    happen: job.record,
  }
  const take = () => {
    if (!shorthand || !isClear(understood)) return
    const { edits, unplaced } = shorthand.factsToEdits(job.document, understood.facts, { partId }, newId)
    if (edits.length > 0) return state(edits, line)
    setTrouble(
      unplaced.length > 0
        ? 'This says nothing of how it goes back. Say “top edge first” or “line up the ducts”.'
        : 'The record has all of this already.',
    )
  }
  return (
    <div className="space-y-5">
      {why && <QuestionCard strip={asked} question={why} />}
      <form
        onSubmit={(event) => {
          event.preventDefault()
          take()
        }}
      >
        <label className="block">
          <span className="mb-1 block text-lg font-semibold">Say it in a line</span>
          <span className="flex gap-2">
            <input
              className="field num !min-h-14 text-xl"
              value={line}
              onChange={(event) => (setLine(event.target.value), setTrouble(''))}
              placeholder="top edge first, then snug"
              {...LINE_FIELD}
            />
            <button className="slab" disabled={!isClear(understood)}>
              Keep
            </button>
          </span>
        </label>
        <p aria-live="polite" className="min-h-6 text-lg">
          {trouble ||
            (understood &&
              [...understood.facts.map(factWords), ...lineQuestions(understood).map(lineQuestionSentence)].join('; '))}
        </p>
      </form>
      <Taps
        title="Which edge goes in first?"
        all={EDGES}
        onTap={(words_) => refit({ first: words_ }, `${part.name}: ${words_} first`)}
      />
      {leads.length > 0 && (
        <Taps
          title="Which lead goes through its opening first?"
          all={leads.map((tether) => tether.name)}
          onTap={(name) =>
            state(
              leads.flatMap((tether) =>
                tether.name === name
                  ? fieldEdits('tethers', tether, {
                      ...tether,
                      leadThrough: 'its opening',
                      throughPartId: partId,
                    } as Tether)
                  : [],
              ),
              `${part.name}: ${name} through first`,
            )
          }
        />
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <Said
          label="Before it is pushed home"
          value={part.refit.before}
          placeholder="pull both clips down"
          onSave={(words_) => refit({ before: words_ }, `${part.name}: ${words_}`)}
        />
        <Said
          label="What has to line up"
          value={part.refit.align}
          placeholder="ducts to tubes"
          onSave={(words_) => refit({ align: words_ }, `${part.name}: line up ${words_}`)}
        />
      </div>
      <Taps
        title="What tells that it is home?"
        all={HEARD}
        onTap={(words_) => refit({ confirm: words_ }, `${part.name}: ${words_}`)}
      />
      <div className="grid gap-2 sm:grid-cols-2">
        {!part.refit.startAllFirst && (
          <button
            type="button"
            className="ghost text-lg"
            onClick={() => refit({ startAllFirst: true }, `${part.name}: start all by hand, then snug`)}
          >
            Start all by hand, then snug
          </button>
        )}
        {!part.refit.hardToUndo && (
          <button
            type="button"
            className="ghost text-lg"
            onClick={() => refit({ hardToUndo: true }, `${part.name}: hard to undo`)}
          >
            Its last push is hard to undo: test first
          </button>
        )}
      </div>
    </div>
  )
}

function Taps({ title, all, onTap }: { title: string; all: readonly string[]; onTap: (words: string) => void }) {
  return (
    <section>
      <h3 className="mb-2 text-lg">{title}</h3>
      <div className="flex flex-wrap gap-2">
        {all.map((words) => (
          <button key={words} type="button" className="ghost text-lg" onClick={() => onTap(words)}>
            {words}
          </button>
        ))}
      </div>
    </section>
  )
}

function Said({
  label,
  value,
  placeholder,
  onSave,
}: {
  label: string
  value: string
  placeholder: string
  onSave: (words: string) => void
}) {
  const [words, setWords] = useState(value)
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (words.trim() !== value) onSave(words.trim())
      }}
    >
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">{label}</span>
        <span className="flex gap-2">
          <input
            className="field !min-h-14 text-lg"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            placeholder={placeholder}
            maxLength={120}
            autoComplete="off"
          />
          <button className="ghost text-lg" disabled={words.trim() === '' || words.trim() === value}>
            Keep
          </button>
        </span>
      </label>
    </form>
  )
}
