import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { HouseForm } from '@/ui/shop/HouseForm'
import { saveHouseAction } from '../actions'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'House values' }

export default async function HouseValuesPage() {
  const crew = await requireCrew()
  return (
    <ShopPage
      crew={crew}
      at="/shop/values"
      title="House values"
      about="House estimates: plans are timed with these until there are measured times, and say so."
    >
      <HouseForm
        zones={Intl.supportedValuesOf('timeZone')}
        house={crew.house}
        may={may(crew, 'change house values')}
        save={saveHouseAction}
      />
    </ShopPage>
  )
}
