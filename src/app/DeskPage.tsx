import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { crewNames } from '@/server/jobs'
import type { Crew } from '@/server/whoAsks'
import { changeWhoActs } from './welcome/actions'
import { Alive } from '@/ui/shell/Alive'
import { DeviceBeat, PlainHttp } from '@/ui/shell/DeviceBeat'
import { DeskHeader } from '@/ui/shell/DeskHeader'

/** A page at the desk: head, and whatever the page is. The theme is the desk's unless this device chose otherwise. */
export async function DeskPage({ crew, at, children }: { crew: Crew; at: string; children: ReactNode }) {
  const theme = (await cookies()).get('look')?.value === 'bay' ? 'bay' : 'desk'
  return (
    <div data-theme={theme} className="min-h-dvh">
      <DeskHeader
        at={at}
        shopName={crew.shopName}
        acting={crew.acting}
        crew={await crewNames(crew)}
        change={changeWhoActs}
        theme={theme}
      />
      <PlainHttp />
      <DeviceBeat shopId={crew.shopId}>
        <main>
          <Alive>{children}</Alive>
        </main>
      </DeviceBeat>
    </div>
  )
}
