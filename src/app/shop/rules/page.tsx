import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { RulesForm } from '@/ui/shop/RulesForm'
import { saveRulesAction } from '../actions'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'Rules of safety' }

export default async function RulesPage() {
  const crew = await requireCrew()
  return (
    <ShopPage crew={crew} at="/shop/rules" title="Rules of safety">
      <RulesForm rules={crew.rules} may={may(crew, 'change rules of safety')} save={saveRulesAction} />
    </ShopPage>
  )
}
