import Link from 'next/link'
import { listProcedures } from '@/server/procedures'
import { readVehicle } from '@/server/vehicles'
import { ChooseModel } from '../VehicleForms'
import { dateWords, type Zone } from '@/words/dates'

type Vehicle = NonNullable<Awaited<ReturnType<typeof readVehicle>>>

/** Which model it is, and what is known of its build; or the choice of one. */
export function ModelAndBuild({
  vehicle,
  procedures,
}: {
  vehicle: Vehicle
  procedures: Awaited<ReturnType<typeof listProcedures>>
}) {
  const document = vehicle.procedure?.document
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-xl">Model and build</h2>
      {vehicle.procedureId && document ? (
        <>
          <p className="py-2">
            <Link className="jump" href={`/procedures/${vehicle.procedureId}`}>
              {document.name}
            </Link>
            {vehicle.procedure!.revisionNumber ? `, revision ${vehicle.procedure!.revisionNumber}` : ', draft'}
          </p>
          <dl>
            {document.facets.map((facet) => (
              <div key={facet.id} className="flex justify-between border-b border-hair py-1.5">
                <dt>{facet.name}</dt>
                <dd className="font-bold">
                  {facet.choices.find((choice) => choice.id === vehicle.build[facet.id])?.name ?? (
                    <span className="font-normal text-second">not known yet</span>
                  )}
                </dd>
              </div>
            ))}
          </dl>
        </>
      ) : (
        <div className="pt-2">
          <ChooseModel vehicleId={vehicle.id} procedures={procedures} />
        </div>
      )}
    </div>
  )
}

/** Kits that jobs of this shop fitted. */
export function FittedHere({
  fitted,
  zone,
}: {
  fitted: readonly { id: string; name: string; job: { id: string; handedOverAt: Date | null } }[]
  zone: Zone
}) {
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1 text-xl">Fitted here</h2>
      {fitted.length === 0 && <p className="py-2 text-second">No kit was fitted by this shop yet.</p>}
      <ul>
        {fitted.map(({ id, name, job }) => (
          <li key={id} className="flex flex-wrap justify-between gap-x-3 border-b border-hair py-1.5">
            <Link className="jump" href={`/jobs/${job.id}${job.handedOverAt ? '/handover' : ''}`}>
              {name}
            </Link>
            <span className="text-second">
              {job.handedOverAt ? dateWords(job.handedOverAt, 'year', zone) : 'being fitted'}
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}

export function VehiclePhotos({ photos }: { photos: readonly { photoId: string; words: string }[] }) {
  return (
    <section className="lg:col-span-2">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Photos</h2>
      <ul className="flex flex-wrap gap-3 pt-3">
        {photos.map((photo) => (
          <li key={photo.photoId} className="w-40">
            <a href={`/api/media/${photo.photoId}`} target="_blank" rel="noreferrer">
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img
                src={`/api/media/${photo.photoId}?size=small`}
                alt={`Photo: ${photo.words}`}
                className="h-28 w-40 border border-hair object-cover"
                loading="lazy"
              />
              <span className="block truncate text-sm text-second">{photo.words}</span>
            </a>
          </li>
        ))}
      </ul>
    </section>
  )
}
