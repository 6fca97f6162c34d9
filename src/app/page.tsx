import { redirect } from 'next/navigation'
import { currentCrew } from '@/server/session'

export const dynamic = 'force-dynamic'

export default async function Home() {
  redirect((await currentCrew()) ? '/today' : '/welcome')
}
