import { AppendRequest, appendJobEvents } from '@/server/appendEvents'
import { bodyOf } from '@/server/door'
import { eventsAfter } from '@/server/jobEvents'
import { log } from '@/server/log'
import { currentCrew } from '@/server/session'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'
type Context = { params: Promise<{ jobId: string }> }

const SIGNED_OUT = Response.json.bind(null, { status: 'signed out', sentence: REFUSALS.signInFirst }, { status: 401 })
const UNKNOWN = Response.json.bind(null, { status: 'unknown', sentence: REFUSALS.noSuchJob }, { status: 404 })

/**
 * What happened in a job, for the other tablets in the bay: all of it, or what arrived `after` a place that was told
 * before.
 */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return SIGNED_OUT()
  const { jobId } = await params
  const after = Number(new URL(request.url).searchParams.get('after') ?? 0)
  const found = isUuid(jobId) ? await eventsAfter(crew, jobId, Number.isSafeInteger(after) ? after : 0) : null
  return found ? Response.json({ ...found, acting: crew.acting }) : UNKNOWN()
}

/**
 * Appends what a tablet's outbox sends. Sent twice, it is stored once; what is refused is answered event by event, and
 * the rest is kept.
 */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return SIGNED_OUT()
  const { jobId } = await params
  if (!isUuid(jobId)) return UNKNOWN()
  // Each event is cleaned and parsed by itself.
  const body = AppendRequest.safeParse(await bodyOf(request))
  if (!body.success)
    return Response.json(
      {
        status: 'invalid',
        sentence: REFUSALS.eventsUnread(body.error.issues[0]!.message),
      },
      { status: 400 },
    )
  const outcome = await appendJobEvents(crew, jobId, body.data.events)
  if (outcome.status === 'unknown job') return UNKNOWN()
  const { stored, refused } = outcome
  log.info({ jobId, events: body.data.events.length, stored: stored.length, refused: refused.length }, 'events')
  const [first] = refused
  if (first && !body.data.each)
    return Response.json({ status: 'refused', eventId: first.eventId, sentence: first.sentence }, { status: 409 })
  return Response.json(outcome)
}

function isUuid(text: string): boolean {
  return /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)
}
