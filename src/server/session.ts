import 'server-only'
import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { cache } from 'react'
import { crewBehind, type Crew } from './whoAsks'

/** The crew behind this request, or null when nobody is signed in. One look-up a request. */
export const currentCrew = cache(async (): Promise<Crew | null> => crewBehind(await headers()))

/** For pages and actions: the crew, or the way to the door. */
export async function requireCrew(): Promise<Crew> {
  return (await currentCrew()) ?? redirect('/welcome')
}
