'use client'
import type { ProcedureDocument } from '@/core/procedure/document'
import { powerGate } from '@/core/vehicle/powerGate'
import { POWERS } from '@/core/vehicle/powers'
import { MayRing, StopSign } from '../marks/Signs'
import { forbidsWords } from '@/words/balanceWords'
import { capital } from '@/words/operations'
import type { LiveJob } from './useJob'

/** The power lamps, always in sight: what may come on now, and what forbids it. A tap opens the gate. */
export function Lamps({ document, job, onOpen }: { document: ProcedureDocument; job: LiveJob; onOpen: () => void }) {
  const gate = powerGate(job.model, job.vehicle, job.circumstances)
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-haspopup="dialog"
      className="order-last flex min-h-11 min-w-0 flex-1 basis-full sm:min-h-14 items-center rounded text-left md:order-none md:basis-0"
    >
      <span className="sr-only">What may be switched on now. Opens what to put back.</span>
      <ul className="flex min-w-0 flex-1 items-center justify-between gap-2 sm:gap-4">
        {POWERS.map((power) => {
          const { allowed, forbiddenBy } = gate[power]
          const more = new Set(forbiddenBy.slice(1).map((breach) => forbidsWords(document, breach, job.state.settings)))
            .size
          return (
            <li
              key={power}
              className="flex min-w-0 items-center gap-1 sm:gap-2.5"
              data-lamp={power}
              data-allowed={allowed}
            >
              <span className="shrink-0 scale-75 sm:scale-100">
                {allowed ? <MayRing size={38} /> : <StopSign size={40} />}
              </span>
              <span className="min-w-0 leading-tight">
                <span className="block text-[15px] font-bold sm:text-[19px]">{capital(power)}</span>
                <span className={`text-[15px] text-second sm:block ${allowed ? 'hidden' : 'sr-only sm:not-sr-only'}`}>
                  {allowed ? 'may come on' : capital(forbidsWords(document, forbiddenBy[0]!, job.state.settings))}
                </span>
                {more > 0 && <span className="hidden text-[15px] text-second sm:block">and {more} more</span>}
              </span>
            </li>
          )
        })}
      </ul>
    </button>
  )
}
