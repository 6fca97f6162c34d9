import { levelNow } from '@/core/job/fold'
import { isDone } from '@/core/job/progress'
import { cardNameIn } from '@/words/modelNames'
import { itemWords } from '@/words/items'
import { stepWords } from '@/words/operations'
import type { PlannedJob } from './useJob'
import { allCards } from '@/core/plan/show/planOnCards'

/**
 * What the plan that is followed does not speak of: parts that are out without it, things that this build should not
 * have, and the card that a label was scanned for.
 */
export function Strayed({ job, cardId, ask }: { job: PlannedJob; cardId: string | null; ask: () => void }) {
  const { plan, state, model } = job
  const planned = new Set(allCards(plan).map((card) => card.partId))
  const out = [...state.moved].filter(
    (id) => levelNow(state, id) !== 'in place' && !planned.has(id) && model.parts.has(id),
  )
  const gone = [
    ...[...state.moved].filter((id) => levelNow(state, id) !== 'in place' && !model.parts.has(id)),
    ...[...state.tethersOpen].filter((id) => !model.tethers.has(id)),
  ]
  const asked = cardId === null ? undefined : allCards(plan).filter((card) => card.partId === cardId)
  const open = asked?.find((card) => card.steps.some((step) => !isDone(state, step.operation)))
  const next = open?.steps.find((step) => !isDone(state, step.operation))
  if (out.length + gone.length === 0 && !asked) return null
  return (
    <div className="space-y-1 pl-6 pt-2 text-xl font-semibold" role="status">
      {out.length > 0 && (
        <p>
          {out.map((id) => itemWords(job.document, id)).join(', ')} {out.length === 1 ? 'is' : 'are'} out, and not in
          this plan.{' '}
          <button type="button" className="jump min-h-14" onClick={ask}>
            find the way from here
          </button>
        </p>
      )}
      {gone.length > 0 && (
        <p>
          This build has no {gone.map((id) => itemWords(job.document, id).toLowerCase()).join(', ')}, yet it is out. Say
          in the balance what becomes of it, or tell the right variant under More.
        </p>
      )}
      {asked && asked.length > 0 && (
        <p data-scanned={cardId}>
          The label is of {cardNameIn(model, asked[0]!).toLowerCase()}:{' '}
          {open && next
            ? `${{ in: 'on the way in', work: 'at the bottom', test: 'tested', out: 'on the way out' }[open.phase]}, next there is “${stepWords(model, next.operation).title}”.`
            : 'all of it is done.'}
        </p>
      )}
    </div>
  )
}
