import { reasonsNotReady } from '@/server/health'

export const dynamic = 'force-dynamic'

/**
 * For the start command and for whoever watches the server. Live: this answer is there at all. Ready: it can do its
 * work; where it can't, the reasons stand beside it. `?only=live` asks for nothing else.
 */
export async function GET(request: Request): Promise<Response> {
  if (new URL(request.url).searchParams.get('only') === 'live') return Response.json({ live: true })
  const reasons = await reasonsNotReady()
  return Response.json(
    { live: true, ready: reasons.length === 0, reasons },
    { status: reasons.length === 0 ? 200 : 503 },
  )
}
