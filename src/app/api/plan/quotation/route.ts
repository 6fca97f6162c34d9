import { atDoor, bodyOf } from '@/server/door'
import { quotationPaper, QuotationQuestion } from '@/server/quotationPaper'
import { currentCrew } from '@/server/session'
import { planErrorSentence } from '@/words/problems'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'

/** The quotation of a plan as a PDF; where none can be written, a sentence that says why. */
export async function POST(request: Request): Promise<Response> {
  const refuse = (status: number, sentence: string) => Response.json({ sentence }, { status })
  const crew = await currentCrew()
  if (!crew) return refuse(401, REFUSALS.signInFirst)
  const question = atDoor(QuotationQuestion, await bodyOf(request))
  if (!question.success) return refuse(400, question.error.issues[0]!.message)
  const paper = await quotationPaper(crew, question.data, Date.now(), request.signal)
  if (paper.status === 'no plan') return refuse(422, planErrorSentence(paper.document, paper.error))
  if (paper.status === 'refused') return refuse(409, paper.sentence)
  return new Response(new Uint8Array(paper.pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'attachment; filename="quotation.pdf"',
      'cache-control': 'private, no-store',
    },
  })
}
