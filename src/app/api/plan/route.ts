import { atDoor, bodyOf } from '@/server/door'
import { planFor, PlanQuestion } from '@/server/plans'
import { currentCrew } from '@/server/session'
import { planReport } from '@/words/planReport'
import { planErrorSentence } from '@/words/problems'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'

/** The whole job as data, for a signed-in client: { procedureId, request } in, what bin/plan --json prints out. */
export async function POST(request: Request): Promise<Response> {
  const crew = await currentCrew()
  if (!crew) return Response.json({ status: 'signed out', sentence: REFUSALS.signInFirst }, { status: 401 })
  const question = atDoor(PlanQuestion, await bodyOf(request))
  if (!question.success) {
    const [issue] = question.error.issues
    return Response.json(
      { status: 'invalid', sentence: REFUSALS.planUnread(`${issue!.path.join(', ')}: ${issue!.message}`) },
      { status: 400 },
    )
  }
  const answer = await planFor(crew, question.data, request.signal)
  if (answer.status === 'unknown procedure')
    return Response.json({ status: answer.status, sentence: REFUSALS.noPublishedProcedure }, { status: 404 })
  if (answer.status === 'not answered')
    return Response.json({ status: answer.status, sentence: answer.sentence }, { status: 503 })
  if (answer.status === 'no plan')
    return Response.json(
      { status: answer.status, sentence: planErrorSentence(answer.document, answer.error) },
      { status: 422 },
    )
  return Response.json({ status: 'planned', ...planReport(answer.plan) })
}
