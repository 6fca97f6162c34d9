import { z } from 'zod'
import { keepMedia } from '@/server/media'
import { currentCrew } from '@/server/session'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'
const Asked = z.object({ jobId: z.uuid(), mediaId: z.uuid(), kind: z.enum(['photo', 'voice']) })

const STATUS = { kept: 200, later: 503, refused: 422, 'unknown job': 404 } as const

/** Keeps a picture or a recording that a tablet sends. Sent twice, it is kept once. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ jobId: string; mediaId: string }> },
): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return Response.json({ status: 'signed out', sentence: REFUSALS.signInFirst }, { status: 401 })
  const asked = Asked.safeParse({ ...(await params), kind: new URL(request.url).searchParams.get('kind') })
  if (!asked.success) return Response.json({ status: 'invalid', sentence: REFUSALS.sayJobAndMedia }, { status: 400 })
  const { jobId, mediaId, kind } = asked.data
  const outcome = await keepMedia(crew, jobId, {
    id: mediaId,
    kind,
    bytes: new Uint8Array(await request.arrayBuffer()),
  })
  return Response.json(outcome, { status: STATUS[outcome.status] })
}
