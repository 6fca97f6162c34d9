import { POWERS, powerGate } from '@/core/vehicle/powerGate'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { JobState } from '@/core/job/fold'
import { MayRing, StopSign } from '../marks/Signs'
import { forbidsWords } from '../words/balanceWords'
import { capital } from '../words/operations'

/** The power lamps, always in sight: what may come on now, and what forbids it. */
export function Lamps({ model, document, state }: { model: ProcedureForBuild; document: ProcedureDocument; state: JobState }) {
  const gate = powerGate(model, { settings: state.settings, open: state.tethersOpen })
  return (
    <ul aria-label="What may be switched on now" className="flex min-w-0 flex-1 items-center justify-between gap-4">
      {POWERS.map((power) => {
        const forbids = gate[power]
        return (
          <li key={power} className="flex min-w-0 items-center gap-2.5" data-lamp={power} data-allowed={forbids.length === 0}>
            {forbids.length === 0 ? <MayRing size={38} /> : <StopSign size={40} />}
            <span className="min-w-0 leading-tight">
              <span className="block text-[19px] font-bold">{capital(power)}</span>
              <span className="block text-[15px] text-second">{forbids.length === 0 ? 'may come on' : forbidsWords(document, forbids[0]!)}</span>
              {forbids.length > 1 && <span className="block text-[15px] text-second">and {forbids.length - 1} more</span>}
            </span>
          </li>
        )
      })}
    </ul>
  )
}
