import { Check } from 'lucide-react'
import type { ReactNode } from 'react'
import { intoView } from '../shell/intoView'

/** One step on a card, as a station on its line: what it is, how it is done, whether it is meant now. */
export function StepRow({
  mark,
  title,
  below,
  done,
  now,
  beside,
  ahead,
}: {
  mark: ReactNode
  title: string
  below: string
  done: boolean
  now: boolean
  /** What stands between the words and the end of the row: a flag, a tray. */
  beside?: ReactNode
  /** What stands at the end while it is neither done nor meant now. */
  ahead?: ReactNode
}) {
  return (
    <li
      ref={now ? intoView : undefined}
      className="relative flex items-center gap-4 border-b border-hair py-2"
      aria-current={now ? 'step' : undefined}
    >
      <span aria-hidden="true" className={`absolute -left-[18px] top-0 h-full w-3 ${done ? 'bg-petrol' : 'hollow'}`} />
      <span
        aria-hidden="true"
        className={`absolute -left-[24px] size-6 rounded-full border-[3px] ${now ? 'border-ink bg-ink' : done ? 'border-ink bg-ground' : 'border-untravelled bg-ground'}`}
      />
      <span className={`ml-5 ${done ? 'text-second' : ''}`}>{mark}</span>
      <span className="min-w-0 flex-1">
        <span
          className={`block text-[22px] leading-tight ${done ? 'text-second' : now ? 'font-bold' : 'font-semibold'}`}
        >
          {title}
        </span>
        <span className="block text-[16px] leading-tight text-second">{below}</span>
      </span>
      {beside}
      {done ? (
        <Check aria-label="done" size={28} className="shrink-0" />
      ) : now ? (
        <span
          className="shrink-0 bg-ink py-1.5 pl-6 pr-3 text-lg font-bold text-ground"
          style={{ clipPath: 'polygon(0.7em 0, 100% 0, 100% 100%, 0.7em 100%, 0 50%)' }}
        >
          now
        </span>
      ) : (
        ahead
      )}
    </li>
  )
}
