import type { ReactNode } from 'react'
import { DeskPage } from '@/app/DeskPage'
import type { Crew } from '@/server/whoAsks'
import { ShopTabs, type ShopTab } from '@/ui/shop/ShopTabs'

/** A page of the shop: its tabs, a heading, and what it is about in one line. */
export function ShopPage({
  crew,
  at,
  title,
  about,
  children,
}: {
  crew: Crew
  at: ShopTab
  title: string
  about?: string
  children: ReactNode
}) {
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at={at} />
      <div className="px-6 py-6">
        <h1 className="text-3xl">{title}</h1>
        {about && <p className="mt-1 text-second">{about}</p>}
        <div className="mt-5">{children}</div>
      </div>
    </DeskPage>
  )
}
