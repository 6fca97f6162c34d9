import { DeskPage } from '@/app/DeskPage'
import { mayAct, requireCrew } from '@/server/session'
import { RulesForm } from '@/ui/shop/RulesForm'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { saveRulesAction } from '../actions'

export const metadata = { title: 'Rules of safety' }

export default async function RulesPage() {
  const crew = await requireCrew()
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/rules" />
      <div className="px-6 py-6">
        <h1 className="mb-2 text-3xl">Rules of safety</h1>
        <RulesForm rules={crew.rules} may={mayAct(crew, 'owner')} save={saveRulesAction} />
      </div>
    </DeskPage>
  )
}
