import type { Chip } from '@/core/shorthand/lineInHand'
import { factLabel, factWords } from '@/words/shorthandWords'
import type { Line } from './useLine'

const STATE_WORDS: Record<Chip['state'], string> = { clear: '', open: 'still open', dropped: 'dropped' }
const ON_SIGN: Record<Chip['state'], string> = {
  clear: 'border-white',
  open: 'border-dashed border-white',
  dropped: 'border-dotted border-white/60 line-through opacity-70',
}
const ON_DESK: Record<Chip['state'], string> = {
  clear: 'border-petrol bg-tint',
  open: 'border-dashed border-ink bg-transparent',
  dropped: 'border-hair bg-transparent line-through opacity-70',
}

/** What a line was understood to say, fact by fact: a tap mends one or drops it, another takes it up again. */
export function LineChips({
  line,
  onMend,
  isSign = false,
}: {
  line: Line
  onMend: (key: string) => void
  isSign?: boolean
}) {
  return (
    <ul aria-label="Understood" className={`flex flex-wrap ${isSign ? 'gap-2' : 'mt-2 gap-1.5'}`}>
      {line.chips.map((each) => (
        <li key={each.key}>
          <button
            type="button"
            data-chip={each.state}
            className={
              isSign
                ? `min-h-14 rounded border-2 px-3 py-1 text-left leading-tight ${ON_SIGN[each.state]}`
                : `min-h-8 rounded-sm border-l-4 px-2 py-0.5 text-left text-[15px] hover:underline ${ON_DESK[each.state]}`
            }
            onClick={() => (each.state === 'dropped' ? line.asRead(each.key) : onMend(each.key))}
          >
            {isSign && (
              <span className="block text-[15px]">
                {[each.state === 'open' ? 'said' : factLabel(each.fact), STATE_WORDS[each.state]]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            )}
            <span className={isSign ? 'text-xl font-bold' : ''}>{factWords(each.fact)}</span>
            {!isSign && each.state !== 'clear' && <span> ({STATE_WORDS[each.state]})</span>}
            {each.isMended && each.state !== 'dropped' && <span className="font-normal"> as mended</span>}
          </button>
        </li>
      ))}
    </ul>
  )
}
