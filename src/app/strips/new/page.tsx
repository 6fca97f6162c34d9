import { DeskPage } from '@/app/DeskPage'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { listVehicles } from '@/server/vehicles'
import { NewStripForm } from './NewStripForm'

export const metadata = { title: 'New strip' }

export default async function NewStripPage() {
  const crew = await requireCrew()
  const [procedures, vehicles] = [await listProcedures(crew), await listVehicles(crew)]
  return (
    <DeskPage crew={crew} at="/today">
      <NewStripForm
        shopId={crew.shopId}
        models={procedures.map(({ id, name, revision }) => ({ id, name, published: revision !== null }))}
        vehicles={vehicles.map(({ label, procedureName }) => ({ label, model: procedureName }))}
      />
    </DeskPage>
  )
}
