import type { Understood } from '@/core/shorthand/understand'
import { readingWords } from '@/words/shorthandWords'
import { LineChips } from '../say/LineChips'
import { LineRead } from '../say/LineRead'
import type { Line } from '../say/useLine'

/** A question about the line as it is shown, and what each tap does. */
export type Asked = { about: string; sentence: string; answers: { words: string; take: () => void }[] }

/** As many as stand in one row at a size that is hit without looking. */
const FEW_ANSWERS = 8

/** What the line says so far, and the first thing that is open in it. */
export function StripLineRead({
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
  const areMany = (question?.answers.length ?? 0) > FEW_ANSWERS
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
          <p className={`flex flex-wrap ${areMany ? 'gap-2' : 'gap-3'}`}>
            {question.answers.map((each) => (
              <button
                key={each.words}
                type="button"
                className={`rounded bg-[#f4f1e9] font-bold text-[#0f1315] ${areMany ? 'min-h-12 min-w-12 px-3 text-lg' : 'min-h-14 min-w-14 px-5 text-xl'}`}
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
