'use client'
import { useId, useState, type ReactNode } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import type { HouseWord } from '@/core/shop/houseWord'
import type { Understood } from '@/core/shorthand/understand'
import { itemWords } from '@/words/items'
import { factWords, unplacedSentence } from '@/words/shorthandWords'
import { newId } from '@/client/newId'
import { answersTo, lineQuestions } from '@/core/shorthand/lineQuestions'
import { lineAnswerWords, lineQuestionSentence } from '@/words/shorthandWords'
import { LineRead } from './LineRead'
import { isClear, useShorthand } from './useShorthand'

/**
 * One line of shorthand, typed or dictated through the keyboard: what it says stands below as chips while it is typed,
 * what is unclear is asked, and only what is clear goes into the draft. The line stays until it is in.
 */
export function SayLine({
  document,
  words,
  partId,
  save,
  onNewPart,
}: {
  document: ProcedureDocument
  words: readonly HouseWord[]
  partId: string | null
  save: (edits: Edit[]) => Promise<string | null>
  onNewPart: (id: string) => void
}) {
  const [line, setLine] = useState('')
  const [answer, setAnswer] = useState<string[]>([])
  const id = useId()
  const { shorthand, understood, name } = useShorthand(line, document, words)
  const clear = isClear(understood)
  const say = (next: string) => (setLine(next), setAnswer([]))

  const add = async () => {
    if (!shorthand || !understood || !clear) return
    const { edits, unplaced } = shorthand.factsToEdits(document, understood.facts, { partId }, newId)
    const refused = unplaced.map(({ fact, because }) => unplacedSentence(fact, because))
    if (edits.length === 0) return setAnswer(refused.length > 0 ? refused : ['The record has all of this already.'])
    const sentence = await save(edits)
    if (sentence) return setAnswer([sentence])
    const about = understood.facts
      .flatMap((fact) =>
        'of' in fact && fact.of
          ? [fact.of]
          : fact.fact === 'holder'
            ? (fact.holds ?? [])
            : fact.fact === 'part'
              ? [fact.part]
              : [],
      )[0]
      ?.toLowerCase()
    const added = edits.find(
      (edit) => edit.kind === 'add' && edit.collection === 'parts' && String(edit.item.name).toLowerCase() === about,
    )
    if (added?.kind === 'add') onNewPart(added.item.id)
    setLine('')
    setAnswer(refused.length > 0 ? refused : ['It is in the draft; Undo takes it back.'])
  }
  return (
    <form
      className="mb-5 border-b-2 border-ink pb-4"
      onSubmit={(event) => {
        event.preventDefault()
        void add()
      }}
    >
      <label htmlFor={id} className="block font-semibold">
        Say it in a line
        {partId ? <span className="font-normal text-second">, about the {itemWords(document, partId)}</span> : null}
      </label>
      <div className="mt-1 flex items-start gap-2">
        <textarea
          id={id}
          rows={2}
          className="field resize-none leading-snug"
          value={line}
          onChange={(event) => say(event.target.value.replace(/\n/g, ' '))}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            void add()
          }}
          placeholder="2 T20 behind liner, 9 clips"
          autoComplete="off"
          autoCapitalize="none"
          spellCheck={false}
          maxLength={200}
          aria-describedby={`${id}-said`}
        />
        <button type="submit" className="desk-button main" disabled={!clear}>
          Add
        </button>
      </div>
      <div id={`${id}-said`} aria-live="polite">
        {understood && <Reading understood={understood} line={line} onLine={say} onName={name} />}
        {answer.map((sentence) => (
          <p key={sentence} className="mt-2 text-[15px] font-semibold">
            {sentence}
          </p>
        ))}
      </div>
    </form>
  )
}

/** What was understood, what is asked, and what nobody could place, with what settles it. */
function Reading({
  understood,
  line,
  onLine,
  onName,
}: {
  understood: Understood
  line: string
  onLine: (line: string) => void
  onName: ReturnType<typeof useShorthand>['name']
}) {
  const questions = lineQuestions(understood, line)
  return (
    <>
      {understood.facts.length + understood.notUnderstood.length > 0 && (
        <div className="text-[15px]">
          <LineRead line={line} understood={understood} inNone="No fact of it" />
        </div>
      )}
      {understood.facts.length + questions.length === 0 && (
        <p className="mt-2 text-[15px]">Nothing understood yet. Name a part, a fastener or a plug.</p>
      )}
      <ul className="mt-2 flex flex-wrap gap-1.5" aria-label="Understood">
        {understood.facts.map((fact, i) => (
          <li key={i} className="rounded-sm border-l-4 border-petrol bg-tint px-2 py-0.5 text-[15px]">
            {factWords(fact)}
          </li>
        ))}
      </ul>
      {questions.map((question) => (
        <Question key={lineQuestionSentence(question)} sentence={lineQuestionSentence(question)}>
          {answersTo(question, line).map((answer) => (
            <Answer
              key={lineAnswerWords(answer)}
              words={lineAnswerWords(answer)}
              onClick={() => (answer.says === 'a name' ? onName(answer.of, answer.name) : onLine(answer.line))}
            />
          ))}
        </Question>
      ))}
    </>
  )
}

function Question({ sentence, children }: { sentence: string; children: ReactNode }) {
  return (
    <div className="mt-2 border-l-4 border-ink pl-2 text-[15px]">
      <p className="font-semibold">{sentence}</p>
      <p className="flex flex-wrap gap-2">{children}</p>
    </div>
  )
}

function Answer({ words, onClick }: { words: string; onClick: () => void }) {
  return (
    <button type="button" className="jump min-h-8" onClick={onClick}>
      {words}
    </button>
  )
}
