import { z } from 'zod'
import { handOverSheet } from '@/server/handOverSheet'
import { currentCrew } from '@/server/session'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'

/** The hand-over sheet as a PDF. */
export async function GET(request: Request, { params }: { params: Promise<{ jobId: string }> }): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return new Response(REFUSALS.signInFirst, { status: 401 })
  const id = z.uuid().safeParse((await params).jobId)
  const sheet = id.success ? await handOverSheet(crew, id.data, request.signal) : ({ status: 'unknown job' } as const)
  if (sheet.status === 'unknown job') return new Response(REFUSALS.noSuchJob, { status: 404 })
  if (sheet.status === 'refused') return new Response(sheet.sentence, { status: 503 })
  const name = sheet.label.toLowerCase().replace(/[^a-z0-9]+/g, '-')
  return new Response(new Uint8Array(sheet.pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="hand-over-${name}.pdf"`,
      'cache-control': 'private, no-store',
    },
  })
}
