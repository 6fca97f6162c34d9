import { buriedBy } from '@/core/job/functionStanding'
import { blockedSentence } from '@/words/functionWords'
import { nameInKits } from './kitOfJob'
import type { PlannedJob } from './useJob'

/** What is wanted and loses its lead, its part or its setting if this is closed now: the real thing, or without it. */
export function Buried({ job, keys, close }: { job: PlannedJob; keys: readonly string[]; close: () => void }) {
  const buried = buriedBy(job.plan.job, keys, job.terms, job.state)
  const nameOf = nameInKits(job)
  return (
    <div className="space-y-4">
      <ul className="space-y-3">
        {buried.map((blocked) => (
          <li key={blocked.functionId} className="border-l-8 border-ink pl-4 text-xl font-semibold">
            {blockedSentence(nameOf, blocked)}
          </li>
        ))}
      </ul>
      <p className="text-lg">
        Once this is closed it has to be opened again for it. Nothing stands in for a signal that the function asks for.
      </p>
      <button type="button" className="slab w-full !min-h-[84px] text-2xl" onClick={close}>
        Leave it open, and see to it
      </button>
      <button
        type="button"
        className="ghost min-h-14 w-full text-lg"
        onClick={() => {
          job.record([{ kind: 'gone on without', functionIds: buried.map(({ functionId }) => functionId) }])
          close()
        }}
      >
        Close it without: it goes on the sheet, and the customer is told
      </button>
    </div>
  )
}
