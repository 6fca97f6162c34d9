'use client'
import { useId, useState } from 'react'
import { levelNow } from '@/core/job/fold'
import type { Level } from '@/core/procedure/level'
import { REST_WAYS, type Part } from '@/core/procedure/part'
import type { HouseWord } from '@/core/shop/houseWord'
import { clearCorrection } from '@/core/shorthand/correction'
import { clearFacts, type Chip } from '@/core/shorthand/lineInHand'
import { answersTo } from '@/core/shorthand/lineQuestions'
import type { Understood } from '@/core/shorthand/understand'
import { waitsThere } from '@/core/strip/waitsThere'
import { asAnother, saidTwice, type SaidTwice } from '@/core/strip/saidTwice'
import { Dictate } from '../say/Dictate'
import { LineChips } from '../say/LineChips'
import { LineRead } from '../say/LineRead'
import { MendSheet } from '../say/MendSheet'
import { useLine, type Line } from '../say/useLine'
import { itemWords } from '@/words/items'
import {
  askedOf,
  lineAnswerWords,
  lineQuestionSentence,
  openLineNote,
  readingWords,
  saidTwiceSentence,
  takeWords,
} from '@/words/shorthandWords'
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
        className="on-sign flex min-h-[196px] flex-col gap-3 px-5 py-4 max-lg:-mr-4 lg:rounded-b xl:min-h-[216px]"
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
            autoComplete="off"
            autoCapitalize="none"
            spellCheck={false}
            maxLength={200}
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
            <AsRead line={line} understood={line.understood} question={questions[0] ?? null} onMend={setMended} />
          ) : (
            <>
              {answer.map((sentence) => (
                <p key={sentence} role="alert" className="text-lg font-semibold">
                  {sentence}
                </p>
              ))}
              <InHand strip={strip} />
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

/** A question about the line as it is shown, and what each tap does. */
type Asked = { about: string; sentence: string; answers: { words: string; take: () => void }[] }

/** What the line says so far, and the first thing that is open in it. */
function AsRead({
  line,
  understood,
  question,
  onMend,
}: {
  line: Line
  understood: Understood
  question: Asked | null
  onMend: (key: string) => void
}) {
  return (
    <>
      {line.chips.length + understood.notUnderstood.length > 0 && (
        <div className="text-lg">
          <LineRead line={line.line} understood={understood} inNone="Kept with the line, in no fact" />
        </div>
      )}
      <LineChips line={line} onMend={onMend} isSign />
      {understood.other && !understood.other.isTie && !question && (
        <p className="flex flex-wrap items-center gap-3 text-lg">
          Or is it:
          <button
            type="button"
            className="min-h-12 rounded border-2 border-white/60 px-4 text-left text-lg font-bold"
            onClick={() => line.answer({ says: 'read so', isOther: true })}
          >
            {readingWords(understood.other.facts, understood.facts)}
          </button>
        </p>
      )}
      {question && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p className="text-[27px] font-extrabold leading-tight">
            {question.about && <span className="block text-lg font-semibold">{question.about}</span>}
            {question.sentence}
          </p>
          <p className="flex flex-wrap gap-3">
            {question.answers.map((each) => (
              <button
                key={each.words}
                type="button"
                className="min-h-14 min-w-14 rounded bg-[#f4f1e9] px-5 text-xl font-bold text-[#0f1315]"
                onClick={each.take}
              >
                {each.words}
              </button>
            ))}
          </p>
        </div>
      )}
      {line.chips.length === 0 && !question && (
        <p className="text-xl">Nothing understood yet. Name a part, a fastener or a plug.</p>
      )}
    </>
  )
}

/** The part in hand, and the one tap that says how far it has come. */
function InHand({ strip }: { strip: LiveStrip }) {
  const { job, inHand } = strip
  const part = job.document.parts.find((item) => item.id === inHand)
  if (!part)
    return (
      <div>
        <h1 className="text-[clamp(34px,4vw,52px)] font-extrabold leading-none">What comes off first?</h1>
        <p className="mt-2 text-xl">
          Say it in a line, or tap Panel. Screws that hold nobody knows what yet are kept as loose ends.
        </p>
      </div>
    )
  const level = levelNow(job.state, part.id)
  const at = (to: Level) => strip.happen([{ kind: 'part at', partId: part.id, level: to }])
  const rest = (how: Part['rests'][number]['how']) => {
    const edits = waitsThere(job.document, job.state, part, how)
    strip.happen([
      ...(edits.length > 0 ? [{ kind: 'stated' as const, said: `${part.name} ${how}`, edits }] : []),
      ...(level === 'free' ? [] : [{ kind: 'part at' as const, partId: part.id, level: 'free' as const }]),
    ])
  }
  const rests = part.rests.some((item) => item.level === 'free')
  return (
    <div className="flex flex-1 flex-wrap items-end justify-between gap-4">
      <div className="min-w-0">
        <p className="text-xl font-semibold">
          {level === 'in place'
            ? 'at'
            : level === 'off'
              ? 'off, set aside'
              : rests
                ? `free, ${part.rests.find((item) => item.level === 'free')!.how}`
                : 'free: and now?'}
        </p>
        <h1 className="text-[clamp(34px,4.4vw,60px)] font-extrabold leading-none [overflow-wrap:anywhere]">
          {itemWords(job.document, part.id)}
        </h1>
      </div>
      <p className="flex flex-wrap gap-3">
        {level === 'in place' && <Slab words="It came forward" onClick={() => at('free')} />}
        {level !== 'off' && (
          <Slab
            words={level === 'in place' ? 'It came off' : 'Set aside'}
            main={level === 'free' && !rests}
            onClick={() => at('off')}
          />
        )}
        {level === 'free' &&
          !rests &&
          REST_WAYS.slice(0, 3).map((how) => (
            <Slab key={how} words={how[0]!.toUpperCase() + how.slice(1)} onClick={() => rest(how)} />
          ))}
      </p>
    </div>
  )
}

function Slab({ words, onClick, main = true }: { words: string; onClick: () => void; main?: boolean }) {
  return (
    <button
      type="button"
      className={`min-h-16 rounded px-4 text-xl font-bold xl:min-h-[72px] xl:px-6 xl:text-2xl ${main ? 'bg-[#f4f1e9] text-[#0f1315]' : 'border-2 border-white text-white'}`}
      onClick={onClick}
    >
      {words}
    </button>
  )
}
