'use client'
import { Dialog } from '../shell/Dialog'
import { planErrorSentence } from '@/words/problems'
import type { PlannedJob } from './useJob'
import type { Replan } from './useReplan'

/** What a plan from here would leave to do, and the one tap that adopts it. */
export function ReplanDialog({ job, replan }: { job: PlannedJob; replan: Replan }) {
  const { replanning, adopt, drop } = replan
  return (
    <Dialog title="The way from here" open={replanning.state !== 'idle' && replanning.state !== 'quiet'} onClose={drop}>
      {replanning.state === 'working' && (
        <p role="status" className="text-xl">
          Working it out from what is off and open now…
        </p>
      )}
      {replanning.state === 'offer' && (
        <div className="space-y-5">
          <p className="text-[44px] font-extrabold leading-none">
            <span className="num">{Math.max(1, Math.round(replanning.offer.restS / 60))}</span> min left
          </p>
          <p className="text-xl">{savingWords(replanning.offer)} Everything that is out goes back with it.</p>
          {replanning.offer.sharing === 'no lanes' && (
            <p className="text-xl font-semibold">It could not be shared out: it is one person’s way.</p>
          )}
          {replanning.offer.sharing === 'only turns' && (
            <p className="text-xl font-semibold">
              More hands gain hardly anything from here: they would take turns at one place. It stays one person’s way.
            </p>
          )}
          <button
            type="button"
            autoFocus
            className="slab w-full !min-h-[84px] text-2xl"
            onClick={() => adopt(replanning.offer, replanning.request, replanning.people)}
          >
            Go on this way
          </button>
          <button type="button" className="ghost w-full" onClick={drop}>
            Keep the old order
          </button>
        </div>
      )}
      {replanning.state === 'refused' && (
        <div className="space-y-5">
          <p role="alert" className="text-xl font-semibold">
            {planErrorSentence(job.document, replanning.error)}
          </p>
          <p className="text-lg">
            Nothing has changed: the plan you follow stays. Write what you found with “Different”, and ask a lead.
          </p>
          <button type="button" className="slab w-full" onClick={drop}>
            Back to the job
          </button>
        </div>
      )}
    </Dialog>
  )
}

function savingWords({
  restS,
  restBeforeS,
  proven,
}: {
  restS: number
  restBeforeS: number | null
  proven: boolean
}): string {
  const quality = proven
    ? 'No order from here is quicker by the house’s estimates (proven).'
    : 'A good order from here; not proven to be the quickest.'
  const saved = restBeforeS === null ? 0 : Math.round(restBeforeS - restS)
  return saved > 0
    ? `${saved >= 60 ? `${Math.round(saved / 60)} min` : `${saved} s`} less than the rest of the old order. ${quality}`
    : quality
}
