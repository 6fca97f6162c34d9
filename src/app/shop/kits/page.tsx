import { Plus } from 'lucide-react'
import Link from 'next/link'
import { DeskPage } from '@/app/DeskPage'
import { listKits } from '@/server/kits'
import { listProcedures } from '@/server/procedures'
import { mayAct, requireCrew } from '@/server/session'
import { ShopTabs } from '@/ui/shop/ShopTabs'

export const metadata = { title: 'Kits' }

export default async function KitsPage() {
  const crew = await requireCrew()
  const [kits, procedures] = [await listKits(crew), await listProcedures(crew)]
  const modelNames = (ids: string[]) => ids.flatMap((id) => procedures.find((procedure) => procedure.id === id)?.name ?? []).join(', ')
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/kits" />
      <div className="max-w-5xl px-6 py-6">
        <div className="flex items-center justify-between">
          <h1 className="text-3xl">Kits</h1>
          {mayAct(crew, 'lead') ? (
            <Link href="/shop/kits/new" className="desk-button main">
              <Plus size={16} aria-hidden /> New kit
            </Link>
          ) : (
            <span className="text-second">A lead adds kits. Tap the name at the top to change who acts.</span>
          )}
        </div>
        <p className="mt-1 text-second">A kit is what an opening is for: its work, what it adds, what it changes for good. Plan offers it on every model it fits.</p>
        {kits.length === 0 ? (
          <p className="mt-6 text-xl">There is no kit yet. Begin with what this shop fits most.</p>
        ) : (
          <ul className="mt-4 border-t-2 border-ink">
            {kits.map(({ kit }) => (
              <li key={kit.id} className="flex items-baseline gap-4 border-b border-hair py-2.5">
                <Link className="jump min-w-52 text-lg font-bold" href={`/shop/kits/${kit.id}`}>
                  {kit.name}
                </Link>
                <span className="flex-1">
                  {kit.works.map((work) => work.name).join(', ') || 'no work'}
                  <span className="block text-[15px] text-second">{kit.fits.length > 0 ? `on ${modelNames(kit.fits.map((fit) => fit.procedureId))}` : 'on no model yet: it can’t be planned'}</span>
                </span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </DeskPage>
  )
}
