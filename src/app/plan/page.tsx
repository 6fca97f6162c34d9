import Link from 'next/link'
import { DeskPage } from '@/app/DeskPage'
import { listVehicles, readVehicle } from '@/server/vehicles'
import { vehicleOverlay } from '@/server/jobs'
import { listKits } from '@/server/kits'
import { requireCrew } from '@/server/session'
import { headsFound } from '@/core/job/overlay'
import { fittedKits } from '@/core/plan/ask/jobGoal'
import { changeWords, overlayWords } from '@/words/overlayWords'
import { PlanScreen } from '@/ui/plan/PlanScreen'
import { Tape } from '@/ui/marks/Tape'
import { openJob } from './actions'

export const metadata = { title: 'Plan' }

export default async function PlanPage({ searchParams }: { searchParams: Promise<{ vehicle?: string }> }) {
  const crew = await requireCrew()
  const wanted = (await searchParams).vehicle
  const vehicle = wanted ? await readVehicle(crew, wanted) : null
  if (vehicle?.procedure) {
    const overlay = await vehicleOverlay(crew, vehicle.id, null)
    return (
      <DeskPage crew={crew} at="/plan">
        <PlanScreen
          data={{
            vehicle,
            heads: headsFound(overlay.found),
            known: [...overlayWords(vehicle.procedure.document, overlay), ...overlay.changes.map(changeWords)],
            document: vehicle.procedure.document,
            revisionNumber: vehicle.procedure.revisionNumber,
            house: crew.house,
            rules: crew.rules,
            kits: fittedKits(await listKits(crew), vehicle.procedureId!),
            singleTools: crew.tools.filter((tool) => tool.count === 1).map((tool) => tool.head || tool.name),
          }}
          openJob={openJob}
        />
      </DeskPage>
    )
  }
  const vehicles = await listVehicles(crew)
  return (
    <DeskPage crew={crew} at="/plan">
      <div className="mx-auto max-w-4xl px-6 py-8">
        <h1 className="text-3xl">Plan: which vehicle?</h1>
        {wanted && (
          <p className="mt-2 text-lg">
            {vehicle
              ? 'Nobody has said which model that vehicle is. Open it under Vehicles and choose its procedure.'
              : 'That vehicle is not in your shop.'}
          </p>
        )}
        {vehicles.length === 0 ? (
          <p className="mt-4 text-lg">
            There is no vehicle yet.{' '}
            <Link className="jump" href="/vehicles">
              Add the first one
            </Link>
            , then plan its job here.
          </p>
        ) : (
          <ul className="mt-4 border-t-2 border-ink">
            {vehicles.map((item) => (
              <li key={item.id} className="flex items-center gap-4 border-b border-hair py-2">
                <span className="w-40">
                  <Tape label={item.label.toUpperCase()} />
                </span>
                <span className="flex-1">
                  {item.procedureName ?? 'model not said yet'} <span className="text-second">{item.customer}</span>
                </span>
                {item.procedureId ? (
                  <Link className="desk-button" href={`/plan?vehicle=${item.id}`}>
                    Plan
                  </Link>
                ) : (
                  <Link className="jump" href={`/vehicles/${item.id}`}>
                    Say which model
                  </Link>
                )}
              </li>
            ))}
          </ul>
        )}
      </div>
    </DeskPage>
  )
}
