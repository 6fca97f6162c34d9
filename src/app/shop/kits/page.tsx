import { Plus } from 'lucide-react'
import Link from 'next/link'
import { DeskPage } from '@/app/DeskPage'
import type { Kit } from '@/core/shop/kit'
import { readKits } from '@/server/kits'
import { kitUses, type KitUse } from '@/server/kitUses'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { REFUSALS } from '@/words/refusals'
import { kitMinutesWords, lastingChangeWords } from '@/words/kitWords'

export const metadata = { title: 'Kits' }

export default async function KitsPage() {
  const crew = await requireCrew()
  const [{ kits, newer }, procedures, uses] = await Promise.all([readKits(crew), listProcedures(crew), kitUses(crew)])
  const names = new Map(procedures.map(({ id, name }) => [id, name]))
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/shop/kits" />
      <div className="px-6 py-6">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h1 className="text-3xl">Kits</h1>
          {may(crew, 'keep kits') ? (
            <Link href="/shop/kits/new" className="desk-button main">
              <Plus size={16} aria-hidden /> New kit
            </Link>
          ) : (
            <span className="text-second">A lead adds kits. Tap the name at the top to change who acts.</span>
          )}
        </div>
        <p className="mt-1 text-second">
          A kit is what an opening is for: its work, what it adds, what it changes for good. Plan offers it on every
          model it fits.
        </p>
        {newer.map((name) => (
          <p key={name} role="status" className="mt-4 font-semibold">
            {REFUSALS.kitNewer(name)}
          </p>
        ))}
        {kits.length + newer.length === 0 ? (
          <p className="mt-6 text-xl">There is no kit yet. Begin with what this shop fits most.</p>
        ) : (
          <ul className="mt-4 border-t-2 border-ink">
            {kits.map(({ kit }) => (
              <KitRow
                key={kit.id}
                kit={kit}
                models={kit.fits.flatMap((fit) => names.get(fit.procedureId) ?? [])}
                uses={uses.filter(({ kitId }) => kitId === kit.id)}
              />
            ))}
          </ul>
        )}
      </div>
    </DeskPage>
  )
}

function KitRow({ kit, models, uses }: { kit: Kit; models: readonly string[]; uses: readonly KitUse[] }) {
  return (
    <li className="grid gap-x-8 gap-y-3 border-b border-hair py-4 md:grid-cols-[minmax(12rem,1fr)_minmax(0,2fr)_minmax(12rem,1fr)]">
      <div>
        <Link className="jump text-xl font-bold" href={`/shop/kits/${kit.id}`}>
          {kit.name}
        </Link>
        <p className="text-second">
          {models.length > 0 ? `on ${models.join(', ')}` : 'on no model yet: it can’t be planned'}
        </p>
        {kit.note && <p className="mt-1">{kit.note}</p>}
      </div>
      <div>
        {kit.works.length === 0 && <p>No work in it yet.</p>}
        <ol>
          {kit.works.map((work) => (
            <li key={work.id} className="flex gap-4">
              <span className="flex-1">{work.name}</span>
              <span className="num text-second">{kitMinutesWords(work.durationS)}</span>
            </li>
          ))}
        </ol>
        {kit.changes.map((change) => (
          <p key={change.id} className="mt-1 font-semibold">
            {lastingChangeWords(change)}
          </p>
        ))}
      </div>
      <div>
        {uses.length === 0 && <p className="text-second">In no vehicle of this shop yet.</p>}
        <ul>
          {uses.slice(0, MOST_USES).map((use) => (
            <li key={use.jobId} className="flex flex-wrap justify-between gap-x-3">
              <Link className="jump" href={`/jobs/${use.jobId}${use.handedOverAt ? '/handover' : ''}`}>
                {use.vehicle}
              </Link>
              <span className="text-second">{use.handedOverAt ? 'fitted' : 'being fitted'}</span>
            </li>
          ))}
        </ul>
        {uses.length > MOST_USES && (
          <p className="text-second">and {uses.length - MOST_USES} more, on the pages of their vehicles</p>
        )}
      </div>
    </li>
  )
}

const MOST_USES = 5
