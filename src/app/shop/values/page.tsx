import { DeskPage } from '@/app/DeskPage'
import { mayAct, requireCrew } from '@/server/session'
import { HouseForm } from '@/ui/shop/HouseForm'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { saveHouseAction } from '../actions'

export const metadata = { title: 'House values' }

export default async function HouseValuesPage() {
  const crew = await requireCrew()
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/values" />
      <div className="px-6 py-6">
        <h1 className="text-3xl">House values</h1>
        <p className="mb-6 mt-1 text-second">House estimates: plans are timed with these until there are measured times, and say so.</p>
        <HouseForm house={crew.house} may={mayAct(crew, 'lead')} save={saveHouseAction} />
      </div>
    </DeskPage>
  )
}
