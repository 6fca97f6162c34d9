import Link from 'next/link'
import { DeskPage } from '@/app/DeskPage'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { listVehicles } from '@/server/vehicles'
import { Tape } from '@/ui/marks/Tape'
import { AddVehicle } from './VehicleForms'

export const metadata = { title: 'Vehicles' }

export default async function VehiclesPage() {
  const crew = await requireCrew()
  const [vehicles, procedures] = [await listVehicles(crew), await listProcedures(crew)]
  return (
    <DeskPage crew={crew} at="/vehicles">
      <div className="grid gap-10 px-6 py-6 lg:grid-cols-[1fr_340px]">
        <section>
          <h1 className="text-3xl">Vehicles</h1>
          {vehicles.length === 0 && (
            <p className="mt-3 text-lg">No vehicle yet. Add the first one on the right: a fleet number is enough.</p>
          )}
          {vehicles.length > 0 && (
            <table className="mt-4 w-full">
              <thead>
                <tr className="border-b-2 border-ink text-left text-[15px]">
                  <th className="py-1 font-bold">Label</th>
                  <th className="font-bold">Plate</th>
                  <th className="font-bold">Model</th>
                  <th className="font-bold">Customer</th>
                  <th className="text-right font-bold">Jobs</th>
                </tr>
              </thead>
              <tbody>
                {vehicles.map((item) => (
                  <tr key={item.id} className="border-b border-hair">
                    <td className="py-1.5">
                      <Link href={`/vehicles/${item.id}`} className="inline-block rounded" aria-label={item.label}>
                        <Tape label={item.label.toUpperCase()} />
                      </Link>
                    </td>
                    <td className="num text-[15px]">{item.plate}</td>
                    <td>{item.procedureName ?? <span className="text-second">not said yet</span>}</td>
                    <td>{item.customer}</td>
                    <td className="num text-right">{item.jobs}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <section>
          <h2 className="mb-3 border-b-2 border-ink pb-1 text-xl">Add a vehicle</h2>
          <AddVehicle procedures={procedures} />
        </section>
      </div>
    </DeskPage>
  )
}
