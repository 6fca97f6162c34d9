'use client'
import { useId, useState, type ReactNode } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import type { HouseWord } from '@/core/shop/houseWord'
import type { Understood } from '@/core/shorthand/understand'
import { itemWords } from '@/words/items'
import { askedOf, lineAnswerWords, lineQuestionSentence, readingWords, unplacedSentence } from '@/words/shorthandWords'
import { newId } from '@/client/newId'
import { aboutOf, clearFacts, restOfLine } from '@/core/shorthand/lineInHand'
import { answersTo } from '@/core/shorthand/lineQuestions'
import type { Fact } from '@/core/shorthand/meaning'
import { Dictate } from './Dictate'
import { LineChips } from './LineChips'
import { LINE_FIELD } from './lineField'
import { LineRead } from './LineRead'
import { MendSheet } from './MendSheet'
import { useLine, type Line } from './useLine'

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
  const [answer, setAnswer] = useState<string[]>([])
  const [last, setLast] = useState<readonly Fact[]>([])
  const [mended, setMended] = useState<string | null>(null)
  const id = useId()
  const line = useLine(document, words, partId, last)
  const { shorthand, understood } = line
  const clear = clearFacts(line)
  const hasOpen = line.questions.length > 0

  const add = async () => {
    if (!shorthand || !understood || clear.length === 0) return
    const { edits, unplaced } = shorthand.factsToEdits(document, clear, { partId, called: understood.called }, newId)
    const refused = unplaced.map(({ fact, because }) => unplacedSentence(fact, because))
    if (edits.length === 0) return setAnswer(refused.length > 0 ? refused : ['The record has all of this already.'])
    const sentence = await save(edits)
    if (sentence) return setAnswer([sentence])
    setLast(clear)
    const about = clear
      .map(aboutOf)
      .find((name) => name !== null)
      ?.toLowerCase()
    const added = edits.find(
      (edit) => edit.kind === 'add' && edit.collection === 'parts' && String(edit.item.name).toLowerCase() === about,
    )
    if (added?.kind === 'add') onNewPart(added.item.id)
    line.type(hasOpen ? restOfLine(line.line, line, understood) : '')
    setAnswer(refused.length > 0 ? refused : ['It is in the draft; Undo takes it back.'])
  }
  return (
    <section className="mb-5 border-b-2 border-ink pb-4" aria-label="Say it">
      <label htmlFor={id} className="block font-semibold">
        Say it in a line
        {partId ? <span className="font-normal text-second">, about the {itemWords(document, partId)}</span> : null}
      </label>
      <form
        className="mt-1 flex flex-wrap items-start gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void add()
        }}
      >
        <textarea
          id={id}
          rows={3}
          className="field min-w-0 flex-1 resize-none leading-snug"
          value={line.line}
          onChange={(event) => (line.type(event.target.value.replace(/\n/g, ' ')), setAnswer([]))}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            void add()
          }}
          placeholder="2 T20 behind liner, 9 clips"
          {...LINE_FIELD}
          aria-describedby={`${id}-said`}
        />
        <Dictate
          said={line.line}
          onWords={(words_) => (line.type(words_), setAnswer([]))}
          className="desk-button !px-2"
        />
        <button type="submit" className="desk-button main" disabled={clear.length === 0}>
          {hasOpen && clear.length > 0 ? `Add ${clear.length}` : 'Add'}
        </button>
      </form>
      <div id={`${id}-said`} aria-live="polite">
        {understood && <Reading understood={understood} line={line} onMend={setMended} />}
        {answer.map((sentence) => (
          <p key={sentence} className="mt-2 text-[15px] font-semibold">
            {sentence}
          </p>
        ))}
      </div>
      <MendSheet mended={mended} line={line} close={() => setMended(null)} />
    </section>
  )
}

/** What was understood, what is asked, and what nobody could place, with what settles it. */
function Reading({ understood, line, onMend }: { understood: Understood; line: Line; onMend: (key: string) => void }) {
  const { chips, questions } = line
  return (
    <>
      {chips.length + understood.notUnderstood.length > 0 && (
        <div className="text-[15px]">
          <LineRead line={line.line} understood={understood} inNone="No fact of it" />
        </div>
      )}
      {chips.length + questions.length === 0 && (
        <p className="mt-2 text-[15px]">Nothing understood yet. Name a part, a fastener or a plug.</p>
      )}
      <LineChips line={line} onMend={onMend} />
      {understood.other && !understood.other.isTie && (
        <p className="mt-1 text-[15px]">
          Or is it:{' '}
          <Answer
            words={readingWords(understood.other.facts, understood.facts)}
            onClick={() => line.answer({ says: 'read so', isOther: true })}
          />
        </p>
      )}
      {questions.map((question, i) => (
        <Question key={i} about={askedOf(question, chips)} sentence={lineQuestionSentence(question)}>
          {answersTo(
            question,
            line.line,
            chips.map(({ fact }) => fact),
          ).map((answer) => (
            <Answer
              key={lineAnswerWords(answer, understood)}
              words={lineAnswerWords(answer, understood)}
              onClick={() => line.answer(answer)}
            />
          ))}
        </Question>
      ))}
    </>
  )
}

function Question({ about, sentence, children }: { about: string; sentence: string; children: ReactNode }) {
  return (
    <div className="mt-2 border-l-4 border-ink pl-2 text-[15px]">
      {about && <p>{about}</p>}
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
