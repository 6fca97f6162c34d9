import { headsOf } from '@/core/procedure/heads'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { ToolsForm } from '@/ui/shop/ToolsForm'
import { saveToolsAction } from '../actions'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'Tools' }

export default async function ToolsPage() {
  const crew = await requireCrew()
  const wanted = new Map<string, Set<string>>()
  for (const { document } of await listProcedures(crew))
    for (const head of document.holders.flatMap(headsOf))
      wanted.set(head, (wanted.get(head) ?? new Set()).add(document.name))
  const missing = [...wanted]
    .filter(([head]) => !crew.tools.some((tool) => tool.head === head && tool.count > 0))
    .map(([head, models]) => ({ head, models: [...models] }))
  return (
    <ShopPage crew={crew} at="/shop/tools" title="Tools">
      <ToolsForm tools={crew.tools} missing={missing} may={may(crew, 'change tools')} save={saveToolsAction} />
    </ShopPage>
  )
}
