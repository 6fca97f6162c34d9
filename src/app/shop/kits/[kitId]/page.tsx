import Link from 'next/link'
import { notFound } from 'next/navigation'
import { DeskPage } from '@/app/DeskPage'
import { Kit } from '@/core/shop/kit'
import { kitPhotos } from '@/server/kitPhotos'
import { kitTroubles } from '@/server/kitTroubles'
import { listKits } from '@/server/kits'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { KitForm } from '@/ui/kit/KitForm'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { removeKitAction, saveKitAction } from '../../actions'

export const metadata = { title: 'Kit' }

export default async function KitPage({ params }: { params: Promise<{ kitId: string }> }) {
  const crew = await requireCrew()
  const { kitId } = await params
  const kits = await listKits(crew)
  const blank: Kit = { ...Kit.parse({ id: crypto.randomUUID(), name: 'new' }), name: '' }
  const row = kitId === 'new' ? { kit: blank, version: 0 } : kits.find(({ kit }) => kit.id === kitId)
  if (!row) notFound()
  const models = (await listProcedures(crew)).map((procedure) => ({
    procedureId: procedure.id,
    document: procedure.document,
  }))
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/kits" />
      <div className="px-6 py-6">
        <p>
          <Link className="jump" href="/shop/kits">
            All kits
          </Link>
        </p>
        <h1 className="mb-4 text-3xl">{row.version === 0 ? 'New kit' : row.kit.name}</h1>
        <KitForm
          kit={row.kit}
          version={row.version}
          others={kits.filter(({ kit }) => kit.id !== row.kit.id).map(({ kit }) => kit)}
          models={models}
          stations={crew.house.stations.map((station) => station.name)}
          currency={crew.house.currency}
          found={await kitTroubles(crew, row.kit)}
          photos={await kitPhotos(crew, row.kit)}
          may={may(crew, 'keep kits')}
          save={saveKitAction}
          remove={removeKitAction}
        />
      </div>
    </DeskPage>
  )
}
