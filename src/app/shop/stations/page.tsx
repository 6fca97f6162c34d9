import { DeskPage } from '@/app/DeskPage'
import { mayAct, requireCrew } from '@/server/session'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { StationsForm } from '@/ui/shop/StationsForm'
import { saveHouseAction } from '../actions'

export const metadata = { title: 'Stations and moves' }

export default async function StationsPage() {
  const crew = await requireCrew()
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/stations" />
      <div className="px-6 py-6">
        <h1 className="mb-4 text-3xl">Stations and moves</h1>
        <StationsForm house={crew.house} may={mayAct(crew, 'lead')} save={saveHouseAction} />
      </div>
    </DeskPage>
  )
}
