import { redirect } from 'next/navigation'
import { currentCrew } from '@/server/session'

export default async function Home() {
  redirect((await currentCrew()) ? '/today' : '/welcome')
}
