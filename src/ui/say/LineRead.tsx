import { lineRead, inNoFact, type Stretch } from '@/core/shorthand/lineRead'
import type { Understood } from '@/core/shorthand/understand'

const MARKS: Record<Stretch['is'], string> = {
  fact: 'underline decoration-2 underline-offset-4',
  asked: 'rounded-sm px-1 font-bold outline-2 outline-dashed',
  left: 'italic opacity-80',
  talk: '',
}

/** The line with what each word of it came to: underlined in a fact, outlined where it is asked about. */
export function LineRead({ line, understood, inNone }: { line: string; understood: Understood; inNone: string }) {
  const rest = inNoFact(line, understood)
  return (
    <>
      <p role="group" aria-label="The line as it is read" className="mt-2 whitespace-pre-wrap [overflow-wrap:anywhere]">
        {lineRead(line, understood).map(({ words, is }, i) => (
          <span key={i} data-read={is} className={MARKS[is]}>
            {words}
          </span>
        ))}
      </p>
      {rest !== '' && understood.facts.length > 0 && (
        <p className="mt-1">
          {inNone}: “{rest}”.
        </p>
      )}
    </>
  )
}
