import { levelNow } from '@/core/job/fold'
import type { Level } from '@/core/procedure/level'
import { REST_WAYS, type Part } from '@/core/procedure/part'
import { waitsThere } from '@/core/strip/waitsThere'
import { itemWords } from '@/words/items'
import type { LiveStrip } from './useStrip'

/** The part in hand, and the one tap that says how far it has come. */
export function StripInHand({ strip }: { strip: LiveStrip }) {
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
