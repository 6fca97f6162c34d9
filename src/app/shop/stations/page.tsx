import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { StationsForm } from '@/ui/shop/StationsForm'
import { saveHouseAction } from '../actions'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'Stations and moves' }

export default async function StationsPage() {
  const crew = await requireCrew()
  return (
    <ShopPage crew={crew} at="/shop/stations" title="Stations and moves">
      <StationsForm house={crew.house} may={may(crew, 'change house values')} save={saveHouseAction} />
    </ShopPage>
  )
}
