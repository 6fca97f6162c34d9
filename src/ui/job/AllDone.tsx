import Link from 'next/link'
import { toolWords } from '@/words/items'

/** Every step is behind: what is still open, and the ways on. */
export function AllDone({
  jobId,
  left,
  open,
  tools,
  again,
  toolsBack,
}: {
  jobId: string
  left: number
  open: number
  tools: readonly string[]
  again: () => void
  toolsBack: () => void
}) {
  const things = open - tools.length
  return (
    <div className="on-sign flex flex-1 flex-col items-start justify-center gap-6 rounded-br p-10">
      <h1 className="text-[clamp(44px,6vw,76px)] font-extrabold leading-none">
        {things === 0 ? 'Everything is back' : left > 0 ? `${left} left for later` : 'The steps are done'}
      </h1>
      <p className="text-3xl">
        {things > 0
          ? `${things} open in the balance.`
          : tools.length > 0
            ? `Count the bag: ${tools.map(toolWords).join(', ')}.`
            : 'The balance is closed. Test, sign, hand over.'}
      </p>
      <div className="flex flex-wrap gap-3">
        {tools.length > 0 && (
          <button
            type="button"
            className="min-h-[84px] rounded bg-white px-8 text-2xl font-bold text-[#0f1315]"
            onClick={toolsBack}
          >
            {tools.length === 1 ? 'It is back in the bag' : `All ${tools.length} tools are back`}
          </button>
        )}
        {left > 0 && (
          <button
            type="button"
            className="min-h-[84px] rounded bg-white px-8 text-2xl font-bold text-[#0f1315]"
            onClick={again}
          >
            Do what was left
          </button>
        )}
        <Link
          href={`/jobs/${jobId}/balance`}
          className="grid min-h-[84px] place-items-center rounded bg-white px-8 text-2xl font-bold text-[#0f1315]"
        >
          To the balance
        </Link>
        <Link
          href={`/jobs/${jobId}/handover`}
          className="grid min-h-[84px] place-items-center rounded border-2 border-white px-8 text-2xl font-bold"
        >
          To the hand-over
        </Link>
      </div>
    </div>
  )
}
