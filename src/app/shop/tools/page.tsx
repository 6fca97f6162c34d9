import { DeskPage } from '@/app/DeskPage'
import { headsOf } from '@/core/procedure/holder'
import { listProcedures } from '@/server/procedures'
import { mayAct, requireCrew } from '@/server/session'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { ToolsForm } from '@/ui/shop/ToolsForm'
import { saveToolsAction } from '../actions'

export const metadata = { title: 'Tools' }

export default async function ToolsPage() {
  const crew = await requireCrew()
  const wanted = new Map<string, Set<string>>()
  for (const { document } of await listProcedures(crew)) for (const head of document.holders.flatMap(headsOf)) wanted.set(head, (wanted.get(head) ?? new Set()).add(document.name))
  const missing = [...wanted].filter(([head]) => !crew.tools.some((tool) => tool.head === head && tool.count > 0)).map(([head, models]) => ({ head, models: [...models] }))
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/tools" />
      <div className="px-6 py-6">
        <h1 className="mb-4 text-3xl">Tools</h1>
        <ToolsForm tools={crew.tools} missing={missing} may={mayAct(crew, 'lead')} save={saveToolsAction} />
      </div>
    </DeskPage>
  )
}
