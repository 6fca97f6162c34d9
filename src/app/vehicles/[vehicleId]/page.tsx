import Link from 'next/link'
import { notFound } from 'next/navigation'
import { DeskPage } from '@/app/DeskPage'
import { foldJob } from '@/core/job/fold'
import { driveOf } from '@/core/procedure/heads'
import { overlayOf } from '@/core/job/overlay'
import { changeWords, historyWords, overlayWords } from '@/words/overlayWords'
import { listJobs } from '@/server/jobs'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { readVehicle } from '@/server/vehicles'
import { Tape } from '@/ui/marks/Tape'
import { itemWords } from '@/words/items'
import { dateWords } from '@/words/dates'
import { FittedHere, ModelAndBuild, VehiclePhotos } from './VehicleParts'

export const metadata = { title: 'Vehicle' }

export default async function VehiclePage({ params }: { params: Promise<{ vehicleId: string }> }) {
  const crew = await requireCrew()
  const vehicle = await readVehicle(crew, (await params).vehicleId)
  if (!vehicle) notFound()
  const [jobs, procedures] = [await listJobs(crew, { vehicleId: vehicle.id }), await listProcedures(crew)]
  const inOrder = [...jobs]
    .sort((a, b) => a.createdAt.getTime() - b.createdAt.getTime())
    .map((job) => ({ job, state: foldJob(job.document, job.events) }))
  const overlay = overlayOf(inOrder.map(({ state }) => state))
  const differs = inOrder.flatMap(({ job, state }) =>
    state.deviations
      .filter(({ field, value }) => field !== 'head' || driveOf(value) === null)
      .map((deviation) => ({ ...deviation, what: itemWords(job.document, deviation.itemId) })),
  )
  const photos = inOrder.flatMap(({ job, state }) =>
    state.photos.map((photo) => ({
      ...photo,
      words: photo.itemId ? itemWords(job.document, photo.itemId) : job.title,
    })),
  )
  const latest = inOrder.at(-1)?.job.document
  const known = latest ? overlayWords(latest, overlay) : []
  const history = new Map(inOrder.map(({ job, state }) => [job.id, historyWords(job.document, state)]))
  // What is only planned is not in the vehicle.
  const fitted = inOrder
    .filter(({ job }) => job.events.length > 0)
    .flatMap(({ job }) =>
      (job.request?.kits ?? []).map(({ kit }) => ({ id: `${job.id} ${kit.id}`, name: kit.name, job })),
    )
  return (
    <DeskPage crew={crew} at="/vehicles">
      <div className="grid gap-10 px-6 py-6 lg:grid-cols-[1fr_340px]">
        <section>
          <div className="flex flex-wrap items-center gap-5">
            <h1 className="sr-only">{vehicle.label}</h1>
            <Tape label={vehicle.label.toUpperCase()} size="l" />
            <p className="text-xl">
              <span className="num">{vehicle.plate}</span> {vehicle.customer}
            </p>
            {vehicle.procedureId && (
              <Link className="desk-button main ml-auto" href={`/plan?vehicle=${vehicle.id}`}>
                Plan a job
              </Link>
            )}
          </div>
          <h2 className="mt-8 border-b-2 border-ink pb-1 text-xl">Jobs</h2>
          {jobs.length === 0 && <p className="py-3 text-second">No job yet on this vehicle.</p>}
          <ul>
            {jobs.map((job) => (
              <li key={job.id} className="flex flex-wrap items-center gap-4 border-b border-hair py-2">
                <Link className="jump" href={`/jobs/${job.id}${job.handedOverAt ? '/handover' : ''}`}>
                  {job.title}
                </Link>
                <span className="text-second">{dateWords(job.createdAt, 'year', crew.house.timeZone)}</span>
                <span className="ml-auto">
                  {job.handedOverAt ? 'handed over' : job.events.length > 0 ? 'under way' : 'planned'}
                </span>
                {history.get(job.id) && <p className="w-full max-w-[80ch] text-second">{history.get(job.id)}</p>}
              </li>
            ))}
          </ul>
        </section>
        <section className="space-y-6">
          <ModelAndBuild vehicle={vehicle} procedures={procedures} />
          <FittedHere fitted={fitted} zone={crew.house.timeZone} />
          <div>
            <h2 className="border-b-2 border-ink pb-1 text-xl">What differs on this one</h2>
            {differs.length + known.length === 0 && (
              <p className="py-2 text-second">Nothing found different from the record.</p>
            )}
            <ul>
              {known.map((words) => (
                <li key={words} className="border-b border-hair py-1.5">
                  {words}
                </li>
              ))}
              {differs.map((item) => (
                <li key={item.eventId} className="border-b border-hair py-1.5">
                  {item.what}: {item.field} {item.value}
                </li>
              ))}
            </ul>
          </div>
          <div>
            <h2 className="border-b-2 border-ink pb-1 text-xl">Changed for good</h2>
            {overlay.changes.length === 0 && (
              <p className="py-2 text-second">Nothing was cut, filed or drilled by this shop.</p>
            )}
            <ul>
              {overlay.changes.map((item) => (
                <li key={`${item.changeId} ${item.at}`} className="border-b border-hair py-1.5">
                  {changeWords(item)}. Agreed by {item.consentBy}.
                </li>
              ))}
            </ul>
          </div>
        </section>
        {photos.length > 0 && <VehiclePhotos photos={photos} />}
      </div>
    </DeskPage>
  )
}
