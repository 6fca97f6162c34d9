'use client'
import { useId, useState } from 'react'
import type { HouseWord } from '@/core/shop/houseWord'
import { clearCorrection } from '@/core/shorthand/correction'
import { clearFacts, type Chip } from '@/core/shorthand/lineInHand'
import { answersTo } from '@/core/shorthand/lineQuestions'
import { asAnother, saidTwice, type SaidTwice } from '@/core/strip/saidTwice'
import { Dictate } from '../say/Dictate'
import { LINE_FIELD } from '../say/lineField'
import { MendSheet } from '../say/MendSheet'
import { useLine, type Line } from '../say/useLine'
import {
  askedOf,
  lineAnswerWords,
  lineQuestionSentence,
  openLineNote,
  saidTwiceSentence,
  takeWords,
} from '@/words/shorthandWords'
import { StripInHand } from './StripInHand'
import { StripLineRead, type Asked } from './StripLineRead'
import type { LiveStrip } from './useStrip'

/**
 * The one sign of the screen: the line as it is typed with what it says, or the part in hand and how far it has come.
 */
export function StripSign({ strip, words }: { strip: LiveStrip; words: readonly HouseWord[] }) {
  const [answer, setAnswer] = useState<string[]>([])
  const [same, setSame] = useState<string[]>([])
  const [mended, setMended] = useState<string | null>(null)
  const id = useId()
  const { document, state } = strip.job
  const read = useLine(document, words, strip.inHand, strip.lastFacts)
  const twice = saidTwice(document, state, clearFacts(read), strip.inHand).filter(({ name }) => !same.includes(name))
  const line: Line = { ...read, chips: read.chips.map((chip) => (isAskedTwice(chip, twice) ? opened(chip) : chip)) }
  const type = (next: string) => (line.type(next), setAnswer([]), next.trim() === '' && setSame([]))
  const facts = line.chips.map(({ fact }) => fact)
  const questions: Asked[] = [
    ...line.questions.map((question): Asked => ({
      about: askedOf(question, line.chips),
      sentence: lineQuestionSentence(question),
      answers: answersTo(question, line.line, facts).map((given) => ({
        words: lineAnswerWords(given, line.understood!),
        take: () => line.answer(given),
      })),
    })),
    ...twice.map((item): Asked => ({
      about: '',
      sentence: saidTwiceSentence(item),
      answers: [
        {
          words: `another: ${item.another}`,
          take: () => (line.name(item.kind, item.another), line.type(asAnother(line.line, item))),
        },
        { words: 'the same', take: () => setSame([...same, item.name]) },
      ],
    })),
  ]
  const clear = clearFacts(line)
  const take = () => {
    if (!line.understood || clear.length + questions.length === 0) return
    const note = questions.length === 0 ? null : openLineNote(line.line, questions)
    const unplaced = strip.say(clear, line.line, {
      note,
      correction: line.correction && clearCorrection(line.correction, line.chips),
      called: line.understood.called,
    })
    setAnswer(note === null ? unplaced : ['What is open is noted for the desk.', ...unplaced])
    line.type('')
    setSame([])
  }
  const takes = takeWords(clear.length, questions.length)
  return (
    <>
      <section
        aria-label="What came off"
        className="on-sign flex max-h-[66dvh] min-h-[196px] shrink-0 flex-col overflow-y-auto gap-3 px-5 py-4 max-lg:-mr-4 lg:rounded-b xl:min-h-[216px]"
      >
        <form
          className="flex flex-wrap items-stretch gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            take()
          }}
        >
          <label htmlFor={id} className="sr-only">
            Say it in a line
          </label>
          <input
            id={id}
            className={`num min-h-14 min-w-0 flex-1 rounded border-2 border-white/60 bg-transparent px-3 ${line.line.length > 44 ? 'text-[19px]' : 'text-[25px]'} text-white placeholder:font-normal placeholder:text-white/80 focus-visible:border-white`}
            value={line.line}
            onChange={(event) => type(event.target.value)}
            placeholder="bezel: 9 clips, 2 T20 behind liner"
            {...LINE_FIELD}
            aria-describedby={`${id}-said`}
          />
          <Dictate
            said={line.line}
            onWords={type}
            className="grid min-h-14 w-14 place-items-center rounded border-2 border-white/60 aria-pressed:bg-white aria-pressed:text-[#0f1315]"
          />
          <button
            type="submit"
            disabled={clear.length + questions.length === 0}
            className="min-h-14 min-w-28 rounded bg-white px-5 text-2xl font-bold leading-tight text-[#0f1315] disabled:bg-transparent disabled:text-white disabled:outline-dashed disabled:outline-2 disabled:-outline-offset-2 disabled:outline-white/70"
          >
            {takes.does}
            {takes.keeps && <span className="block text-base font-semibold">{takes.keeps}</span>}
          </button>
        </form>
        <div id={`${id}-said`} aria-live="polite" className="flex min-h-0 flex-1 flex-col gap-3">
          {line.understood ? (
            <StripLineRead
              line={line}
              understood={line.understood}
              question={questions[0] ?? null}
              onMend={setMended}
            />
          ) : (
            <>
              {answer.map((sentence) => (
                <p key={sentence} role="alert" className="text-lg font-semibold">
                  {sentence}
                </p>
              ))}
              <StripInHand strip={strip} />
            </>
          )}
        </div>
      </section>
      <MendSheet mended={mended} line={line} close={() => setMended(null)} />
    </>
  )
}

const isAskedTwice = ({ fact }: Chip, twice: readonly SaidTwice[]) => twice.some((item) => item.fact === fact)
const opened = (chip: Chip): Chip => ({ ...chip, state: 'open' })
