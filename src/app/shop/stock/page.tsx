import { listKits } from '@/server/kits'
import { requireCrew } from '@/server/session'
import { shelfNow } from '@/server/stock'
import { may } from '@/server/whoAsks'
import { StockForm } from '@/ui/shop/StockForm'
import { saveStockAction } from '../actions'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'Stock' }

export default async function StockPage() {
  const crew = await requireCrew()
  const [shelf, kits] = [await shelfNow(crew), await listKits(crew)]
  const numbers = kits.flatMap(({ kit }) =>
    kit.parts
      .filter(({ supply }) => supply.partNumber !== '')
      .map(({ name, supply: { partNumber, place } }) => ({ partNumber, name, place, kit: kit.name })),
  )
  return (
    <ShopPage
      crew={crew}
      at="/shop/stock"
      title="Stock"
      about="Count a shelf once; what jobs take from it and bring back is added up from then on."
    >
      <StockForm
        stock={crew.stock}
        shelf={shelf}
        numbers={numbers}
        may={may(crew, 'keep stock')}
        save={saveStockAction}
      />
    </ShopPage>
  )
}
