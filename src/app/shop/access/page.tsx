import Link from 'next/link'
import { ENTRIES_A_PAGE, listAccess } from '@/server/accessLog'
import { requireCrew } from '@/server/session'
import { inShop, may } from '@/server/whoAsks'
import { accessWords, NEEDS_A_LOOK } from '@/words/accessWords'
import { dateWords } from '@/words/dates'
import { REFUSALS } from '@/words/refusals'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'Who came in' }

/** For the owner: who signed in, acted and was refused, and whose rights changed, the newest first. */
export default async function AccessPage({ searchParams }: { searchParams: Promise<{ before?: string | string[] }> }) {
  const crew = await requireCrew()
  const { before } = await searchParams
  const from = typeof before === 'string' && /^\d{1,15}$/.test(before) ? before : null
  if (!may(crew, 'see who came in'))
    return (
      <ShopPage crew={crew} at="/shop/access" title="Who came in">
        <p className="text-second">{REFUSALS.needs('owner')}</p>
      </ShopPage>
    )
  const entries = await inShop(crew, (trx) => listAccess(trx, from))
  return (
    <ShopPage
      crew={crew}
      at="/shop/access"
      title="Who came in"
      about="Every sign-in, PIN and change of rights, and what was tried and refused. Nothing here can be changed or removed."
    >
      {entries.length === 0 ? (
        <p className="text-lg">Nothing is written here{from ? ' before that' : ' yet'}.</p>
      ) : (
        <ol className="max-w-4xl border-t-2 border-ink">
          {entries.map((entry) => (
            <li
              key={entry.seq}
              className={`grid grid-cols-[12rem_minmax(0,1fr)_minmax(0,10rem)] items-baseline gap-x-4 border-b border-hair py-1.5 ${NEEDS_A_LOOK.has(entry.kind) ? 'border-l-8 border-l-ink pl-3 font-bold' : 'pl-5'}`}
            >
              <time className="num whitespace-nowrap text-second" dateTime={entry.at.toISOString()}>
                {dateWords(entry.at, 'moment', crew.house.timeZone)}
              </time>
              <span className="[overflow-wrap:anywhere]">{accessWords(entry)}</span>
              <span className="truncate text-right font-normal text-second">{entry.device ?? ''}</span>
            </li>
          ))}
        </ol>
      )}
      <nav aria-label="Pages of the list" className="mt-4 flex gap-6">
        {from && (
          <Link className="jump" href="/shop/access">
            The newest
          </Link>
        )}
        {entries.length === ENTRIES_A_PAGE && (
          <Link className="jump" href={`/shop/access?before=${entries.at(-1)!.seq}`}>
            Older
          </Link>
        )}
      </nav>
    </ShopPage>
  )
}
