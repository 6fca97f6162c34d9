import { Beat, keepBeat } from '@/server/devices'
import { atDoor, bodyOf } from '@/server/door'
import { currentCrew } from '@/server/session'
import { prolongSession } from '@/server/whoAsks'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'

/** A device says that it is there, what waits on it, and what time it has. */
export async function POST(request: Request): Promise<Response> {
  await prolongSession(request.headers)
  const crew = await currentCrew()
  if (!crew) return Response.json({ status: 'signed out', sentence: REFUSALS.signInFirst }, { status: 401 })
  const beat = atDoor(Beat, await bodyOf(request))
  if (!beat.success) return Response.json({ status: 'invalid', sentence: REFUSALS.thingGone }, { status: 400 })
  return Response.json({ status: 'kept', ...(await keepBeat(crew, beat.data)) })
}
