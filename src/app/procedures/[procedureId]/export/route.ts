import { z } from 'zod'
import { readProcedure } from '@/server/procedures'
import { currentCrew } from '@/server/session'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'

/** The native procedure file: the document as it stands, draft or revision. */
export async function GET(_: Request, { params }: { params: Promise<{ procedureId: string }> }): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return Response.json({ sentence: REFUSALS.signInFirst }, { status: 401 })
  const { procedureId } = await params
  const view = z.uuid().safeParse(procedureId).success ? await readProcedure(crew, procedureId) : null
  if (!view) return Response.json({ sentence: REFUSALS.notYourProcedure }, { status: 404 })
  const name = view.document.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
  return new Response(JSON.stringify(view.document, null, 2), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.procedure.json"`,
    },
  })
}
