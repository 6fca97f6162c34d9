import { z } from 'zod'
import { readMedia } from '@/server/media'
import { currentCrew } from '@/server/session'

export const dynamic = 'force-dynamic'

/** A picture or a recording of this shop; it never changes, so a browser may keep it. */
export async function GET(request: Request, { params }: { params: Promise<{ mediaId: string }> }): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return new Response(null, { status: 401 })
  const id = z.uuid().safeParse((await params).mediaId)
  const medium = id.success
    ? await readMedia(crew, id.data, new URL(request.url).searchParams.get('size') === 'small')
    : null
  if (!medium) return new Response(null, { status: 404 })
  return new Response(new Uint8Array(medium.bytes), {
    headers: {
      'content-type': medium.mime,
      'cache-control': 'private, max-age=31536000, immutable',
      'content-disposition': 'inline',
    },
  })
}
